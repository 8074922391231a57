package app.navlo.server.link;

import org.jspecify.annotations.Nullable;

/**
 * Where events go.
 *
 * @param courseId of a course that is there; null for a new one
 * @param newCourse name of the course to add; null where {@code courseId} is given
 * @param byCategory whether each category of the calendar names its own course
 */
record ImportChoice(@Nullable Long courseId, @Nullable String newCourse, boolean byCategory) {}
