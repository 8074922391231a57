/** Tells open pages that something changed. */
@NullMarked
package app.navlo.server.live;

import org.jspecify.annotations.NullMarked;
