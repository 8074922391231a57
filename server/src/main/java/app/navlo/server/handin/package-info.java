/**
 * Drafts, hand-ins and what takes them back. One command each; what a school has to take goes through the outbox.
 * Rules: section 2 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.handin;

import org.jspecify.annotations.NullMarked;
