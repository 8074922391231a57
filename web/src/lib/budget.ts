const MOST_BUDGET = 24 * 60;

/** The minutes that today has, as the address says; null where it says none that can be. */
export function budgetOf(text: string | null): number | null {
  const minutes = Number(text);
  return text !== null && Number.isInteger(minutes) && minutes >= 0 && minutes <= MOST_BUDGET
    ? minutes
    : null;
}

/** More moves than this are nobody's real week, and planning them takes seconds: outside of Next no plan is asked for then. */
export const MOST_TO_PLAN = 300;
