/** Plain CSV of anybody's making: its columns are recognised, a person says what isn't clear, and then it is read. */
@NullMarked
package app.navlo.formats.csv;

import org.jspecify.annotations.NullMarked;
