/**
 * A disk that keeps what is written in a cache of its own until it is told to write it through, inside a Navlo that runs, and the cut
 * of its power: what wasn't written through may be there or not, each write by itself.
 */
@NullMarked
package app.navlo.bench.power;

import org.jspecify.annotations.NullMarked;
