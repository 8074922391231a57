/** Whether the server is well, and what it does, for whoever runs it: on a port of its own, where one is given. */
@NullMarked
package app.navlo.server.health;

import org.jspecify.annotations.NullMarked;
