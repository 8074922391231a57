package app.navlo.core.work;

import app.navlo.core.policy.Acceptance;
import java.time.Duration;
import java.time.Instant;

/** What the clock says to a piece of work. */
record Clock(Instant now, Duration soon, Acceptance acceptance) {
    boolean accepted() {
        return acceptance.openAt(now);
    }
}
