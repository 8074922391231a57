/**
 * Grades: schemes, drops, the readings of a course side by side, targets and impact (docs/rules.md, section 4). This room is
 * given values and never looks at a stage: a {@link app.navlo.core.grade.GradedWork} goes in, a
 * {@link app.navlo.core.grade.Grade} for each {@link app.navlo.core.grade.Reading} comes out.
 */
@NullMarked
package app.navlo.core.grade;

import org.jspecify.annotations.NullMarked;
