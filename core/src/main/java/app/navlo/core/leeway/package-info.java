/**
 * Extensions and tokens: may I ask, until when, what do I keep, which choice is best (docs/rules.md, section 3). The desks
 * answer for one piece of work, {@link app.navlo.core.leeway.TokenBank} for all that share a bank.
 */
@NullMarked
package app.navlo.core.leeway;

import org.jspecify.annotations.NullMarked;
