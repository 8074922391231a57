/** What a student does with a piece of work: draft, hand in, withdraw, add, undo. */
@NullMarked
package app.navlo.server.work;

import org.jspecify.annotations.NullMarked;
