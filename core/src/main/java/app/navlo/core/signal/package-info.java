/**
 * Signals: what asks for the student's attention, as one list (docs/rules.md, section 5). Something is asked of the student, came
 * out against them, or is about to be lost. Each has what hangs on it and a next step, and goes when that was done or it was
 * put aside. Start at {@link app.navlo.core.signal.Signals#of}.
 */
@NullMarked
package app.navlo.core.signal;

import org.jspecify.annotations.NullMarked;
