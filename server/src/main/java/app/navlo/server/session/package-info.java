/** Who is signed in, and the first person who signs up. */
@NullMarked
package app.navlo.server.session;

import org.jspecify.annotations.NullMarked;
