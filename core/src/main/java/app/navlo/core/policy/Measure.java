package app.navlo.core.policy;

import app.navlo.core.time.SchoolCalendar;
import java.time.Duration;
import java.time.Instant;
import java.util.Iterator;
import java.util.stream.Stream;

/** How days late are counted. They count from the due, never from the end of grace. */
public enum Measure {
    /** Spans of 24 hours begun, in elapsed time: exactly 24 h is one. */
    SPANS_24H {
        @Override
        public long days(Instant due, Instant handedIn, SchoolCalendar calendar) {
            Duration late = Duration.between(due, handedIn);
            boolean begun = late.minusDays(late.toDays()).compareTo(Duration.ZERO) > 0;
            return late.isNegative() ? 0 : late.toDays() + (begun ? 1 : 0);
        }

        @Override
        Stream<Instant> lastInstants(Instant due, SchoolCalendar calendar) {
            return Stream.iterate(due, at -> at.plus(Duration.ofDays(1)));
        }
    },
    /** Local midnights from the due (included) to the hand-in (excluded). */
    CALENDAR_DAYS {
        @Override
        public long days(Instant due, Instant handedIn, SchoolCalendar calendar) {
            return calendar.midnights(due, handedIn);
        }

        @Override
        Stream<Instant> lastInstants(Instant due, SchoolCalendar calendar) {
            return Stream.iterate(calendar.dayBefore(due).plusDays(1), day -> day.plusDays(1))
                    .map(calendar::startOf);
        }
    },
    /** Those of the midnights that open a school day. */
    SCHOOL_DAYS {
        @Override
        public long days(Instant due, Instant handedIn, SchoolCalendar calendar) {
            return calendar.schoolDaysOpened(due, handedIn);
        }

        @Override
        Stream<Instant> lastInstants(Instant due, SchoolCalendar calendar) {
            return Stream.iterate(
                            calendar.schoolDayAfter(calendar.dayBefore(due), 1), day -> calendar.schoolDayAfter(day, 1))
                    .map(calendar::startOf);
        }
    };

    /** Days late, 0 if the hand-in isn't after the due. */
    public abstract long days(Instant due, Instant handedIn, SchoolCalendar calendar);

    /** The last instant of 0 days late, of 1, of 2, …: one step later costs a day more. Endless. */
    abstract Stream<Instant> lastInstants(Instant due, SchoolCalendar calendar);

    /** As {@link #lastInstants}, one at a time. */
    Iterator<Instant> steps(Instant due, SchoolCalendar calendar) {
        return lastInstants(due, calendar).iterator();
    }
}
