package app.navlo.core.work;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.Acceptance;
import app.navlo.core.policy.KeptScore;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * The rules of states a second time, as plainly as they can be written: facts sorted, one loop over them, then one answer
 * after the other. It shares nothing with the code that it judges but the facts and the words of the answers.
 */
final class PlainStates {
    /** What is held against the answers of {@link WorkState}. */
    record Answer(
            Stage stage,
            Timing timing,
            boolean missing,
            Turn move,
            boolean mayHandIn,
            boolean toComplete,
            @Nullable Instant due,
            @Nullable Instant ends,
            Acceptance.@Nullable Limit endedBy,
            boolean accepted,
            @Nullable Flag flag,
            boolean flagDiffers,
            boolean handInStands,
            @Nullable Instant handedInAt,
            int attemptsUsed,
            Redo.@Nullable Kind redo,
            @Nullable Instant redoDue,
            @Nullable Timing redoTiming,
            @Nullable Rational points) {}

    /** A hand-in; {@code judged} is the instant that says on time or late. */
    private record In(Instant made, Instant judged, int attempt, boolean usesOne) {}

    /** What began at the start (0), with a send-back (1) or with a return (2), and all hand-ins until the next. */
    private static final class Phase {
        int kind;
        Instant at = Instant.MIN;

        @Nullable
        Instant givenDue;

        boolean redoAsked;
        final List<In> ins = new ArrayList<>();

        @Nullable
        Instant due;
    }

    private PlainStates() {}

