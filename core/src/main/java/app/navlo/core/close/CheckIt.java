package app.navlo.core.close;

import app.navlo.core.reason.Rule;
import app.navlo.core.time.SchoolCalendar;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** Why work that is with the teacher should be asked about. */
public enum CheckIt implements Rule {
    LISTED_AS_MISSING("Turned in, and still listed as missing"),
    UNGRADED_TOO_LONG("Turned in, and ungraded for longer than nine in ten are");

    private final String template;

    CheckIt(String template) {
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }

    /** All that apply to one piece of work that is turned in and ungraded; empty if nothing does. */
    public static List<CheckIt> reasons(
            Instant handedIn, boolean flaggedMissing, Turnaround turnaround, SchoolCalendar calendar, Instant now) {
        List<CheckIt> reasons = new ArrayList<>();
        if (flaggedMissing) {
            reasons.add(LISTED_AS_MISSING);
        }
        if (turnaround.ungradedTooLong(handedIn, calendar, now)) {
            reasons.add(UNGRADED_TOO_LONG);
        }
        return reasons;
    }
}
