/**
 * The students whose work somebody sees, a row each, who needs it most first.
 * Rules: section 13 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.household;

import org.jspecify.annotations.NullMarked;
