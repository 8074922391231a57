/**
 * A piece of work, the facts about it, and what follows from them: stage, timing, missing, whose move (docs/rules.md,
 * section 1). Start at {@link app.navlo.core.work.WorkState#of}. A state is never kept; it is a function of the facts
 * up to an instant.
 */
@NullMarked
package app.navlo.core.work;

import org.jspecify.annotations.NullMarked;
