/** The made-up college and its clock. */
@NullMarked
package app.navlo.server.demo;

import org.jspecify.annotations.NullMarked;
