package app.navlo.core.close;

import app.navlo.core.check.Check;
import app.navlo.core.id.CourseId;
import java.time.Instant;

/** One piece of work that came back: when it was handed in, and when it was returned. */
public record GradedReturn(CourseId course, Instant handedIn, Instant returned) {
    public GradedReturn {
        new Check()
                .that(!returned.isBefore(handedIn), "returned", () -> "is " + returned + ", before it was handed in")
                .orThrow();
    }
}
