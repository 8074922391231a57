/** A stand-in for calendars elsewhere: feeds on this machine, as any calendar program would offer them. */
@org.jspecify.annotations.NullMarked
package app.navlo.school.calendar;
