package app.navlo.core.grade;

import app.navlo.core.check.Check;

/** Something that a course wants to be known or done, rated 0–4. */
public record Standard(String id, String name, StandardMethod method) {
    public Standard {
        new Check().that(!id.isBlank(), "id", "is empty").orThrow();
    }
}
