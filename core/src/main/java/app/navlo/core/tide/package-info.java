/**
 * The load ahead, day by day: minutes of work falling due against minutes free, what opens, and the closes.
 */
@NullMarked
package app.navlo.core.tide;

import org.jspecify.annotations.NullMarked;
