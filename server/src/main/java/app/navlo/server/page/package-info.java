/** Serves the interface: one page for every view's address, and its files. */
@NullMarked
package app.navlo.server.page;

import org.jspecify.annotations.NullMarked;
