package app.navlo.server.leeway;

import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.server.board.Board;
import app.navlo.server.change.Done;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.Writer;
import app.navlo.server.outbox.SchoolBox;
import app.navlo.server.outbox.SchoolBox.Taken;
import app.navlo.server.outbox.SchoolCommand;
import app.navlo.server.outbox.SchoolCommand.Payload;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Outbox;
import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Writes down that an extension was asked for; where the course gives it at once, it is given. */
@Component
class AskCommand implements SchoolCommand {
    private final WorkWrites writes;
    private final SchoolBox school;

    AskCommand(WorkWrites writes, SchoolBox school) {
        this.writes = writes;
        this.school = school;
    }

    @Override
    public Outbox.Kind kind() {
        return Outbox.Kind.ASK;
    }

    @Override
    public Done confirm(Writer writer, long work, Payload payload, Optional<Taken> taken) {
        Board.Entry entry = writes.open(writer, work);
        String title = entry.work().definition().title();
        long change = writes.change(writer, ChangeKind.OWN, "Asked for an extension: " + title);
        Long told = taken.flatMap(school::known).orElse(null);
        if (told != null) {
            writes.touch(writer, work, change);
            return new Done(change, told);
        }
        Instant due = entry.finding().extension().newDue();
        long fact = writes.add(writer, change, work, Fact.ExtensionAsked::new);
        taken.ifPresent(asked -> school.is(asked, change, fact));
        ExtensionRule rule = entry.book().rules().extension();
        if (rule != null && rule.answered() == ExtensionRule.Answered.AT_ONCE && due != null) {
            writes.add(writer, change, work, stamp -> new Fact.ExtensionGranted(stamp, Deadline.at(due)));
        }
        return new Done(change, fact);
    }
}
