package app.navlo.server.exports;

import app.navlo.server.account.Person;
import app.navlo.server.problem.Refusal;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.LinkedHashSet;
import java.util.Set;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is here, in formats that other programs read. */
@RestController
@RequestMapping("/api/students/{student}/exports")
public class ExportController {
    private static final int MOST_WORKS = 20_000;

    private final Exports exports;

    ExportController(Exports exports) {
        this.exports = exports;
    }

    /** All courses with their work and scores, as a OneRoster 1.2 bundle. */
    @GetMapping("/oneroster.zip")
    public ResponseEntity<byte[]> roster(@PathVariable long student, @AuthenticationPrincipal Person reader)
            throws IOException {
        return attachment(
                "navlo-oneroster.zip",
                MediaType.parseMediaType("application/zip"),
                exports.roster(student, ZoneId.of(reader.zone())));
    }

    /**
     * Rows of the work, as a table, in the order in which they are asked for.
     *
     * @param works numbers and ranges of them: "1-24,30"; all for none
     */
    @GetMapping("/works.csv")
    public ResponseEntity<byte[]> table(
            @PathVariable long student,
            @AuthenticationPrincipal Person reader,
            @RequestParam(defaultValue = "") String works)
            throws IOException {
        String table = exports.table(student, ZoneId.of(reader.zone()), numbers(works));
        return attachment(
                "navlo-work.csv",
                new MediaType("text", "csv", StandardCharsets.UTF_8),
                table.getBytes(StandardCharsets.UTF_8));
    }

    private static ResponseEntity<byte[]> attachment(String name, MediaType type, byte[] content) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .header(HttpHeaders.CACHE_CONTROL, "no-store")
                .body(content);
    }

    private static Set<Long> numbers(String works) {
        Set<Long> numbers = new LinkedHashSet<>();
        for (String part : works.isBlank() ? new String[0] : works.split(",")) {
            if (!part.matches("\\d{1,12}(-\\d{1,12})?")) {
                throw Refusal.invalid("works", "'" + part + "' is neither a number nor a range like 1-24.");
            }
            String[] ends = part.split("-");
            long last = Long.parseLong(ends[ends.length - 1]);
            for (long one = Long.parseLong(ends[0]); one <= last; one++) {
                numbers.add(one);
                if (numbers.size() > MOST_WORKS) {
                    throw Refusal.invalid("works", "At most " + MOST_WORKS + " at once.");
                }
            }
        }
        return numbers;
    }
}
