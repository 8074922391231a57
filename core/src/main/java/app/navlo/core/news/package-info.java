/** What has happened to a piece of work that somebody may not have seen yet. */
@NullMarked
package app.navlo.core.news;

import org.jspecify.annotations.NullMarked;
