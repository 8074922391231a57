/**
 * What was said about the work, as one stream.
 * Rules: section 5 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.feedback;

import org.jspecify.annotations.NullMarked;
