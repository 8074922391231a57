/**
 * A course as a whole: its rules, its work with the facts, and everything that follows from both at an instant. Start at
 * {@link app.navlo.core.course.CourseBook#of}. The other rooms each answer one question; this one asks them in order.
 */
@NullMarked
package app.navlo.core.course;

import org.jspecify.annotations.NullMarked;
