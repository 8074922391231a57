/** What can be moved: extensions and tokens, the choices side by side, what was asked for and what came of it. */
@NullMarked
package app.navlo.server.leeway;

import org.jspecify.annotations.NullMarked;
