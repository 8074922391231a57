/** The terms of a student: begun, changed, closed, and what isn't known yet. */
@NullMarked
package app.navlo.server.term;

import org.jspecify.annotations.NullMarked;
