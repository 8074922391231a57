package app.navlo.core.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.Reading;
import app.navlo.core.id.WorkId;
import app.navlo.core.plan.PlanProblem;
import app.navlo.core.plan.PlanProblem.Bonus;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import app.navlo.core.time.Stretch;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The tasks as a problem of jobs and minutes: a job for each, in their order. What is nailed to an hour is no job that could be
 * placed: its time is taken out of the slots, what waits for it waits for its end, and what it earns is earned.
 */
final class TaskProblem {
    /** What reaching the lowest letter, or one above it, is worth besides the points: in hundredths of a course percent. */
    private static final long PASS = 500;

    private static final long LETTER = 100;
    /** Reaching what one has set oneself. */
    private static final long TARGET = 300;

    private final List<Task> duties;
    private final Map<WorkId, Integer> places = new HashMap<>();
    private final List<CourseBook> books;
    private final Wishes wishes;
    /** The whole minute that minutes are counted from: hours are free and works are due on whole minutes. */
    private final Instant base;

    /** By place of the task. */
    private final Map<Integer, Stretch> nailed = new LinkedHashMap<>();

    TaskProblem(List<Task> duties, List<CourseBook> books, Wishes wishes, Instant now) {
        this.duties = duties;
        this.books = books;
        this.wishes = wishes;
        this.base = now.truncatedTo(ChronoUnit.MINUTES);
        for (int i = 0; i < duties.size(); i++) {
            places.put(duties.get(i).id(), i);
        }
        wishes.nailed().forEach((work, from) -> {
            Integer place = places.get(work);
            Instant until = place == null
                    ? from
                    : from.plus(Duration.ofMinutes(duties.get(place).minutes()));
            if (place != null && until.isAfter(base)) {
                nailed.put(place, new Stretch(from, until));
            }
        });
    }

    /** When a task is done that is nailed to an hour; empty for all others. */
    Optional<Stretch> nailed(int place) {
        return Optional.ofNullable(nailed.get(place));
    }

    Instant base() {
        return base;
    }

    /** Free time that isn't taken by what is nailed. */
    List<Stretch> without(List<Stretch> free) {
        return Stretch.without(free, nailed.values());
    }

    /** @param free in which what isn't nailed can be done */
    PlanProblem in(List<Stretch> free) {
        List<Slot> slots = without(free).stream()
                .map(stretch -> new Slot(up(stretch.start()), down(stretch.endExclusive())))
                .filter(slot -> slot.start() < slot.endExclusive())
                .toList();
        Waiting waiting = waiting();
        List<Job> jobs = new ArrayList<>();
        List<Bonus> bonuses = new ArrayList<>();
        for (Task duty : duties) {
            jobs.add(job(duty, waiting));
        }
        for (CourseBook book : books) {
            bonuses.addAll(bonuses(book));
        }
        return new PlanProblem(slots, banks(), jobs, bonuses);
    }

    /** Which of the jobs a piece of work is. */
    private int place(WorkId work) {
        return Objects.requireNonNull(places.get(work));
    }

    private List<Integer> banks() {
        return books.stream().map(CourseBook::tokensLeft).toList();
    }

    private Job job(Task duty, Waiting waiting) {
        Instant release = duty.release();
        Instant wished = wishes.notBefore().get(duty.id());
        release = wished != null && (release == null || wished.isAfter(release)) ? wished : release;
        long from = release == null ? 0 : up(release);
        List<Integer> after = new ArrayList<>();
        for (int before : waiting.after(place(duty.id()))) {
            Stretch there = nailed.get(before);
            if (there == null) {
                after.add(before);
            } else {
                from = Math.max(from, up(there.endExclusive()) + duty.lagMinutes());
            }
        }
        return new Job(
                duty.id().text(),
                duty.minutes(),
                from,
                after,
                duty.lagMinutes(),
                nailed.containsKey(place(duty.id()))
                        ? List.of()
                        : duty.modes().stream().map(way -> mode(duty, way)).toList());
    }

