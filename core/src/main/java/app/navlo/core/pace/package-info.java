/**
 * Pace: work done against work needed, over a course and over each unit (docs/rules.md, section 8). Start at
 * {@link app.navlo.core.pace.Pace#of}.
 */
@NullMarked
package app.navlo.core.pace;

import org.jspecify.annotations.NullMarked;
