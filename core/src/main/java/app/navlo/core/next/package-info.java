/**
 * What to do next (docs/rules.md, section 10): the moves of a student's courses, each with what it gains and when it next loses
 * something, planned into the free time, and the plan put to the grade engine again.
 */
@NullMarked
package app.navlo.core.next;

import org.jspecify.annotations.NullMarked;
