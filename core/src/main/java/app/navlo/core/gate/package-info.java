/**
 * Gates: what shuts a piece of work, how far off each is, the chain that leads to a due (docs/rules.md, section 6). Start at
 * {@link app.navlo.core.gate.CourseGates}.
 */
@NullMarked
package app.navlo.core.gate;

import org.jspecify.annotations.NullMarked;
