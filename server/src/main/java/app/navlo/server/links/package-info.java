/**
 * When and how a school is asked: schedules, pauses, and what each kind of system can do. What it tells goes the way of all
 * imports.
 * Rules: section 9 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.links;

import org.jspecify.annotations.NullMarked;
