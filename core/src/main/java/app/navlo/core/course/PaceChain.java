package app.navlo.core.course;

import app.navlo.core.gate.Chain;
import app.navlo.core.gate.Gate;
import app.navlo.core.id.WorkId;
import app.navlo.core.time.WeeklyHours;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * What stands in a row behind gates, up to a piece of work with a due that nothing else waits for.
 *
 * @param to the work at its end
 * @param possible whether its first link can still be begun in time, and nothing shuts it for good
 * @param shutBy work that the teacher would have to open again; empty unless it is shut for good
 * @param links in the order in which they are done, the end last; at least two
 */
public record PaceChain(WorkId to, boolean possible, Set<WorkId> shutBy, List<Link> links) {
    /**
     * @param unlocks how many pieces wait for it, directly or not
     * @param startBy the latest instant to begin it, so that the end is in time
     * @param handInBy the latest instant to hand it in
     * @param graded whether the next opens only when a person has graded it
     */
    public record Link(WorkId work, int unlocks, Instant startBy, Instant handInBy, boolean graded) {}

    public PaceChain {
        shutBy = Set.copyOf(shutBy);
        links = List.copyOf(links);
    }

    private Instant startBy() {
        return links.get(0).startBy();
    }

    /** One for each shut piece of work that nothing else waits for and that has a due; the most urgent first. */
    static List<PaceChain> allOf(CourseBook book, List<WorkAssessment> all, WeeklyHours week) {
        Map<WorkId, WorkAssessment> byWork = new HashMap<>();
        Set<WorkId> waiting = new HashSet<>();
        for (WorkAssessment one : all) {
            byWork.put(one.id(), one);
            if (!one.shut().isEmpty()) {
                waiting.add(one.id());
            }
        }
        return all.stream()
                .filter(one -> waiting.contains(one.id()) && one.state().due() != null)
                .filter(one -> book.gates().unlocks(one.id()).stream().noneMatch(waiting::contains))
                .flatMap(end -> to(end, book, byWork, week).stream())
                .sorted(Comparator.comparing(PaceChain::startBy))
                .toList();
    }

    private static Optional<PaceChain> to(
            WorkAssessment end, CourseBook book, Map<WorkId, WorkAssessment> byWork, WeeklyHours week) {
        List<WorkAssessment> row = new ArrayList<>();
        for (WorkId work : book.gates().chainTo(end.id())) {
            if (!work.equals(end.id())) {
                row.add(Objects.requireNonNull(byWork.get(work)));
            }
        }
        row.add(end);
        if (row.size() < 2) {
            return Optional.empty();
        }
        List<Chain.Link> links = row.stream().map(one -> link(one, row, book)).toList();
        return Chain.latestStarts(links, week, book.rules().calendar())
                .map(latest -> new PaceChain(
                        end.id(),
                        end.shutForGood().isEmpty() && !latest.get(0).startBy().isBefore(book.now()),
                        end.shutForGood(),
                        latest.stream()
                                .map(one -> new Link(
                                        one.work(),
                                        book.gates().unlocks(one.work()).size(),
                                        one.startBy(),
                                        one.finishBy(),
                                        opensByGrade(one.work(), row)))
                                .toList()));
    }

    private static Chain.Link link(WorkAssessment one, List<WorkAssessment> row, CourseBook book) {
        return new Chain.Link(
                one.id(),
                Math.max(1, one.work().effort()),
                opensByGrade(one.id(), row) ? book.turnaround().median() : null,
                one.state().due());
    }

    /** Whether a percent of this is what opens another of them. */
    private static boolean opensByGrade(WorkId work, List<WorkAssessment> row) {
        return row.stream()
                .flatMap(one -> one.work().gates().stream())
                .anyMatch(gate ->
                        gate instanceof Gate.Percent percent && percent.work().equals(work));
    }
}
