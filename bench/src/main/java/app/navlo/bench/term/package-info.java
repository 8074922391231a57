/** Made-up students live through the end of a term by different rules, so that it is seen whether the plan helps. */
@NullMarked
package app.navlo.bench.term;

import org.jspecify.annotations.NullMarked;
