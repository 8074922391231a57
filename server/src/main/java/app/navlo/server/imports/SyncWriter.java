package app.navlo.server.imports;

import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stage;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.board.Board;
import app.navlo.server.imports.SyncDelta.ToldDeed;
import app.navlo.server.imports.SyncPlan.CourseRow;
import app.navlo.server.imports.SyncPlan.Status;
import app.navlo.server.imports.SyncPlan.WorkRow;
import app.navlo.server.sheet.RuleSheet;
import app.navlo.server.store.Announcements;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Feedback;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.KeyKind;
import app.navlo.server.store.Links.Link;
import app.navlo.server.store.Material;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Writes down what a plan says, as one change. Within the caller's transaction: whole or not at all. */
@Component
public class SyncWriter {
    private static final Logger LOG = LoggerFactory.getLogger(SyncWriter.class);
    /** What a key means that isn't wanted. */
    private static final long LEFT_OUT = 0;

    private static final Duration A_DAY = Duration.ofDays(1);
    private static final DeedFacts.Made HANDED_IN =
            DeedFacts.Made.student(stamp -> new Fact.HandedIn(stamp, 1, HandInContent.DONE));
    private static final int SHORT = 40;
    private static final int LONGEST_TROUBLES = 20_000;

    private final Changes changes;
    private final Courses courses;
    private final Works works;
    private final Facts facts;
    private final HandIns handIns;
    private final Material material;
    private final Feedback feedback;
    private final Links links;
    private final Progress progress;
    private final Announcements announcements;

    SyncWriter(
            Changes changes,
            Courses courses,
            Works works,
            Facts facts,
            HandIns handIns,
            Material material,
            Feedback feedback,
            Links links,
            Progress progress,
            Announcements announcements) {
        this.changes = changes;
        this.courses = courses;
        this.works = works;
        this.facts = facts;
        this.handIns = handIns;
        this.material = material;
        this.feedback = feedback;
        this.links = links;
        this.progress = progress;
        this.announcements = announcements;
    }

    /**
     * @param change that everything of it belongs to
     * @return what was new, in words
     */
    public String write(Link link, SyncPlan plan, Board board, long change, Instant now) {
        progress.begin(
                link.student(),
                plan.works().size() + plan.happened().size() + plan.results().size());
        try {
            return new One(link, plan, board, change, now).write(SyncWords.of(plan));
        } finally {
            progress.end(link.student());
        }
    }

    private static String cut(String text, int longest) {
        return text.substring(0, Math.min(longest, text.length()));
    }

    /** One writing. */
    private final class One {
        private final Link link;
        private final SyncPlan plan;
        private final Board board;
        private final long change;
        private final Instant now;
        private final Map<String, Long> courseOf = new HashMap<>();
        private final Map<String, Long> keys = new HashMap<>();
        private final Set<Long> touched = new LinkedHashSet<>();
        private final Map<Long, Board.Entry> entries = new HashMap<>();
        private final Map<String, Boolean> brought = new HashMap<>();
        private final Map<String, String> titles = new HashMap<>();
        private final Map<String, Long> happened = new HashMap<>();
        private final List<SourceSnapshot.Trouble> troubles;

        One(Link link, SyncPlan plan, Board board, long change, Instant now) {
            this.link = link;
            this.plan = plan;
            this.board = board;
            this.change = change;
            this.now = now;
            this.troubles = new ArrayList<>(plan.troubles());
            board.entries().forEach(entry -> entries.put(entry.work().id(), entry));
            Objects.requireNonNull(links.keys(link.id(), changes.undone(link.student()))
                            .get(KeyKind.DEED))
                    .forEach((key, ours) -> happened.put(key, ours.ours()));
        }

