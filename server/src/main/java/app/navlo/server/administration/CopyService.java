package app.navlo.server.administration;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Copies;
import app.navlo.server.time.ServerClock;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * Copies of the data beside it, when they are asked for and once a day. They hold everybody's work, so they are made here and handed
 * to nobody over the net: who runs the machine carries them away.
 */
@Service
public class CopyService {
    private static final Logger LOG = LoggerFactory.getLogger(CopyService.class);
    private static final DateTimeFormatter NAMED =
            DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HHmmss'Z'").withZone(ZoneOffset.UTC);
    private static final String WANTED = "wanted";
    private static final String MADE = "made";
    private static final String BEGIN = "navlo-";
    private static final String END = ".zip";

    private final Copies copies;
    private final Path folder;
    private final int days;
    private final ServerClock clock;

    /** @param days for which daily copies are kept; 0 for none */
    public CopyService(
            Copies copies,
            @Value("${navlo.ops.data:.}") Path data,
            @Value("${navlo.copies.days:0}") int days,
            ServerClock clock) {
        this.copies = copies;
        this.folder = data.toAbsolutePath().resolve("copies");
        this.days = days;
        this.clock = clock;
    }

    /** A copy that is there. */
    record Copy(String name, long bytes, Instant madeAt) {}

    boolean canBeMade() {
        return copies.canBeMade();
    }

    String folder() {
        return folder.toString();
    }

    int days() {
        return days;
    }

    /** The latest first. */
    List<Copy> all() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(CopyService::isCopy)
                    .map(CopyService::copy)
                    .sorted(Comparator.comparing(Copy::name).reversed())
                    .toList();
        } catch (IOException broken) {
            LOG.warn("the copies can't be listed: {}", broken.getMessage());
            return List.of();
        }
    }

    /** Others may lie beside them, under names of their own. */
    private static boolean isCopy(Path file) {
        return file.getFileName().toString().matches(BEGIN + "\\d{4}-\\d\\d-\\d\\dT\\d{6}Z\\" + END);
    }

    private static Copy copy(Path file) {
        String name = file.getFileName().toString();
        String at = name.substring(BEGIN.length(), name.length() - END.length());
        return new Copy(name, file.toFile().length(), Instant.from(NAMED.parse(at)));
    }

    /** @throws Refusal where none can be made, or the disk doesn't take it */
    synchronized Copy make() {
        if (!copies.canBeMade()) {
            throw Refusal.conflict(
                    "No copy is made here", "The data are kept elsewhere, where copies of them are made, too.");
        }
        Path whole = folder.resolve(BEGIN + NAMED.format(clock.instant()) + END);
        Path part = folder.resolve(whole.getFileName() + ".part");
        try {
            Files.createDirectories(folder);
            copies.write(part);
            Files.move(part, whole, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException | DataAccessException broken) {
            part.toFile().delete();
            LOG.warn("a copy of the data couldn't be made", broken);
            throw Refusal.of(
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "The copy couldn't be written",
                    "",
                    "Look whether " + folder + " can be written to and the disk has room, then try again.");
        }
        LOG.info("a copy of the data is at {}", whole);
        return copy(whole);
    }

    /** {@code ./navlo backup} asks by a file, since it can't open what is in use. */
    @Scheduled(fixedDelayString = "${navlo.copies.asked:1s}")
    public void lookWhetherAsked() {
        Path wanted = folder.resolve(WANTED);
        if (!Files.exists(wanted) || !copies.canBeMade()) {
            return;
        }
        try {
            Files.delete(wanted);
            Path answer = folder.resolve(MADE + ".part");
            Files.writeString(answer, make().name());
            Files.move(answer, folder.resolve(MADE), StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException | Refusal broken) {
            LOG.warn("a copy was asked for and couldn't be made: {}", broken.getMessage());
        }
    }

    @Scheduled(fixedDelayString = "${navlo.copies.round:1h}", initialDelayString = "${navlo.copies.round:10m}")
    public void round() {
        if (days == 0 || !copies.canBeMade()) {
            return;
        }
        Instant now = clock.instant();
        boolean old = all().stream().noneMatch(copy -> copy.madeAt().isAfter(now.minus(Duration.ofDays(1))));
        if (old) {
            make();
        }
        all().stream()
                .filter(copy -> copy.madeAt().isBefore(now.minus(Duration.ofDays(days))))
                .forEach(copy -> folder.resolve(copy.name()).toFile().delete());
    }
}
