/** How the server runs beside its answers: work on threads of its own, turns, pauses after failures. */
@NullMarked
package app.navlo.server.ops;

import org.jspecify.annotations.NullMarked;
