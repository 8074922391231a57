/** The rules of a course as they are written down and sent; the core judges them. */
@NullMarked
package app.navlo.server.rules;

import org.jspecify.annotations.NullMarked;
