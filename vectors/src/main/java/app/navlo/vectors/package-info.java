/**
 * Puts cases with known answers to the core: a file is a JSON list of {@code {"id", "why", "given", "expect"}}, and each
 * file name has an adapter that turns {@code given} into the core's own answer.
 */
@NullMarked
package app.navlo.vectors;

import org.jspecify.annotations.NullMarked;
