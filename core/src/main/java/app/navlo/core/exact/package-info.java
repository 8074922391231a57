/**
 * Exact numbers. A boundary between two grades is never decided by floating point, so points, percents and weights
 * are rationals all the way through, and rounding happens only where a course asks for it.
 */
@NullMarked
package app.navlo.core.exact;

import org.jspecify.annotations.NullMarked;
