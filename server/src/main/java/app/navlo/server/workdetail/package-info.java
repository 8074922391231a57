/**
 * A piece of work read whole: its state with reasons, its history, what it is worth, its feedback, receipts and files.
 * Rules: section 1 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.workdetail;

import org.jspecify.annotations.NullMarked;
