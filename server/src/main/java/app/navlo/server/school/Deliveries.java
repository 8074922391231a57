package app.navlo.server.school;

import app.navlo.server.problem.Refusal;
import app.navlo.server.school.SchoolLink.Ability;
import app.navlo.server.school.SchoolLink.LinkFault;
import app.navlo.server.school.SchoolLink.Sending;
import app.navlo.server.school.SchoolLink.SendingKind;
import app.navlo.server.school.SchoolLink.SentFile;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.KeyKind;
import app.navlo.server.store.Links.Link;
import app.navlo.server.work.SchoolBox;
import app.navlo.server.work.Writer;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Brings to the school what a student hands in, takes back and asks for. */
@Component
class Deliveries implements SchoolBox {
    private static final String NOTHING_LOST =
            " It does not count as done yet. Everything stays ready here: try again in a few minutes, or do it at the"
                    + " school itself and record it here.";

    private final LinkDesk desk;
    private final Links links;

    Deliveries(LinkDesk desk, Links links) {
        this.desk = desk;
        this.links = links;
    }

    @Override
    public Optional<Taken> handIn(Writer writer, long work, HandIns.Content content) {
        List<SentFile> files = content.files().stream()
                .map(file -> new SentFile(file.name(), file.sha256()))
                .toList();
        return send(writer, work, Ability.HAND_IN, SendingKind.HAND_IN, content.text(), files, content.note());
    }

    @Override
    public Optional<Counter> counter(long student, long work) {
        Way open = way(student, work, Ability.HAND_IN, false);
        Way any = open == null ? way(student, work, Ability.HAND_IN, true) : open;
        return Optional.ofNullable(any).map(way -> new Counter(way.link().name(), open == null));
    }

    @Override
    public Optional<Taken> withdraw(Writer writer, long work) {
        return send(writer, work, Ability.HAND_IN, SendingKind.WITHDRAW, null, List.of(), null);
    }

    @Override
    public Optional<Taken> ask(Writer writer, long work) {
        return send(writer, work, Ability.ASK, SendingKind.ASK, null, List.of(), null);
    }

    @Override
    public Optional<Taken> tell(long student, long work, String key, String subject, String body) throws Unreachable {
        Way way = way(student, work, Ability.WRITE, false);
        if (way == null) {
            return Optional.empty();
        }
        try {
            return Optional.of(deliver(way, new Sending(SendingKind.WRITE, way.item(), key, body, List.of(), subject)));
        } catch (LinkFault fault) {
            if (fault.refused) {
                return Optional.empty();
            }
            throw new Unreachable(way.link().name() + ": " + fault.getMessage());
        }
    }

    /** @param item as the link calls the work */
    private record Way(Link link, String item) {}

    /** The link that can do something about a piece of work; null for none. */
    private @Nullable Way way(long student, long work, Ability ability, boolean pausedToo) {
        List<Link> able = desk.standing(student).stream()
                .filter(link -> (pausedToo || !link.paused())
                        && desk.kind(link).abilities().contains(ability))
                .toList();
        Links.WorkKey known =
                links.keyOf(work, able.stream().map(Link::id).toList()).orElse(null);
        return known == null
                ? null
                : able.stream()
                        .filter(one -> one.id() == known.link())
                        .findFirst()
                        .map(link -> new Way(link, known.key()))
                        .orElseThrow();
    }

    private Taken deliver(Way way, Sending sending) throws LinkFault {
        SchoolLink.Receipt receipt = desk.kind(way.link()).send(way.link(), sending);
        return new Taken(way.link().id(), way.link().name(), receipt.number(), receipt.deed(), receipt.at());
    }

    private Optional<Taken> send(
            Writer writer,
            long work,
            Ability ability,
            SendingKind kind,
            @Nullable String text,
            List<SentFile> files,
            @Nullable String note) {
        Way way = way(writer.student(), work, ability, false);
        if (way == null) {
            return Optional.empty();
        }
        Link link = way.link();
        String key = writer.person() + " "
                + Objects.requireNonNullElseGet(
                        writer.key(), () -> UUID.randomUUID().toString());
        try {
            return Optional.of(deliver(way, new Sending(kind, way.item(), key, text, files, note)));
        } catch (LinkFault fault) {
            throw fault.refused
                    ? Refusal.conflict(link.name() + " doesn't take it", String.valueOf(fault.getMessage()))
                    : Refusal.of(
                            HttpStatus.SERVICE_UNAVAILABLE,
                            link.name() + " can't be reached",
                            "",
                            fault.getMessage() + NOTHING_LOST);
        }
    }

    @Override
    public void is(Taken taken, long change, long fact) {
        links.addKey(taken.link(), change, KeyKind.DEED, taken.deed(), fact, false);
    }
}
