/**
 * Word that arrives: what is about to be lost, what was asked for, new scores and the week ahead, by mail, once, outside of
 * quiet hours.
 * Rules: section 13 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.notices;

import org.jspecify.annotations.NullMarked;
