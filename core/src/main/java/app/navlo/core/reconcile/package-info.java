/**
 * Two records of the same work that disagree: the site where it is handed in, and the gradebook of record (docs/rules.md,
 * section 9). Start at {@link app.navlo.core.reconcile.Reconciled#of}.
 */
@NullMarked
package app.navlo.core.reconcile;

import org.jspecify.annotations.NullMarked;
