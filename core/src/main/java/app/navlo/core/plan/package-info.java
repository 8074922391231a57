/**
 * What to do in the free time there is, and in which order, so that the most is saved (docs/rules.md, section 10). The problem
 * is abstract: minutes from now, whole values; nothing here knows of courses or states.
 */
@NullMarked
package app.navlo.core.plan;

import org.jspecify.annotations.NullMarked;
