package app.navlo.core.gate;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The gates of one course. A course whose gates go round in a circle can't be built. */
public final class CourseGates {
    private final List<Gated> works;
    private final boolean ordered;
    private final Map<WorkId, Gated> byId = new LinkedHashMap<>();

    private CourseGates(List<Gated> works, boolean ordered) {
        this.works = List.copyOf(works);
        this.ordered = ordered;
        works.forEach(work -> byId.put(work.id(), work));
    }

    /**
     * @param works in the order of the course
     * @param ordered whether each piece of work waits for the one before
     * @throws app.navlo.core.check.IllegalInput if a gate names work or a unit that isn't there, or waits in a circle
     */
    public static CourseGates of(List<Gated> works, boolean ordered) {
        CourseGates gates = new CourseGates(works, ordered);
        Check check = new Check();
        works.forEach(work -> work.gates().forEach(gate -> gates.checkNames(work, gate, check)));
        check.orThrow();
        cycle(works, ordered)
                .ifPresent(cycle -> check.that(
                        false,
                        "gates",
                        "go round in a circle: "
                                + String.join(
                                        " waits for ",
                                        cycle.stream().map(WorkId::text).toList()) + " waits for " + cycle.get(0)));
        check.orThrow();
        return gates;
    }

    private void checkNames(Gated work, Gate gate, Check check) {
        String field = "gates of " + work.id();
        if (gate instanceof Gate.Done done) {
            check.that(byId.containsKey(done.work()), field, "name work that isn't in the course: " + done.work());
        } else if (gate instanceof Gate.Percent percent) {
            check.that(
                    byId.containsKey(percent.work()), field, "name work that isn't in the course: " + percent.work());
        } else if (gate instanceof Gate.Unit unit) {
            check.that(
                    works.stream().anyMatch(one -> unit.unit().equals(one.unit())),
                    field,
                    "name a unit that isn't in the course: " + unit.unit());
        }
    }

    /** The circle in which work waits for itself, whatever the states: least id first, each waiting for the next. */
    public static Optional<List<WorkId>> cycle(List<Gated> works, boolean ordered) {
        CourseGates gates = new CourseGates(works, ordered);
        return new CycleSearch(gates.byId.keySet(), gates::waitsFor).find();
    }

    /** All that shuts it, in the order of its gates, the course's own order last; empty if it is open. */
    public List<Shut> shutting(WorkId id, Instant now) {
        Gated work = work(id);
        List<Shut> shut = new ArrayList<>();
        for (Gate gate : work.gates()) {
            Shut one = shut(work, gate, now);
            if (one != null) {
                shut.add(one);
            }
        }
        Gated previous = previous(work);
        if (previous != null && !previous.done()) {
            shut.add(new Shut.Previous(previous.id()));
        }
        return shut;
    }

    /** The work that must come before it, by any gate. */
    public Set<WorkId> waitsFor(WorkId id) {
        Gated work = work(id);
        Set<WorkId> before = new LinkedHashSet<>();
        for (Gate gate : work.gates()) {
            if (gate instanceof Gate.Done done) {
                before.add(done.work());
            } else if (gate instanceof Gate.Percent percent) {
                before.add(percent.work());
            } else if (gate instanceof Gate.Unit unit) {
                inUnit(unit.unit(), work).forEach(one -> before.add(one.id()));
            }
        }
        Gated previous = previous(work);
        if (previous != null) {
            before.add(previous.id());
        }
        return before;
    }

    /** How many pieces of work wait for this one, directly or through others. */
    public Set<WorkId> unlocks(WorkId id) {
        Set<WorkId> unlocked = new LinkedHashSet<>();
        List<WorkId> next = new ArrayList<>(List.of(id));
        while (!next.isEmpty()) {
            WorkId at = next.remove(0);
            for (Gated work : works) {
                if (waitsFor(work.id()).contains(at) && unlocked.add(work.id())) {
                    next.add(work.id());
                }
            }
        }
        return unlocked;
    }

    /** What must still be done before {@code id}, each after all that it waits for; done work left out. */
    public List<WorkId> chainTo(WorkId id) {
        Set<WorkId> chain = new LinkedHashSet<>();
        collect(id, chain);
        chain.remove(id);
        return List.copyOf(chain);
    }

    private void collect(WorkId id, Set<WorkId> chain) {
        for (WorkId before : waitsFor(id)) {
            if (!work(before).done() && !chain.contains(before)) {
                collect(before, chain);
            }
        }
        chain.add(id);
    }

    private Gated work(WorkId id) {
        Gated work = byId.get(id);
        if (work == null) {
            throw new IllegalArgumentException("no work " + id + " in the course");
        }
        return work;
    }

    private List<Gated> inUnit(String unit, Gated gated) {
        return works.stream()
                .filter(one -> unit.equals(one.unit()) && one.required() && one != gated)
                .toList();
    }

    private @Nullable Gated previous(Gated work) {
        if (!ordered || work.project()) {
            return null;
        }
        for (int i = works.indexOf(work) - 1; i >= 0; i--) {
            if (!works.get(i).project()) {
                return works.get(i);
            }
        }
        return null;
    }

    private @Nullable Shut shut(Gated work, Gate gate, Instant now) {
        if (gate instanceof Gate.Date date) {
            return now.isBefore(date.at()) ? new Shut.UntilDate(date.at(), Duration.between(now, date.at())) : null;
        }
        if (gate instanceof Gate.Done done) {
            return work(done.work()).done() ? null : new Shut.NotDone(done.work());
        }
        if (gate instanceof Gate.Percent percent) {
            return below(percent);
        }
        Gate.Unit unit = (Gate.Unit) gate;
        List<WorkId> left = inUnit(unit.unit(), work).stream()
                .filter(one -> !one.done())
                .map(Gated::id)
                .toList();
        return left.isEmpty() ? null : new Shut.UnitLeft(unit.unit(), left);
    }

    private @Nullable Shut below(Gate.Percent gate) {
        Gated other = work(gate.work());
        Rational have = other.bestPercent();
        if (other.excused() || (have != null && have.compareTo(gate.atLeast()) >= 0)) {
            return null;
        }
        Rational off = have == null ? gate.atLeast() : gate.atLeast().minus(have);
        return new Shut.BelowPercent(gate.work(), gate.atLeast(), have, off);
    }
}