        String write(String news) {
            plan.courses().forEach(this::course);
            for (WorkRow row : plan.works()) {
                work(row);
                progress.step(link.student());
            }
            int taken = 0;
            for (ToldDeed deed : plan.happened()) {
                taken += deed(deed) ? 1 : 0;
                progress.step(link.student());
            }
            plan.results().forEach((key, result) -> {
                result(key, result);
                progress.step(link.student());
            });
            plan.announced().forEach(this::announce);
            plan.records().forEach(this::record);
            touched.forEach(work -> works.touch(work, change));
            String lines = troubles.stream()
                    .map(trouble -> trouble.where() + ": " + trouble.why())
                    .collect(Collectors.joining("\n"));
            LOG.info(
                    "student {}: change {} read in by link {}, {} new, {} changed, {} gone",
                    link.student(),
                    change,
                    link.id(),
                    plan.many(Status.NEW),
                    plan.many(Status.CHANGED),
                    plan.many(Status.GONE));
            links.addImport(
                    link.id(),
                    new Links.Import(
                            change,
                            now,
                            news,
                            (int) plan.many(Status.NEW),
                            (int) plan.many(Status.CHANGED),
                            (int) plan.many(Status.GONE),
                            taken + plan.results().size(),
                            cut(lines, LONGEST_TROUBLES)));
            return news;
        }

        private void course(CourseRow row) {
            Long ours = row.ours();
            boolean added = ours == null;
            if (ours == null) {
                String name = row.name().isEmpty() ? link.name() : row.name();
                String colour = Course.COLOURS.get((board.courses().size() + courseOf.size()) % Course.COLOURS.size());
                ours = courses.add(
                        link.student(),
                        board.terms().keySet().stream().findFirst().orElse(null),
                        change,
                        new Course.Details(
                                name,
                                cut(name, SHORT),
                                row.teacher().isEmpty() ? null : row.teacher(),
                                null,
                                board.zone(),
                                colour));
            }
            courseOf.put(row.key(), ours);
            if (row.newKey()) {
                links.addKey(link.id(), change, KeyKind.COURSE, row.key(), ours, added);
            }
            if (!row.grade().isEmpty()) {
                Course before = board.courses().get(ours);
                RuleSheet rules = before == null ? RuleSheet.UNKNOWN : before.rules();
                courses.setRules(ours, change, rules.weighted(row.grade()));
                courses.touch(ours, change);
            }
        }

        private void work(WorkRow row) {
            Long ours = row.ours();
            if (row.status() == Status.NEW) {
                Work.Definition definition = Objects.requireNonNull(row.definition());
                Long course = row.courseKey() == null ? null : courseOf.get(row.courseKey());
                if (course == null) {
                    troubles.add(new SourceSnapshot.Trouble(row.title(), "it names no course that is told of"));
                    return;
                }
                if (ours == null) {
                    ours = works.add(new Works.NewWork(
                            link.student(),
                            change,
                            Work.Origin.SCHOOL,
                            "link " + link.id() + " " + row.key(),
                            null,
                            definition.inCourse(course),
                            row.instructions()));
                } else {
                    works.revise(ours, change, definition.inCourse(course), row.instructions(), false);
                    touched.add(ours);
                }
            } else if (row.status() == Status.CHANGED || row.status() == Status.GONE) {
                String instructions = row.status() == Status.GONE
                        ? row.instructions()
                        : works.instructions(Objects.requireNonNull(ours), changes.undone(link.student()));
                works.revise(
                        Objects.requireNonNull(ours),
                        change,
                        Objects.requireNonNull(row.definition()),
                        instructions,
                        row.status() == Status.GONE);
                touched.add(ours);
                dueMoved(ours, Objects.requireNonNull(row.definition()));
            }
            if (row.status() == Status.ASIDE && row.newKey()) {
                links.addKey(link.id(), change, KeyKind.WORK, row.key(), LEFT_OUT, true);
            }
            if (ours == null) {
                return;
            }
            if (row.newKey()) {
                links.addKey(link.id(), change, KeyKind.WORK, row.key(), ours, row.brought());
            }
            keys.put(row.key(), ours);
            brought.put(row.key(), row.brought());
            titles.put(row.key(), row.title());
        }

