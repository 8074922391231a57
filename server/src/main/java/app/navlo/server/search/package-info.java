/** Finds words in what was written about work. */
@NullMarked
package app.navlo.server.search;

import org.jspecify.annotations.NullMarked;
