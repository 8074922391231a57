/**
 * What things are called: one type for each sort of thing, so that a course can't be taken for a piece of work. An id is
 * text; where Navlo's own data are behind it, it is the number of the row.
 */
@NullMarked
package app.navlo.core.id;

import org.jspecify.annotations.NullMarked;
