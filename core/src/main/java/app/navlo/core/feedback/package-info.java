/**
 * What was said about the work, by whom, and whether it was read (rule book, section 5).
 */
@NullMarked
package app.navlo.core.feedback;

import org.jspecify.annotations.NullMarked;
