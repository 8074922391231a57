/** Everything of a student out into one archive, and into an empty Navlo again, losing nothing. */
@NullMarked
package app.navlo.server.archive;

import org.jspecify.annotations.NullMarked;
