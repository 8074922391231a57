/** A student's board: facts read in a handful of queries, everything derived by the core, handed on. */
@NullMarked
package app.navlo.server.board;

import org.jspecify.annotations.NullMarked;
