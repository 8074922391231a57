/**
 * Grading periods and their close, and the teacher's rhythm: how long work takes to come back, on which day, and until
 * when a hand-in is safe (docs/rules.md, section 7).
 */
@NullMarked
package app.navlo.core.close;

import org.jspecify.annotations.NullMarked;
