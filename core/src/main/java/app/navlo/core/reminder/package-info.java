/** When somebody is told that waiting is about to cost something, so that acting still helps and nobody is woken (docs/rules.md, section 13). */
@NullMarked
package app.navlo.core.reminder;

import org.jspecify.annotations.NullMarked;
