/**
 * A simulated school: courses, a hand-in box, a gradebook that lags, and teachers who act on a clock that is given to them,
 * the same each time. All that happens is a {@link app.navlo.school.college.Deed}; the rest follows from the deeds. It speaks
 * open formats and a small documented JSON interface over HTTP.
 */
@NullMarked
package app.navlo.school.college;

import org.jspecify.annotations.NullMarked;
