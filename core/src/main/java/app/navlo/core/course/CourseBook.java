package app.navlo.core.course;

import app.navlo.core.close.GradedReturn;
import app.navlo.core.close.Turnaround;
import app.navlo.core.exact.Rational;
import app.navlo.core.gate.CourseGates;
import app.navlo.core.gate.Gated;
import app.navlo.core.gate.Shut;
import app.navlo.core.grade.CompletionScheme;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.grade.Readings;
import app.navlo.core.grade.StandardsScheme;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.Readiness;
import app.navlo.core.work.GateState;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/** Everything that follows from a course's rules and facts at an instant. Immutable; it asks for nothing later. */
public final class CourseBook {
    private static final Rational PERCENT_OF_A_RATING = Rational.of(25);

    private final CourseRules rules;
    private final Instant now;
    private final Map<WorkId, EvaluatedWork> worked = new LinkedHashMap<>();
    private final Map<WorkId, List<Shut>> shut = new LinkedHashMap<>();
    private final Map<WorkId, Set<WorkId>> forGood = new LinkedHashMap<>();
    private final CourseGates gates;
    private final LeewayAnswers leeway;
    private final Turnaround turnaround;
    private final ScoreBasis ledger;
    private final Map<WorkId, GradedWork> graded = new LinkedHashMap<>();
    private final Readings readings;
    private final WorkAssessor all;

    private CourseBook(CourseRules rules, List<CourseWork> works, Collection<GradedReturn> returns, Instant now) {
        this.rules = rules;
        this.now = now;
        List<EvaluatedWork> ungated = works.stream()
                .map(work -> EvaluatedWork.of(work, rules, GateState.OPEN, now))
                .toList();
        gates = gates(rules, ungated);
        leeway = new LeewayAnswers(rules, ungated, now);
        Map<WorkId, EvaluatedWork> byId = new HashMap<>();
        ungated.forEach(one -> byId.put(one.id(), one));
        ShutForGood never = new ShutForGood(byId, gates, leeway, now);
        for (EvaluatedWork one : ungated) {
            List<Shut> closed = gates.shutting(one.id(), now);
            GateState gate = closed.isEmpty()
                    ? GateState.OPEN
                    : never.by(one.id()).isEmpty() ? GateState.SHUT : GateState.SHUT_FOR_GOOD;
            EvaluatedWork then = gate == GateState.OPEN ? one : EvaluatedWork.of(one.work(), rules, gate, now);
            shut.put(one.id(), closed);
            worked.put(one.id(), then);
            boolean waits = gate == GateState.SHUT_FOR_GOOD && then.state().move() == Turn.OUT_OF_REACH;
            forGood.put(one.id(), waits ? never.by(one.id()) : Set.of());
        }
        turnaround = Turnaround.of(rules.course(), returns, rules.calendar(), now);
        ledger = new ScoreBasis(worked.values(), rules, now);
        worked.values().stream().filter(ScoreBasis::counts).forEach(one -> graded.put(one.id(), ledger.graded(one)));
        readings = Readings.of(rules.scheme(), rules.table(), graded.values());
        all = new WorkAssessor(rules, worked.values(), graded, ledger, leeway, turnaround, now);
    }

    /**
     * @param works in the order of the course
     * @param returns of all the student's courses, for the teacher's turnaround
     * @throws app.navlo.core.check.IllegalInput if gates name what isn't there or go round in a circle
     */
    public static CourseBook of(
            CourseRules rules, List<CourseWork> works, Collection<GradedReturn> returns, Instant now) {
        return new CourseBook(rules, works, returns, now);
    }

    private static boolean done(EvaluatedWork one) {
        Stage stage = one.state().stage();
        return stage == Stage.TURNED_IN || stage == Stage.RETURNED || stage == Stage.EXCUSED;
    }

    private static CourseGates gates(CourseRules rules, List<EvaluatedWork> works) {
        List<Gated> gated = new ArrayList<>();
        for (EvaluatedWork ungated : works) {
            CourseWork work = ungated.work();
            gated.add(new Gated(
                    work.id(),
                    work.place().unit(),
                    ungated.item().required(),
                    work.item().kind() == WorkKind.PROJECT,
                    done(ungated),
                    ungated.state().stage() == Stage.EXCUSED,
                    ungated.rawPercent(),
                    work.gates()));
        }
        return CourseGates.of(gated, rules.ordered());
    }

