/** Which clock this server goes by. */
@NullMarked
package app.navlo.server.time;

import org.jspecify.annotations.NullMarked;
