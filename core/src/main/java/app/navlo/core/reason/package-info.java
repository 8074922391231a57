/**
 * Why an answer is what it is. Every computed answer carries a {@link app.navlo.core.reason.Reason}: the rule that
 * decided, and what it looked at. {@link app.navlo.core.reason.Sentences} writes it as one plain sentence.
 */
@NullMarked
package app.navlo.core.reason;

import org.jspecify.annotations.NullMarked;
