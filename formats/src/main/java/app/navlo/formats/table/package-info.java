/** Tables of text (CSV), read row by row whatever their encoding and delimiter, and written so that no spreadsheet runs them. */
@NullMarked
package app.navlo.formats.table;

import org.jspecify.annotations.NullMarked;