    static Answer of(WorkItem item, Collection<Fact> all, GateState gate, Duration soon, Instant now) {
        List<Fact> facts = new ArrayList<>(all);
        facts.removeIf(fact -> fact.stamp().at().isAfter(now));
        facts.sort(Comparator.<Fact, Instant>comparing(fact -> fact.stamp().at())
                .thenComparing(fact -> fact.stamp().order()));

        List<Phase> phases = new ArrayList<>(List.of(new Phase()));
        Map<Integer, Fact.Scored> scores = new TreeMap<>();
        Map<Integer, Integer> renamed = new TreeMap<>();
        boolean begun = false;
        boolean excused = false;
        Flag flag = null;
        Instant flagAt = null;
        In incomplete = null;
        boolean nothingSince = false;
        Fact.ExtensionGranted grant = null;
        boolean pending = false;
        Duration tokens = Duration.ZERO;
        Instant reopened = null;
        int posts = 0;
        int replies = 0;

        for (Fact fact : facts) {
            Instant at = fact.stamp().at();
            Phase phase = phases.get(phases.size() - 1);
            Phase next = null;
            Integer handsIn = null;
            if (fact instanceof Fact.DraftStarted || fact instanceof Fact.AttemptBegun) {
                begun = true;
            } else if (fact instanceof Fact.HandedIn in) {
                handsIn = in.attempt();
            } else if (fact instanceof Fact.Posted posted) {
                begun = true;
                boolean before = item.parts() != null
                        && posts >= item.parts().posts()
                        && replies >= item.parts().replies();
                posts += posted.part() == Fact.Posted.Part.POST ? 1 : 0;
                replies += posted.part() == Fact.Posted.Part.REPLY ? 1 : 0;
                boolean whole = item.parts() != null
                        && posts >= item.parts().posts()
                        && replies >= item.parts().replies();
                boolean takenBack = before && phase.kind == 0 && phase.ins.isEmpty();
                handsIn = whole && (!before || takenBack || nothingSince) ? Integer.valueOf(1) : null;
            } else if (fact instanceof Fact.Withdrawn) {
                if (!phase.ins.isEmpty()) {
                    phase.ins.clear();
                    begun = true;
                    incomplete = null;
                    nothingSince = false;
                    renamed.clear();
                }
            } else if (fact instanceof Fact.SentBack back) {
                next = new Phase();
                next.kind = 1;
                next.givenDue = back.newDue() == null ? null : back.newDue().instant();
                incomplete = null;
                nothingSince = false;
            } else if (fact instanceof Fact.Returned returned) {
                Phase opened = phase.kind == 2 && phase.ins.isEmpty() ? phase : (next = new Phase());
                opened.kind = 2;
                opened.redoAsked = returned.redo() != null;
                opened.givenDue = returned.redo() == null || returned.redo().due() == null
                        ? null
                        : returned.redo().due().instant();
            } else if (fact instanceof Fact.Scored scored) {
                int attempt = renamed.getOrDefault(scored.attempt(), scored.attempt());
                Fact.Scored old = scores.get(attempt);
                if (scored.posted() || old == null || !old.posted()) {
                    scores.put(attempt, scored);
                }
                int latest = 0;
                for (Phase one : phases) {
                    latest = one.ins.isEmpty() ? latest : one.ins.get(one.ins.size() - 1).attempt;
                }
                boolean alreadyBack = phase.kind == 2 && phase.ins.isEmpty();
                if (scored.isFinal() && scored.posted() && latest <= attempt && !alreadyBack) {
                    next = new Phase();
                    next.kind = 2;
                }
            } else if (fact instanceof Fact.Excused one) {
                excused = one.stands();
            } else if (fact instanceof Fact.Flagged flagged) {
                flag = flagged.flag() == Flag.CLEARED ? null : flagged.flag();
                flagAt = at;
                Phase where = phase.ins.isEmpty() && phase.kind == 2 ? phases.get(phases.size() - 2) : phase;
                boolean lacks = flag == Flag.INCOMPLETE && !where.ins.isEmpty();
                incomplete = lacks ? where.ins.get(where.ins.size() - 1) : null;
                nothingSince = lacks;
            } else if (fact instanceof Fact.ExtensionAsked) {
                pending = true;
            } else if (fact instanceof Fact.ExtensionDeclined) {
                pending = false;
            } else if (fact instanceof Fact.ExtensionGranted one) {
                pending = false;
                grant = one;
            } else if (fact instanceof Fact.TokenUsed token) {
                tokens = tokens.plus(token.span());
            } else if (fact instanceof Fact.Reopened) {
                reopened = at;
            }
            if (handsIn != null && incomplete != null) {
                phase.ins.add(new In(at, incomplete.judged, incomplete.attempt, false));
                if (handsIn != incomplete.attempt) {
                    renamed.put(handsIn, incomplete.attempt);
                }
                nothingSince = false;
            } else if (handsIn != null) {
                phase.ins.add(new In(at, at, handsIn, true));
            }
            if (next != null) {
                next.at = at;
                phases.add(next);
                if (next.kind == 2 && (flag == null || flagAt.isBefore(at))) {
                    incomplete = null;
                    nothingSince = false;
                }
            }
        }

        Instant base =
                item.schedule().due() == null ? null : item.schedule().due().instant();
        base = grant == null ? base : grant.due().instant();
        base = base == null ? null : base.plus(tokens);
        Phase last = phases.get(phases.size() - 1);
        if (!item.expectsHandIn() && last.kind == 0 && last.ins.isEmpty() && base != null && !now.isBefore(base)) {
            last.ins.add(new In(base, base, 1, true));
        }

        boolean anyBefore = false;
        boolean lastHadBefore = false;
        for (int i = 0; i < phases.size(); i++) {
            Phase phase = phases.get(i);
            lastHadBefore = anyBefore;
            if (phase.kind == 0 || (phase.kind == 2 && phase.givenDue == null && !anyBefore)) {
                phase.due = base;
            } else if (phase.kind == 2) {
                phase.due = phase.givenDue;
            } else if (grant != null && grant.stamp().at().isAfter(phase.at)) {
                phase.due = base;
            } else if (phase.givenDue != null) {
                phase.due = phase.givenDue;
            } else {
                Instant before = phases.get(i - 1).due;
                Instant twoDays = phase.at.plus(Duration.ofHours(48));
                phase.due = before == null ? null : before.isAfter(twoDays) ? before : twoDays;
            }
            anyBefore = anyBefore || !phase.ins.isEmpty();
        }

        boolean withTeacher = !last.ins.isEmpty();
        boolean sentBack = !withTeacher && last.kind == 1;
        boolean returned = !withTeacher && last.kind == 2;
        boolean stands = withTeacher || (returned && lastHadBefore);

        // The redo.
        int backAt = -1;
        for (int i = 0; i < phases.size(); i++) {
            backAt = phases.get(i).kind == 2 ? i : backAt;
        }
        Redo.Kind redo = null;
        Rational kept = kept(item.marking().kept(), scores);
        if (backAt >= 0 && !excused) {
            boolean before = false;
            for (int i = 0; i < backAt; i++) {
                before = before || !phases.get(i).ins.isEmpty();
            }
            Rational passPercent = item.marking().passPercent();
            boolean below = passPercent != null
                    && kept != null
                    && kept.times(Rational.HUNDRED)
                                    .compareTo(passPercent.times(item.marking().possible()))
                            < 0;
            Instant lastIn = null;
            for (Phase phase : phases) {
                lastIn = phase.ins.isEmpty() ? lastIn : phase.ins.get(phase.ins.size() - 1).made;
            }
            boolean open = item.redo() != null
                    && (!item.redo().needsReopening()
                            || (reopened != null && (lastIn == null || !reopened.isBefore(lastIn))));
            if (phases.get(backAt).redoAsked) {
                redo = Redo.Kind.ASKED;
            } else if ((withTeacher && before) || (open && below)) {
                redo = Redo.Kind.ALLOWED;
            }
        }

        // Acceptance.
        Instant cutFrom = last.due;
        if (redo == null && returned) {
            for (Phase phase : phases) {
                cutFrom = phase.kind == 2 ? cutFrom : phase.due;
            }
        }
        boolean dueGiven = last.kind == 0
                ? grant != null
                : last.kind == 1
                        ? last.givenDue != null
                                || (grant != null && grant.stamp().at().isAfter(last.at))
                        : lastHadBefore || last.givenDue != null || grant != null;
        Instant closes = item.schedule().closesAt() == null
                ? null
                : item.schedule().closesAt().instant();
        closes = closes != null && dueGiven && last.due != null && last.due.isAfter(closes) ? last.due : closes;
        Integer allowed = item.attemptsAllowed();
        int used = 0;
        Instant lastUsed = null;
        for (int i = 0; i < phases.size(); i++) {
            Phase phase = phases.get(i);
            allowed = allowed != null && phase.redoAsked ? Integer.valueOf(allowed + 1) : allowed;
            List<In> using = new ArrayList<>(phase.ins);
            using.removeIf(in -> !in.usesOne);
            boolean givenBack = i + 1 < phases.size() && phases.get(i + 1).kind == 1;
            for (int j = i + 1;
                    givenBack && j + 1 < phases.size() && phases.get(j).ins.isEmpty();
                    j++) {
                givenBack = phases.get(j + 1).kind != 2;
            }
            int many = using.size() - (givenBack && !using.isEmpty() ? 1 : 0);
            used += many;
            lastUsed = many > 0 ? using.get(many - 1).made : lastUsed;
        }
        Instant[] limits = {
            closes,
            cutFrom == null || item.schedule().cutoff() == null || !item.expectsHandIn()
                    ? null
                    : cutFrom.plus(item.schedule().cutoff()),
            item.schedule().gradingClose(),
            redo == Redo.Kind.ALLOWED && item.redo() != null ? item.redo().until() : null,
            allowed != null && used >= allowed && incomplete == null ? lastUsed : null
        };
        Instant ends = null;
        Acceptance.Limit endedBy = null;
        for (int i = 0; i < limits.length; i++) {
            if (limits[i] != null && (ends == null || limits[i].isBefore(ends))) {
                ends = limits[i];
                endedBy = Acceptance.Limit.values()[i];
            }
        }
        boolean accepted = ends == null || !now.isAfter(ends);

        // Timing.
        int decides = -1;
        for (int i = 0; i < phases.size() && !(decides >= 0 && phases.get(i).kind == 2); i++) {
            decides = phases.get(i).ins.isEmpty() ? decides : i;
        }
        Timing timing;
        Instant due;
        Instant handedInAt = null;
        if (decides < 0 || sentBack) {
            due = last.kind == 2 && !lastHadBefore ? base : last.due;
            timing = waiting(due, ends, soon, now);
        } else {
            due = phases.get(decides).due;
            List<In> ins = phases.get(decides).ins;
            handedInAt = ins.get(ins.size() - 1).judged;
            timing = due == null ? Timing.NO_DUE_DATE : handedInAt.isAfter(due) ? Timing.LATE : Timing.ON_TIME;
        }

        // Stage.
        Stage stage;
        boolean notOpen = gate != GateState.OPEN
                || (item.schedule().opensAt() != null
                        && now.isBefore(item.schedule().opensAt()));
        if (excused) {
            stage = Stage.EXCUSED;
        } else if (withTeacher) {
            stage = Stage.TURNED_IN;
        } else if (sentBack) {
            stage = Stage.SENT_BACK;
        } else if (returned) {
            stage = Stage.RETURNED;
        } else if (flag == Flag.COLLECTED) {
            stage = Stage.TURNED_IN;
        } else {
            stage = notOpen ? Stage.NOT_OPEN : begun ? Stage.DRAFT : Stage.ASSIGNED;
        }

        // Missing.
        boolean unsetByFlag = flag == Flag.LATE || flag == Flag.ON_TIME || flag == Flag.COLLECTED;
        boolean byClock = item.required()
                && item.expectsHandIn()
                && !stands
                && stage != Stage.RETURNED
                && (timing == Timing.OVERDUE || timing == Timing.CLOSED);
        boolean missing = stage != Stage.EXCUSED && (flag == Flag.MISSING || (!unsetByFlag && byClock));

        // Move.
        boolean completing = nothingSince && accepted;
        boolean stillTaken = false;
        Turn move;
        if (stage == Stage.EXCUSED) {
            move = Turn.SETTLED;
        } else if (stage == Stage.TURNED_IN) {
            move = completing ? Turn.YOURS : Turn.TEACHERS;
        } else if (stage == Stage.RETURNED) {
            move = accepted && (redo != null || completing) ? Turn.YOURS : Turn.SETTLED;
        } else if (!item.required() && due != null && now.isAfter(due)) {
            move = Turn.SETTLED;
            stillTaken = accepted && stage != Stage.NOT_OPEN;
        } else if (!accepted) {
            move = pending ? Turn.TEACHERS : Turn.OUT_OF_REACH;
        } else {
            boolean never = gate == GateState.SHUT_FOR_GOOD;
            move = stage != Stage.NOT_OPEN ? Turn.YOURS : never ? Turn.OUT_OF_REACH : Turn.NOT_YET;
        }
        boolean mayHandIn = move == Turn.YOURS || stillTaken;

        boolean differs = (flag == Flag.LATE && timing != Timing.LATE)
                || (flag == Flag.ON_TIME && timing != Timing.ON_TIME)
                || (flag == Flag.MISSING && timing != Timing.OVERDUE && timing != Timing.CLOSED)
                || (flag == Flag.COLLECTED && !stands)
                || (flag == Flag.INCOMPLETE && stands);
        Timing redoTiming = null;
        if (redo != null && withTeacher) {
            Instant judged = last.ins.get(last.ins.size() - 1).judged;
            redoTiming =
                    last.due == null ? Timing.NO_DUE_DATE : judged.isAfter(last.due) ? Timing.LATE : Timing.ON_TIME;
        } else if (redo != null) {
            redoTiming = waiting(last.due, ends, soon, now);
        }
        Rational points = kept;
        for (Fact.Scored score : scores.values()) {
            points = kept == null && score.posted() ? score.points() : points;
        }
        return new Answer(
                stage,
                timing,
                missing,
                move,
                mayHandIn,
                mayHandIn && nothingSince,
                due,
                ends,
                endedBy,
                accepted,
                flag,
                differs,
                stands,
                handedInAt,
                used,
                redo,
                redo == null ? null : last.due,
                redoTiming,
                points);
    }

    private static Timing waiting(@Nullable Instant due, @Nullable Instant ends, Duration soon, Instant now) {
        if (ends != null && now.isAfter(ends)) {
            return Timing.CLOSED;
        }
        if (due == null) {
            return Timing.NO_DUE_DATE;
        }
        return now.isAfter(due) ? Timing.OVERDUE : now.isBefore(due.minus(soon)) ? Timing.AHEAD : Timing.DUE_SOON;
    }

    private static @Nullable Rational kept(KeptScore rule, Map<Integer, Fact.Scored> scores) {
        List<Rational> points = new ArrayList<>();
        scores.values().forEach(score -> {
            if (score.isFinal() && score.posted()) {
                points.add(score.points());
            }
        });
        if (points.isEmpty()) {
            return null;
        }
        Rational sum = Rational.ZERO;
        Rational most = points.get(0);
        for (Rational one : points) {
            sum = sum.plus(one);
            most = one.compareTo(most) > 0 ? one : most;
        }
        return switch (rule) {
            case FIRST -> points.get(0);
            case LATEST -> points.get(points.size() - 1);
            case HIGHEST -> most;
            case MEAN -> sum.dividedBy(Rational.of(points.size()));
        };
    }
}
