/** Done against needed over the term, as it is sent. */
@NullMarked
package app.navlo.server.pace;

import org.jspecify.annotations.NullMarked;
