/** Links to schools' systems: what they can do, asking them, and writing down what they tell. */
@NullMarked
package app.navlo.server.school;

import org.jspecify.annotations.NullMarked;
