/**
 * What every write is: who writes, what they had before them, one lock, one change that can be undone, once for each key, and one
 * word to open pages when it is committed.
 * Rules: section 1 of {@code docs/rules.md}.
 */
@NullMarked
package app.navlo.server.change;

import org.jspecify.annotations.NullMarked;