    /**
     * What is wished first comes before all other work, and what is wished before something before that. Work that waits
     * for a teacher to grade other work waits for nothing else: its wait would begin with the last of them.
     */
    private Waiting waiting() {
        Waiting waiting = new Waiting(duties.size());
        for (Task duty : duties) {
            duty.after().forEach(before -> waiting.add(place(before), place(duty.id())));
        }
        List<WorkId> known = wishes.first().stream().filter(places::containsKey).toList();
        for (int i = 0; i < known.size(); i++) {
            for (int j = i + 1; j < known.size(); j++) {
                wait(waiting, known.get(i), known.get(j));
            }
        }
        wishes.before().forEach((first, then) -> wait(waiting, first, then));
        for (WorkId first : known) {
            duties.forEach(duty -> wait(waiting, first, duty.id()));
        }
        return waiting;
    }

    private void wait(Waiting waiting, WorkId first, WorkId then) {
        Integer before = places.get(first);
        Integer after = places.get(then);
        if (before != null && after != null && duties.get(after).lagMinutes() == 0) {
            waiting.add(before, after);
        }
    }

    private Mode mode(Task duty, Task.Way way) {
        List<Step> steps = new ArrayList<>();
        for (Task.Until until : way.steps()) {
            long by = until.by() == null ? Long.MAX_VALUE / 4 : down(until.by());
            long last = steps.isEmpty()
                    ? Long.MIN_VALUE
                    : steps.get(steps.size() - 1).by();
            long worth = steps.isEmpty()
                    ? until.value()
                    : Math.min(until.value(), steps.get(steps.size() - 1).value());
            if (by > last) {
                steps.add(new Step(by, worth));
            }
        }
        return new Mode(
                books.indexOf(duty.book()),
                way.leeway() == null ? 0 : way.leeway().tokens(),
                steps);
    }

    /** What a task that is nailed to an hour earns; 0 for all others, which earn by the plan. */
    private long earnsNailed(int place) {
        Stretch there = nailed.get(place);
        return there == null
                ? 0
                : mode(duties.get(place), duties.get(place).modes().get(0)).valueAt(down(there.endExclusive()));
    }

    /** What is short of a boundary of the grade table, and of the target, if nothing of this is done. */
    private List<Bonus> bonuses(CourseBook book) {
        List<Integer> jobs = IntStream.range(0, duties.size())
                .filter(i -> duties.get(i).book() == book)
                .filter(i -> duties.get(i).onTime().signum() > 0)
                .boxed()
                .toList();
        long sure = jobs.stream().mapToLong(this::earnsNailed).sum();
        Rational figure = book.readings().of(Reading.EXPECTED).grade().figure();
        List<GradeTable.Row> rows = book.rules().table().rows();
        if (jobs.isEmpty() || figure == null) {
            return List.of();
        }
        Aim aim = duties.get(jobs.get(0)).aim();
        Rational weight = Scale.factor(book).times(aim.importance());
        long possible = jobs.stream().mapToLong(i -> most(duties.get(i))).sum();
        long floor = Scale.hundredths(figure.times(weight))
                - jobs.stream()
                        .filter(i -> duties.get(i).finding().outcome().kept() == null)
                        .mapToLong(i -> most(duties.get(i)))
                        .sum();
        List<Bonus> bonuses = new ArrayList<>();
        Map<Rational, Long> lines = new LinkedHashMap<>();
        for (int r = 0; r < rows.size(); r++) {
            lines.put(rows.get(r).from(), r == rows.size() - 1 ? PASS : LETTER);
        }
        if (aim.target() != null) {
            lines.merge(aim.target(), TARGET, Long::sum);
        }
        lines.forEach((from, bonus) -> {
            long need = Scale.hundredths(from.times(weight)) - floor - sure;
            if (need > 0 && need <= possible) {
                bonuses.add(
                        new Bonus(jobs, need, Scale.hundredths(aim.importance().times(Rational.of(bonus, 100)))));
            }
        });
        return bonuses;
    }

    /** What it earns at most, in hundredths of a course percent times its course's importance. */
    static long most(Task duty) {
        return duty.modes().get(0).steps().stream()
                .mapToLong(Task.Until::value)
                .max()
                .orElse(0);
    }

    long up(Instant at) {
        Duration ahead = Duration.between(base, at);
        return ahead.isNegative()
                ? Math.min(0, ahead.toMinutes())
                : ahead.plusMinutes(1).minusNanos(1).toMinutes();
    }

    long down(Instant at) {
        return Math.floorDiv(Duration.between(base, at).toSeconds(), 60);
    }
}
