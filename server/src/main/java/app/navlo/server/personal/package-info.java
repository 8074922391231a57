/**
 * What a student adds: notes, lenses, the order of courses, time spent, comments, what was read and put aside.
 * Rules: section 1 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.personal;

import org.jspecify.annotations.NullMarked;
