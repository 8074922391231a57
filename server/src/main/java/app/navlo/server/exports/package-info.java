/**
 * What leaves Navlo as a file: the archive of a student, which can be read in again, tables, and the calendar for other programs.
 */
@NullMarked
package app.navlo.server.exports;

import org.jspecify.annotations.NullMarked;
