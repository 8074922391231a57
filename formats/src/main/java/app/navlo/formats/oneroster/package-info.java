/** OneRoster 1.2 in CSV, in and out: what a school's gradebook holds, one table a kind of thing, zipped or in a folder. */
@NullMarked
package app.navlo.formats.oneroster;

import org.jspecify.annotations.NullMarked;
