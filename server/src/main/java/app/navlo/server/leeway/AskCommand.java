package app.navlo.server.leeway;

import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.server.board.Board;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Outbox;
import app.navlo.server.work.HandInService;
import app.navlo.server.work.SchoolBox;
import app.navlo.server.work.SchoolBox.Taken;
import app.navlo.server.work.SchoolCommand;
import app.navlo.server.work.SchoolCommand.Payload;
import app.navlo.server.work.WorkDesk;
import app.navlo.server.work.Writer;
import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Writes down that an extension was asked for; where the course gives it at once, it is given. */
@Component
class AskCommand implements SchoolCommand {
    private final WorkDesk desk;
    private final SchoolBox school;

    AskCommand(WorkDesk desk, SchoolBox school) {
        this.desk = desk;
        this.school = school;
    }

    @Override
    public Outbox.Kind kind() {
        return Outbox.Kind.ASK;
    }

    @Override
    public HandInService.Done confirm(Writer writer, long work, Payload payload, Optional<Taken> taken) {
        Board.Entry entry = desk.open(writer, work);
        String title = entry.work().definition().title();
        long change = desk.change(writer, ChangeKind.OWN, "Asked for an extension: " + title);
        Long told = taken.flatMap(school::known).orElse(null);
        if (told != null) {
            desk.touch(writer, work, change);
            return new HandInService.Done(change, told);
        }
        Instant due = entry.finding().extension().newDue();
        long fact = desk.add(writer, change, work, Fact.ExtensionAsked::new);
        taken.ifPresent(asked -> school.is(asked, change, fact));
        ExtensionRule rule = entry.book().rules().extension();
        if (rule != null && rule.answered() == ExtensionRule.Answered.AT_ONCE && due != null) {
            desk.add(writer, change, work, stamp -> new Fact.ExtensionGranted(stamp, Deadline.at(due)));
        }
        return new HandInService.Done(change, fact);
    }
}
