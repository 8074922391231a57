/** What a school's system tells of one student's work, in one shape whatever the format it came in. */
@NullMarked
package app.navlo.formats.told;

import org.jspecify.annotations.NullMarked;
