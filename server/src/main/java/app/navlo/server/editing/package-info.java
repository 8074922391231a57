/**
 * Work that a student types in or corrects, one piece or many at once, scores and what is recorded of them, and the log of
 * changes.
 * Rules: sections 1 and 4 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.editing;

import org.jspecify.annotations.NullMarked;
