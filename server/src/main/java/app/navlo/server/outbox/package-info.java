/**
 * What leaves the process for a school: reserved, sent outside of any transaction, and confirmed or released.
 * Rules: section 2 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.outbox;

import org.jspecify.annotations.NullMarked;
