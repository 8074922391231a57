package app.navlo.server.sheet;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.feedback.Rubric;
import app.navlo.core.gate.Gate;
import app.navlo.core.id.WorkId;
import app.navlo.core.time.Stretch;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What one piece of work sets beside its course.
 *
 * @param late its own policy, which beats the course's; null for the course's
 * @param standards that it is evidence of, by name
 * @param extra credit
 * @param timeLimitMinutes of one attempt; null for none
 * @param filesWanted how many files are asked for; null where that isn't said
 * @param rubric null for none
 * @param appointment the time at which it happens; null for work that is done when one likes
 * @param address of the place where it is done; null where that isn't known
 * @param own what the student set by hand of what a source told
 */
public record WorkSheet(
        @Nullable LateSheet late,
        List<GateSheet> gates,
        List<String> standards,
        boolean extra,
        @Nullable Integer timeLimitMinutes,
        @Nullable Integer filesWanted,
        @Nullable RubricSheet rubric,
        @Nullable AppointmentSheet appointment,
        @Nullable String address,
        Set<EditableField> own) {
    public static final WorkSheet PLAIN =
            new WorkSheet(null, List.of(), List.of(), false, null, null, null, null, null, Set.of());

    /**
     * Of work that sets nothing else.
     *
     * @param rubric null for none
     * @param appointment null for none
     */
    public static WorkSheet with(@Nullable Rubric rubric, @Nullable Stretch appointment) {
        return PLAIN.with(rubric == null ? null : RubricSheet.of(rubric)).at(AppointmentSheet.of(appointment));
    }

    private WorkSheet with(@Nullable RubricSheet other) {
        return new WorkSheet(
                late, gates, standards, extra, timeLimitMinutes, filesWanted, other, appointment, address, own);
    }

    /** @param other null for none */
    public WorkSheet at(@Nullable AppointmentSheet other) {
        return new WorkSheet(late, gates, standards, extra, timeLimitMinutes, filesWanted, rubric, other, address, own);
    }

    /** @param other null where it isn't known */
    public WorkSheet doneAt(@Nullable String other) {
        return new WorkSheet(
                late, gates, standards, extra, timeLimitMinutes, filesWanted, rubric, appointment, other, own);
    }

    /** @param names of the standards that it is evidence of */
    public WorkSheet evidenceOf(List<String> names) {
        return new WorkSheet(
                late, gates, names, extra, timeLimitMinutes, filesWanted, rubric, appointment, address, own);
    }

    public WorkSheet asExtra(boolean credit) {
        return new WorkSheet(
                late, gates, standards, credit, timeLimitMinutes, filesWanted, rubric, appointment, address, own);
    }

    /** With these set by hand as well. */
    public WorkSheet setByHand(Set<EditableField> more) {
        Set<EditableField> all = EnumSet.noneOf(EditableField.class);
        all.addAll(own);
        all.addAll(more);
        return new WorkSheet(
                late, gates, standards, extra, timeLimitMinutes, filesWanted, rubric, appointment, address, all);
    }

    /** The time at which a piece of work happens. */
    public record AppointmentSheet(Instant startsAt, Instant endsAt) {
        public static @Nullable AppointmentSheet of(@Nullable Stretch stretch) {
            return stretch == null ? null : new AppointmentSheet(stretch.start(), stretch.endExclusive());
        }

        public Stretch stretch() {
            return new Stretch(startsAt, endsAt);
        }
    }

    public WorkSheet {
        gates = List.copyOf(Objects.requireNonNullElse(gates, List.of()));
        standards = List.copyOf(Objects.requireNonNullElse(standards, List.of()));
        own = Set.copyOf(Objects.requireNonNullElse(own, Set.of()));
    }

    /**
     * One gate; what its kind doesn't use is null.
     *
     * @param at of a date
     * @param work that must be done, or reach a percent
     * @param percent a decimal from 0 to 100
     */
    public record GateSheet(
            Kind kind,
            @Nullable Instant at,
            @Nullable Long work,
            @Nullable String percent,
            @Nullable String unit) {
        public enum Kind {
            DATE,
            DONE,
            PERCENT,
            UNIT
        }

        /** @throws app.navlo.core.check.IllegalInput if something that its kind needs is missing */
        public Gate gate() {
            new Check()
                    .that(kind != Kind.DATE || at != null, "at", "is missing; name the instant")
                    .that(needsNoWork() || work != null, "work", "is missing; name the piece of work")
                    .that(kind != Kind.PERCENT || percent != null, "percent", "is missing; name the percent")
                    .that(kind != Kind.UNIT || unit != null, "unit", "is missing; name the unit")
                    .orThrow();
            return switch (kind) {
                case DATE -> new Gate.Date(Objects.requireNonNull(at));
                case DONE -> new Gate.Done(WorkId.of(Objects.requireNonNull(work)));
                case PERCENT -> new Gate.Percent(WorkId.of(Objects.requireNonNull(work)), atLeast());
                case UNIT -> new Gate.Unit(Objects.requireNonNull(unit));
            };
        }

        private boolean needsNoWork() {
            return kind == Kind.DATE || kind == Kind.UNIT;
        }

        private Rational atLeast() {
            return Figures.orZero(percent);
        }
    }
}