    public CourseRules rules() {
        return rules;
    }

    /** A figure of this course, or a difference of two, in percent: ratings 0–4 are spread over it. */
    public Rational percent(Rational figure) {
        return rules.scheme() instanceof StandardsScheme ? figure.times(PERCENT_OF_A_RATING) : figure;
    }

    Map<WorkId, EvaluatedWork> worked() {
        return worked;
    }

    Map<WorkId, GradedWork> gradedById() {
        return graded;
    }

    ScoreBasis ledger() {
        return ledger;
    }

    public boolean has(WorkId work) {
        return worked.containsKey(work);
    }

    public Instant now() {
        return now;
    }

    public Readings readings() {
        return readings;
    }

    /** In the course's bank; 0 where it has none. */
    public int tokensLeft() {
        return leeway.tokensLeft();
    }

    public Turnaround turnaround() {
        return turnaround;
    }

    /** What waits for what. */
    public CourseGates gates() {
        return gates;
    }

    /** How far it is to completion; empty where the course is graded otherwise. */
    public Optional<CompletionScheme.Path> completion() {
        if (!(rules.scheme() instanceof CompletionScheme scheme)) {
            return Optional.empty();
        }
        return Optional.of(scheme.path(worked.values().stream()
                .map(one -> new CompletionScheme.Item(
                        one.id(),
                        one.item().required(),
                        done(one),
                        one.possible(),
                        one.outcome().kept()))
                .toList()));
    }

    /** In the order of the course; practice and excused work isn't among them. */
    public Collection<GradedWork> graded() {
        return List.copyOf(graded.values());
    }

    /** @throws IllegalArgumentException if the course has no such work */
    EvaluatedWork one(WorkId work) {
        EvaluatedWork one = worked.get(work);
        if (one == null) {
            throw new IllegalArgumentException("no work " + work + " in the course");
        }
        return one;
    }

    /** @throws IllegalArgumentException if the course has no such work */
    public WorkState state(WorkId work) {
        return one(work).state();
    }

    /** All that is known of each piece of work, in the order of the course. */
    public List<WorkAssessment> findings() {
        return worked.values().stream()
                .map(one -> all.of(
                        one, Objects.requireNonNull(shut.get(one.id())), Objects.requireNonNull(forGood.get(one.id()))))
                .toList();
    }

    /** @throws IllegalArgumentException if the course has no such work */
    public WorkAssessment finding(WorkId work) {
        return all.of(one(work), Objects.requireNonNull(shut.get(work)), Objects.requireNonNull(forGood.get(work)));
    }

    /** Where a piece of work lies in time. */
    public WorkSpan span(WorkAssessment finding) {
        return WorkSpan.of(finding, rules, gates.waitsFor(finding.id()), now);
    }

    /**
     * The choices of leeway for one piece of work.
     *
     * @param doneAt when it would be finished and handed in
     * @param ready what lies ready of it
     * @throws IllegalArgumentException if the course has no such work
     */
    public LeewayCase leeway(WorkId work, Instant doneAt, Readiness ready) {
        return all.leeway(one(work), finding(work), doneAt, ready);
    }

    /**
     * What it would mean to take back what is with the teacher.
     *
     * @throws IllegalArgumentException if the course has no such work
     */
    public TakenBack takenBack(WorkId work) {
        return all.takenBack(one(work));
    }

    /**
     * The readings if things were otherwise; nothing is kept.
     *
     * @throws app.navlo.core.check.IllegalInput if a change names work that isn't in the course
     */
    public Readings whatIf(List<WhatIf> changes) {
        return trial(changes, List.of()).readings();
    }

    /**
     * By how much the reading <em>expected</em> moves if a piece of work counts with so many points, after every penalty, and
     * all else stays: the same as a trial of that alone.
     *
     * @return in the units of the figure, below 0 for a loss; 0 where it never counts, and where the course has no figure
     */
    public Rational moves(WorkId work, Rational points) {
        return all.moves(work, points);
    }

    /**
     * The course if things were otherwise; nothing is kept.
     *
     * @param added work that isn't there
     * @throws app.navlo.core.check.IllegalInput if a change names work that isn't in the course
     */
    public WhatIfCourse trial(List<WhatIf> changes, List<WhatIfCourse.Added> added) {
        return WhatIfCourse.of(this, added).and(changes);
    }
}
