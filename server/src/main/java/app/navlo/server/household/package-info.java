/**
 * The students whose work somebody sees, a row each, who needs it most first.
 * Rules: section 1 of {@code docs/rules.md} for what is missing, section 5 for what asks for attention.
 */
@NullMarked
package app.navlo.server.household;

import org.jspecify.annotations.NullMarked;
