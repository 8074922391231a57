/** Where a course stands, down to its terms; what it would be if things were otherwise; what a target takes. */
@NullMarked
package app.navlo.server.standing;

import org.jspecify.annotations.NullMarked;
