/**
 * What is accepted and until when, which attempt counts, when a redo is allowed (docs/rules.md, section 2).
 */
@NullMarked
package app.navlo.core.policy;

import org.jspecify.annotations.NullMarked;
