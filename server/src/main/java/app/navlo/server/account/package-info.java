/** People, sign-in, and the one place where access is decided. */
@NullMarked
package app.navlo.server.account;

import org.jspecify.annotations.NullMarked;
