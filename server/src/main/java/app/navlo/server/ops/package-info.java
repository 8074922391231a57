/** How the server runs beside its answers: work on threads of its own, pauses after failures. */
@NullMarked
package app.navlo.server.ops;

import org.jspecify.annotations.NullMarked;
