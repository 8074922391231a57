/**
 * What is accepted and until when, which attempt counts, when a redo is allowed (rule book, section 2).
 */
@NullMarked
package app.navlo.core.policy;

import org.jspecify.annotations.NullMarked;
