package app.navlo.server.leeway;

import app.navlo.core.leeway.Bar;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.server.board.Board;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Outbox;
import app.navlo.server.work.EditedView;
import app.navlo.server.work.HandInService;
import app.navlo.server.work.OneChange;
import app.navlo.server.work.SchoolBox;
import app.navlo.server.work.SchoolCommand.Payload;
import app.navlo.server.work.SchoolCommands;
import app.navlo.server.work.SchoolCommands.Prepared;
import app.navlo.server.work.WorkDesk;
import app.navlo.server.work.Writer;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes down what was asked for, given and used. Nothing is asked that the core says can't be had. */
@Service
class LeewayDesk {
    private final WorkDesk desk;
    private final OneChange one;
    private final SchoolBox school;
    private final SchoolCommands commands;

    LeewayDesk(WorkDesk desk, OneChange one, SchoolBox school, SchoolCommands commands) {
        this.commands = commands;
        this.school = school;
        this.desk = desk;
        this.one = one;
    }

    private static String title(Board.Entry entry) {
        return entry.work().definition().title();
    }

    public EditedView ask(Writer writer, long work) {
        HandInService.Done done = commands.run(Outbox.Kind.ASK, writer, work, "ask " + work, () -> {
            refuse(desk.open(writer, work).finding().extension().bars());
            return new Prepared(Payload.NOTHING, school.takes(writer.student(), work, Outbox.Kind.ASK));
        });
        return new EditedView(done.change(), work);
    }

    @Transactional
    public EditedView answer(Writer writer, long work, AnswerForm form) {
        Board.Entry entry = desk.open(writer, work);
        boolean granted = form.due() != null;
        String summary = (granted ? "An extension was given: " : "An extension was declined: ") + title(entry);
        return one.write(writer, "answer " + work + " " + form, ChangeKind.OWN, summary, change -> {
            if (!entry.extensionPending()) {
                throw Refusal.conflict("Nothing is asked for", "Take down first that an extension was asked for.");
            }
            if (granted) {
                Instant due = entry.state().due();
                if (due != null && !form.due().isAfter(due)) {
                    throw Refusal.invalid("due", "The new due must be later than the one in force.");
                }
                desk.add(writer, change, work, stamp -> new Fact.ExtensionGranted(stamp, Deadline.at(form.due())));
            } else {
                desk.add(writer, change, work, Fact.ExtensionDeclined::new);
            }
            return work;
        });
    }

    @Transactional
    public EditedView use(Writer writer, long work, TokensForm form) {
        Board.Entry entry = desk.open(writer, work);
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
                desk.add(writer, change, work, stamp -> new Fact.TokenUsed(stamp, span));
            }
            return work;
        });
    }

    @Transactional
    public EditedView openKey(Writer writer, long work) {
        Board.Entry entry = desk.open(writer, work);
        return one.write(writer, "key " + work, ChangeKind.OWN, "Opened the answer key: " + title(entry), change -> {
            if (entry.facts().stream().anyMatch(Fact.KeyOpened.class::isInstance)) {
                throw Refusal.conflict("It was opened already", "Nothing is left to open.");
            }
            desk.add(writer, change, work, Fact.KeyOpened::new);
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
