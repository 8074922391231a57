/** Rows in and out of H2 or PostgreSQL, by hand-written SQL. Facts and revisions are only ever added. */
@NullMarked
package app.navlo.server.store;

import org.jspecify.annotations.NullMarked;
