/**
 * iCalendar (RFC 5545) in: which entries of a calendar file are work with a due, and which are left aside and why.
 */
@NullMarked
package app.navlo.formats.ical;

import org.jspecify.annotations.NullMarked;
