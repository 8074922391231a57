package app.navlo.server.imports;

import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.imports.Previews.Looked;
import app.navlo.server.imports.SyncPlan.Status;
import app.navlo.server.sheet.TimeSheet;
import app.navlo.server.store.Availabilities;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Takes in what was looked at and confirmed, as one change. Within the caller's transaction: whole or not at all. */
@Component
public class Intake {
    private static final Logger LOG = LoggerFactory.getLogger(Intake.class);

    private static final int LONGEST_SUMMARY = 400;

    private final Boards boards;
    private final Changes changes;
    private final Links links;
    private final SyncWriter writer;
    private final Availabilities times;
    private final ServerClock clock;

    Intake(Boards boards, Changes changes, Links links, SyncWriter writer, Availabilities times, ServerClock clock) {
        this.boards = boards;
        this.changes = changes;
        this.links = links;
        this.writer = writer;
        this.times = times;
        this.clock = clock;
    }

    /**
     * Who takes it in.
     *
     * @param zone of the person's days
     * @param lead what the change is called before it says what it brought
     */
    public record Asked(long student, long person, String zone, String lead) {}

    /**
     * How the source goes on after it.
     *
     * @param every null for one that isn't asked by itself
     */
    public record Answered(
            @Nullable String upTo,
            @Nullable String tag,
            @Nullable Duration every) {
        static final Answered FOR_GOOD = new Answered(null, null, null);
    }

    /**
     * What was written.
     *
     * @param change to be named when it is undone
     * @param entries scores and states that came with it
     */
    public record Taken(long change, long link, int added, int changed, int gone, int entries) {}

    /** @param link that it came by; one without a number is added */
    public Taken take(Asked asked, Link link, Looked looked, Answered answered) {
        Instant now = clock.instant();
        SyncPlan plan = looked.plan();
        String summary = SyncWords.summary(asked.lead(), plan);
        long change = changes.add(new Changes.NewChange(
                asked.student(),
                asked.person(),
                ChangeKind.IMPORT,
                now,
                link.name(),
                summary.substring(0, Math.min(LONGEST_SUMMARY, summary.length()))));
        Link standing = link.id() == 0 ? added(link, change, answered, now) : link;
        Board board = boards.read(asked.student(), ZoneId.of(asked.zone()), now);
        String news = writer.write(standing, plan, board, change, now);
        classes(asked.student(), looked.classes(), board, change);
        links.answered(
                standing.id(),
                answered.upTo(),
                answered.tag(),
                news,
                now,
                answered.every() == null ? null : now.plus(answered.every()));
        return new Taken(
                change,
                standing.id(),
                (int) plan.many(Status.NEW),
                (int) plan.many(Status.CHANGED),
                (int) plan.many(Status.GONE),
                plan.results().size() + plan.happened().size());
    }

    private Link added(Link link, long change, Answered answered, Instant now) {
        long id = links.add(
                link.student(),
                change,
                link.name(),
                link.access(),
                answered.upTo(),
                answered.every() == null ? null : now);
        LOG.info("student {} has link {} now", link.student(), id);
        return new Link(id, link.student(), link.name(), false, link.access(), link.faring());
    }

    /** Beside those that there are, each once. */
    private void classes(long student, List<SourceSnapshot.ClassTime> held, Board board, long change) {
        if (held.isEmpty()) {
            return;
        }
        TimeSheet before = board.time().orElseGet(TimeSheet::assumed);
        List<TimeSheet.ClassSpan> classes = new ArrayList<>(before.classes());
        for (SourceSnapshot.ClassTime one : held) {
            Course course = Courses.named(board.courses().values(), one.title());
            TimeSheet.ClassSpan span =
                    new TimeSheet.ClassSpan(course == null ? null : course.id(), one.day(), one.starts(), one.ends());
            boolean there = classes.stream()
                    .anyMatch(
                            other -> other.day() == span.day() && other.starts().equals(span.starts()));
            if (!there) {
                classes.add(span);
            }
        }
        times.say(student, change, before.holding(classes));
    }
}