        private void announce(SyncDelta.ToldAnnouncement told) {
            Long course = told.course() == null ? null : courseOf.get(told.course());
            announcements.add(
                    link.student(),
                    change,
                    new Announcements.Announcement(
                            course,
                            link.name(),
                            told.key(),
                            told.by(),
                            told.title(),
                            told.text(),
                            told.at(),
                            now,
                            told.lastDay(),
                            told.address()));
        }

        private void dueMoved(long work, Work.Definition now) {
            Board.Entry entry = entries.get(work);
            Deadline before = entry == null ? null : entry.work().definition().due();
            if (entry != null) {
                facts.addDueMoved(
                        new Facts.DueMoved(change, link.student(), work, before, now.due()), this.now, link.name());
            }
        }

        private ZoneId zone(long work) {
            Board.Entry entry = entries.get(work);
            return entry == null ? board.zone() : entry.course().details().zone();
        }

        private boolean deed(ToldDeed deed) {
            Long work = keys.get(deed.item());
            if (work == null) {
                return false;
            }
            try {
                DeedFacts.Made made = DeedFacts.of(deed, zone(work));
                DeedHolds holds = DeedHolds.of(deed);
                long fact = add(work, made, DeedFacts.notAfter(deed.at(), now), deed.by());
                if (made.text() != null) {
                    handIns.add(fact, new HandIns.Content(made.text(), null, List.of()));
                }
                hold(work, fact, holds);
                happened.put(deed.key(), fact);
                links.addKey(link.id(), change, KeyKind.DEED, deed.key(), fact, true);
                return true;
            } catch (IllegalArgumentException | DateTimeException bad) {
                troubles.add(new SourceSnapshot.Trouble(deed.item(), String.valueOf(bad.getMessage())));
                return false;
            }
        }

        private void hold(long work, long fact, DeedHolds holds) {
            holds.rows().forEach(row -> feedback.addRubricMark(fact, row));
            int place = 0;
            for (Feedback.Answer answer : holds.answers()) {
                feedback.addAnswer(fact, place++, answer);
            }
            DeedHolds.Mark mark = holds.mark();
            Long handIn = mark == null ? null : handIn(work, mark);
            if (mark != null && handIn != null) {
                feedback.addMark(fact, handIn, mark.file(), mark.page(), mark.area());
            }
        }

        /** The hand-in that a mark is on, or the last one; null if its file isn't here, as it was handed in elsewhere. */
        private @Nullable Long handIn(long work, DeedHolds.Mark mark) {
            Long named = mark.handIn() == null ? null : happened.get(mark.handIn());
            Board.Entry entry = entries.get(work);
            Long fact = named == null && entry != null ? entry.standingHandIn() : named;
            boolean here = fact != null
                    && handIns.find(fact)
                            .filter(content -> mark.file() <= content.files().size())
                            .isPresent();
            return here ? fact : null;
        }

        private long add(long work, DeedFacts.Made made, Instant at, String by) {
            touched.add(work);
            return facts.add(new Facts.NewFact(
                    change,
                    link.student(),
                    work,
                    made.fact().apply(Facts.stamp(at, now, made.actor(), by.isBlank() ? link.name() : by)),
                    made.words()));
        }

        /** Of work that another source brought it is the second record; else it is all that there is. */
        private void result(String key, SourceSnapshot.Result result) {
            Long work = keys.get(key);
            if (work == null) {
                return;
            }
            if (Boolean.TRUE.equals(brought.get(key))) {
                alone(key, work, result);
            } else {
                beside(key, work, result);
            }
            touched.add(work);
            links.addKey(link.id(), change, KeyKind.DEED, Happened.resultKey(result), work, false);
        }

