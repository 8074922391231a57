/** What the pages of the stand-ins share. */
@NullMarked
package app.navlo.school.page;

import org.jspecify.annotations.NullMarked;
