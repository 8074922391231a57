/** All of a student's time: from the first day of the term, or of anything known, to the last. */
@NullMarked
package app.navlo.server.timeline;

import org.jspecify.annotations.NullMarked;