        /** Only what isn't here already: a result comes whole each time that anything of it is new. */
        private void alone(String key, long work, SourceSnapshot.Result result) {
            Instant at = DeedFacts.notAfter(result.at() == null ? now : result.at(), now);
            Board.Entry entry = entries.get(work);
            List<Fact> before = entry == null ? List.of() : entry.facts();
            boolean cameBack = result.status() == SourceSnapshot.Status.RETURNED;
            if ((cameBack || result.status() == SourceSnapshot.Status.HANDED_IN)
                    && (entry == null || !entry.state().handInStands())) {
                add(work, HANDED_IN, handedIn(result, plan.dues().get(key)), link.name());
            }
            boolean isFinal = result.status() == SourceSnapshot.Status.SCORED;
            Fact.Scored scored = lastScore(before);
            boolean written = plan.scoredByHand().contains(key);
            boolean byHand = !written && scored != null && scored.stamp().by() == Actor.STUDENT;
            if (byHand
                    && result.points() != null
                    && !Objects.requireNonNull(scored).points().equals(result.points())) {
                beside(key, work, result);
                return;
            }
            boolean scoredSo =
                    scored != null && Objects.equals(scored.points(), result.points()) && scored.isFinal() == isFinal;
            if (result.points() != null && !scoredSo) {
                DeedFacts.Made made = DeedFacts.scored(result.points(), isFinal);
                add(work, written ? made.byHand() : made, at, link.name());
            }
            if (cameBack && (entry == null || entry.state().stage() != Stage.RETURNED)) {
                add(work, DeedFacts.Made.teacher(stamp -> new Fact.Returned(stamp, null)), at, link.name());
            }
            boolean excused = entry != null && entry.state().stage() == Stage.EXCUSED;
            if (result.status() == SourceSnapshot.Status.EXCUSED && !excused) {
                add(work, DeedFacts.Made.teacher(stamp -> new Fact.Excused(stamp, true)), at, link.name());
            }
            Flag flag = result.missing()
                    ? Flag.MISSING
                    : result.incomplete() ? Flag.INCOMPLETE : result.late() ? Flag.LATE : Flag.CLEARED;
            if (flag != lastFlag(before)) {
                add(work, DeedFacts.Made.teacher(stamp -> new Fact.Flagged(stamp, flag)), at, link.name());
            }
            boolean said = before.stream()
                    .anyMatch(fact -> fact instanceof Fact.Commented comment
                            && comment.text().equals(result.comment()));
            if (!result.comment().isBlank() && !said) {
                add(
                        work,
                        DeedFacts.Made.teacher(
                                stamp -> new Fact.Commented(stamp, result.comment(), true, false, false)),
                        at,
                        link.name());
            }
        }

        /** A gradebook says that it was handed in and whether late, not when: at its due, or within the day after it. */
        private Instant handedIn(SourceSnapshot.Result result, @Nullable Deadline due) {
            if (due == null || !due.instant().isBefore(now)) {
                return now;
            }
            return result.late() ? DeedFacts.notAfter(due.instant().plus(A_DAY), now) : due.instant();
        }

        private static Fact.@Nullable Scored lastScore(List<Fact> facts) {
            return facts.stream()
                    .filter(Fact.Scored.class::isInstance)
                    .map(Fact.Scored.class::cast)
                    .reduce((earlier, later) -> later)
                    .orElse(null);
        }

        private static Flag lastFlag(List<Fact> facts) {
            return facts.stream()
                    .filter(Fact.Flagged.class::isInstance)
                    .map(fact -> ((Fact.Flagged) fact).flag())
                    .reduce((earlier, later) -> later)
                    .orElse(Flag.CLEARED);
        }

        /** What comes with a result is written with it. */
        private void record(String key, Material.OtherRecord told) {
            Long work = keys.get(key);
            if (work != null && !plan.results().containsKey(key)) {
                material.addOtherRecord(link.student(), work, change, told.by(link.name(), now));
                touched.add(work);
            }
        }

        private void beside(String key, long work, SourceSnapshot.Result result) {
            Deadline due = plan.dues().get(key);
            material.addOtherRecord(
                    link.student(),
                    work,
                    change,
                    new Material.OtherRecord(
                            link.name(),
                            now,
                            Objects.requireNonNull(titles.get(key)),
                            due == null ? null : due.instant(),
                            null,
                            result.points(),
                            result.missing()));
        }
    }
}
