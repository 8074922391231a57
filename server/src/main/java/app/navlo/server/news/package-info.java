/** What is new to each reader, and announcements. */
@NullMarked
package app.navlo.server.news;

import org.jspecify.annotations.NullMarked;
