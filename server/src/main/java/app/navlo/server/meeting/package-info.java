/**
 * The sheet for a meeting of a student and who looks after them: what came back in a span, and what was agreed.
 * Rules: section 13 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.meeting;

import org.jspecify.annotations.NullMarked;
