/** Calendar files in: read, previewed, applied whole or not at all. */
@NullMarked
package app.navlo.server.link;

import org.jspecify.annotations.NullMarked;
