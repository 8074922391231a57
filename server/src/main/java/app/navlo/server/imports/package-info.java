/** The one way in: what a file, a pasted table or a link tells is compared with the board, shown, and written whole. */
@NullMarked
package app.navlo.server.imports;

import org.jspecify.annotations.NullMarked;
