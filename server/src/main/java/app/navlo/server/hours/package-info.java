/** The time that a student has to work in: what it says itself, calendars in whose times it is busy, and how long work takes. */
@NullMarked
package app.navlo.server.hours;

import org.jspecify.annotations.NullMarked;
