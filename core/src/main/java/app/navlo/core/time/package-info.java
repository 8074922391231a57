/**
 * Instants, days and deadlines (docs/rules.md, sections 1 and 2). Zones are arguments: nothing here looks at the machine's
 * clock, zone or locale. Days are counted on the calendar, never by dividing milliseconds.
 */
@NullMarked
package app.navlo.core.time;

import org.jspecify.annotations.NullMarked;
