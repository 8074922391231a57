/** The rules of a course: read, tried out, written down anew. */
@NullMarked
package app.navlo.server.course;

import org.jspecify.annotations.NullMarked;
