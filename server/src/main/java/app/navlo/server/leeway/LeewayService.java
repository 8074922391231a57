package app.navlo.server.leeway;

import app.navlo.core.leeway.Bar;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.server.board.Board;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Done;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.Writer;
import app.navlo.server.outbox.SchoolBox;
import app.navlo.server.outbox.SchoolCommand.Payload;
import app.navlo.server.outbox.SchoolCommands;
import app.navlo.server.outbox.SchoolCommands.Prepared;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Outbox;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes down what was asked for, given and used. Nothing is asked that the core says can't be had. */
@Service
class LeewayService {
    private final WorkWrites writes;
    private final OneChange one;
    private final SchoolBox school;
    private final SchoolCommands commands;

    LeewayService(WorkWrites writes, OneChange one, SchoolBox school, SchoolCommands commands) {
        this.commands = commands;
        this.school = school;
        this.writes = writes;
        this.one = one;
    }

    private static String title(Board.Entry entry) {
        return entry.work().definition().title();
    }

    public Changed ask(Writer writer, long work) {
        Done done = commands.run(Outbox.Kind.ASK, writer, work, "ask " + work, () -> {
            refuse(writes.open(writer, work).finding().extension().bars());
            return new Prepared(Payload.NOTHING, school.takes(writer.student(), work, Outbox.Kind.ASK));
        });
        return new Changed(done.change(), work);
    }

    @Transactional
    public Changed answer(Writer writer, long work, AnswerForm form) {
        Board.Entry entry = writes.open(writer, work);
        boolean granted = form.due() != null;
        String summary = (granted ? "An extension was given: " : "An extension was declined: ") + title(entry);
        return one.write(writer, "answer " + work + " " + form, ChangeKind.OWN, summary, change -> {
            if (!entry.extensionPending()) {
                throw Refusal.conflict("Nothing is asked for", "Take down first that an extension was asked for.");
            }
            if (granted) {
                Instant due = entry.state().due();
                if (due != null && !Objects.requireNonNull(form.due()).isAfter(due)) {
                    throw Refusal.invalid("due", "The new due must be later than the one in force.");
                }
                writes.add(
                        writer,
                        change,
                        work,
                        stamp -> new Fact.ExtensionGranted(stamp, Deadline.at(Objects.requireNonNull(form.due()))));
            } else {
                writes.add(writer, change, work, Fact.ExtensionDeclined::new);
            }
            return work;
        });
    }

    @Transactional
    public Changed use(Writer writer, long work, TokensForm form) {
        Board.Entry entry = writes.open(writer, work);
        String summary = "Used " + form.tokens() + (form.tokens() == 1 ? " token: " : " tokens: ") + title(entry);
        return one.write(writer, "use " + work + " " + form, ChangeKind.OWN, summary, change -> {
            refuse(entry.finding().tokens().bars());
            int most = entry.finding().tokens().dues().size();
            if (form.tokens() > most) {
                throw Refusal.invalid("tokens", "At most " + most + " can be used on it.");
            }
            Duration span =
                    Objects.requireNonNull(entry.book().rules().tokens()).span();
            for (int i = 0; i < form.tokens(); i++) {
                writes.add(writer, change, work, stamp -> new Fact.TokenUsed(stamp, span));
            }
            return work;
        });
    }

    @Transactional
    public Changed openKey(Writer writer, long work) {
        Board.Entry entry = writes.open(writer, work);
        return one.write(writer, "key " + work, ChangeKind.OWN, "Opened the answer key: " + title(entry), change -> {
            if (entry.facts().stream().anyMatch(Fact.KeyOpened.class::isInstance)) {
                throw Refusal.conflict("It was opened already", "Nothing is left to open.");
            }
            writes.add(writer, change, work, Fact.KeyOpened::new);
            return work;
        });
    }

    private static void refuse(List<Bar> bars) {
        if (!bars.isEmpty()) {
            throw Refusal.conflict(
                    "It can't be had",
                    String.join("; ", bars.stream().map(Bar::template).toList()) + ".");
        }
    }
}
