/** What went wrong, said so that a person can mend it: the field, and the cure. */
@NullMarked
package app.navlo.server.problem;

import org.jspecify.annotations.NullMarked;
