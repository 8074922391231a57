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
    public Optional<Taken> withdraw(Writer writer, long work) {
        return send(writer, work, Ability.HAND_IN, SendingKind.WITHDRAW, null, List.of(), null);
    }

    @Override
    public Optional<Taken> ask(Writer writer, long work) {
        return send(writer, work, Ability.ASK, SendingKind.ASK, null, List.of(), null);
    }

    private Optional<Taken> send(
            Writer writer,
            long work,
            Ability ability,
            SendingKind kind,
            @Nullable String text,
            List<SentFile> files,
            @Nullable String note) {
        List<Link> able = desk.standing(writer.student()).stream()
                .filter(link -> !link.paused() && desk.kind(link).abilities().contains(ability))
                .toList();
        Links.WorkKey known =
                links.keyOf(work, able.stream().map(Link::id).toList()).orElse(null);
        if (known == null) {
            return Optional.empty();
        }
        Link link = able.stream()
                .filter(one -> one.id() == known.link())
                .findFirst()
                .orElseThrow();
        String key = writer.person() + " "
                + Objects.requireNonNullElseGet(
                        writer.key(), () -> UUID.randomUUID().toString());
        try {
            SchoolLink.Receipt receipt =
                    desk.kind(link).send(link, new Sending(kind, known.key(), key, text, files, note));
            return Optional.of(new Taken(link.id(), link.name(), receipt.number(), receipt.deed(), receipt.at()));
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
