/**
 * Files on their way in and out: what is taken, how large, under which name, and how they are sent.
 */
@NullMarked
package app.navlo.server.files;

import org.jspecify.annotations.NullMarked;
