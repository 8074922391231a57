package app.navlo.core.work;

import org.jspecify.annotations.Nullable;

/**
 * What is shown of timing: the teacher's flag beats the clock, and where the two differ both are shown.
 *
 * @param flag the flag that stands, or null; it is shown first
 * @param timing by the clock
 * @param differ whether flag and clock say different things
 */
public record Shown(@Nullable Flag flag, Timing timing, boolean differ) {
    static Shown of(WorkHistory life, Timing timing) {
        Flag flag = life.flag() == null ? null : life.flag().flag();
        return new Shown(flag, timing, flag != null && differ(flag, timing, life.handInStands()));
    }

    private static boolean differ(Flag flag, Timing timing, boolean handInStands) {
        return switch (flag) {
            case LATE -> timing != Timing.LATE;
            case ON_TIME -> timing != Timing.ON_TIME;
            case MISSING -> timing != Timing.OVERDUE && timing != Timing.CLOSED;
            case COLLECTED -> !handInStands;
            case INCOMPLETE -> handInStands;
            case CLEARED -> false;
        };
    }
}
