/** Before anybody is asked who they are: which hosts are answered, how much a request may bring, and how long it may take. */
@NullMarked
package app.navlo.server.door;

import org.jspecify.annotations.NullMarked;
