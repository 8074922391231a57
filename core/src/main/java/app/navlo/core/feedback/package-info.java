/**
 * What was said about the work, by whom, and whether it was read (docs/rules.md, section 5).
 */
@NullMarked
package app.navlo.core.feedback;

import org.jspecify.annotations.NullMarked;
