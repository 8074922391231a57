package app.navlo.core.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WhatIf;
import app.navlo.core.course.WhatIfCourse;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Reading;
import app.navlo.core.id.WorkId;
import app.navlo.core.plan.Plan;
import app.navlo.core.plan.PlanProblem;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import app.navlo.core.plan.SearchBudget;
import app.navlo.core.plan.Solver;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Which pieces of work would carry a course to a target with the least effort, each at what is expected of it and all other
 * open work at zero; whether that reaches it is the grade engine's word. Of a few, every choice is tried. Of more, the
 * optimiser is asked what is best in so many minutes, fewer and fewer of them; that may miss a choice with less effort.
 */
public final class Carry {
    private static final long LATE = Long.MAX_VALUE / 4;
    private static final int STEP_MINUTES = 5;
    /** Up to so many open pieces every choice of them is tried. */
    private static final int FEW = 10;

    private final CourseBook book;
    private final List<WhatIf> changes;
    private final List<WhatIfCourse.Added> added;
    private final List<WorkAssessment> open;
    private final Rational target;

    private Carry(
            CourseBook book,
            List<WhatIf> changes,
            List<WhatIfCourse.Added> added,
            List<WorkAssessment> open,
            Rational target) {
        this.book = book;
        this.changes = changes;
        this.added = added;
        this.open = open;
        this.target = target;
    }

    /** @param minutes of effort that are left */
    public record Piece(WorkId work, long minutes) {}

    /**
     * @param target in the units of the course's figure
     * @return in the order of the course; empty where all of them together don't reach it
     */
    public static Optional<List<Piece>> to(
            Rational target, CourseBook book, List<WhatIf> changes, List<WhatIfCourse.Added> added) {
        List<WorkId> ids = book.trial(changes, added).open();
        List<WorkAssessment> open = book.findings().stream()
                .filter(finding -> ids.contains(finding.id()))
                .toList();
        return new Carry(book, changes, added, open, target).least();
    }

    private Optional<List<Piece>> least() {
        if (!reaches(Set.copyOf(ids(open)))) {
            return Optional.empty();
        }
        if (open.size() <= FEW) {
            return Optional.of(pieces(leastOfFew()));
        }
        long high = open.stream().mapToLong(Carry::minutes).sum() / STEP_MINUTES + 1;
        long low = -1;
        Set<WorkId> best = Set.copyOf(ids(open));
        while (high - low > 1) {
            long middle = (low + high) >>> 1;
            Set<WorkId> chosen = within(middle * STEP_MINUTES);
            if (reaches(chosen)) {
                high = middle;
                best = chosen;
            } else {
                low = middle;
            }
        }
        return Optional.of(pieces(spared(best)));
    }

    /** Every choice, the least effort first. */
    private Set<WorkId> leastOfFew() {
        return IntStream.range(0, 1 << open.size())
                .boxed()
                .sorted(Comparator.comparingLong(this::minutesOf))
                .map(this::chosen)
                .filter(this::reaches)
                .findFirst()
                .orElseThrow();
    }

    private long minutesOf(int choice) {
        return IntStream.range(0, open.size())
                .filter(i -> (choice >> i & 1) == 1)
                .mapToLong(i -> minutes(open.get(i)))
                .sum();
    }

    private Set<WorkId> chosen(int choice) {
        return IntStream.range(0, open.size())
                .filter(i -> (choice >> i & 1) == 1)
                .mapToObj(i -> open.get(i).id())
                .collect(Collectors.toSet());
    }

    /** Whatever isn't needed is taken out again, the longest first. */
    private Set<WorkId> spared(Set<WorkId> chosen) {
        Set<WorkId> left = new HashSet<>(chosen);
        open.stream()
                .filter(finding -> chosen.contains(finding.id()))
                .sorted((a, b) -> Long.compare(minutes(b), minutes(a)))
                .forEach(finding -> {
                    left.remove(finding.id());
                    if (!reaches(left)) {
                        left.add(finding.id());
                    }
                });
        return left;
    }

    private static List<WorkId> ids(List<WorkAssessment> findings) {
        return findings.stream().map(WorkAssessment::id).toList();
    }

    private static long minutes(WorkAssessment finding) {
        return finding.item().expectsHandIn() ? finding.work().effort() : 1;
    }

    private List<Piece> pieces(Set<WorkId> chosen) {
        return open.stream()
                .filter(finding -> chosen.contains(finding.id()))
                .map(finding -> new Piece(finding.id(), minutes(finding)))
                .toList();
    }

    private Set<WorkId> within(long minutes) {
        if (minutes == 0) {
            return Set.of();
        }
        List<Job> jobs = new ArrayList<>();
        for (WorkAssessment finding : open) {
            Rational impact = finding.impact() == null ? Rational.ZERO : finding.impact();
            long worth = Math.max(0, Scale.hundredths(impact.times(Scale.factor(book))));
            jobs.add(new Job(
                    finding.id().text(),
                    minutes(finding),
                    0,
                    List.of(),
                    0,
                    List.of(new Mode(0, 0, List.of(new Step(LATE, worth))))));
        }
        PlanProblem problem = new PlanProblem(List.of(new Slot(0, minutes)), List.of(), jobs, List.of());
        Set<WorkId> chosen = new HashSet<>();
        for (Plan.Placed placed :
                Solver.solve(problem, SearchBudget.quick(jobs.size())).plan().jobs()) {
            chosen.add(open.get(placed.job()).id());
        }
        return chosen;
    }

    private boolean reaches(Set<WorkId> done) {
        List<WhatIf> then = new ArrayList<>(changes);
        for (WorkAssessment finding : open) {
            if (done.contains(finding.id())) {
                Instant handedIn = finding.state().handInStands() ? null : book.now();
                Rational points = handedIn == null
                        ? Tasks.raw(finding)
                        : Tasks.scoredAt(finding, handedIn, book.rules().calendar());
                then.add(WhatIf.scored(finding.id(), points, handedIn));
            } else {
                then.add(WhatIf.counts(finding.id(), Rational.ZERO));
            }
        }
        Rational figure = book.trial(then, added).figure(Reading.EXPECTED);
        return figure != null && figure.compareTo(target) >= 0;
    }
}
