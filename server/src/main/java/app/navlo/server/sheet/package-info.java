/**
 * What a person types about courses, rules and work, and what the store keeps of it, as plain values with their checks.
 * Rules: sections 2 to 4 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.sheet;

import org.jspecify.annotations.NullMarked;
