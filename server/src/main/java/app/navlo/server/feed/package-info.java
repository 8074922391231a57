/** The calendar that a student gives to other programs, under an address that only it knows. */
@NullMarked
package app.navlo.server.feed;

import org.jspecify.annotations.NullMarked;
