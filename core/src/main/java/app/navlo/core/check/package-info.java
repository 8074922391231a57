/**
 * The door: whole input is judged, and all that is wrong with it is said at once, each with its field and the cure.
 */
@NullMarked
package app.navlo.core.check;

import org.jspecify.annotations.NullMarked;
