package app.navlo.core.grade;

import app.navlo.core.check.Check;
import app.navlo.core.id.StandardId;

/** Something that a course wants to be known or done, rated 0–4. */
public record Standard(StandardId id, String name, StandardMethod method) {
    public Standard {
        new Check().that(!id.text().isBlank(), "id", "is empty").orThrow();
    }
}
