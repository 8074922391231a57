/**
 * This Navlo for who administers it: its people and who sees whose work, its space and its mail. Nothing of anybody's work.
 */
@NullMarked
package app.navlo.server.administration;

import org.jspecify.annotations.NullMarked;
