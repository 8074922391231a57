/** What to do next, as it is sent: the core's plan of a student's moves in the free time. */
@NullMarked
package app.navlo.server.next;

import org.jspecify.annotations.NullMarked;
