import { useCallback, useRef, useState } from 'react';
import { useStudent } from '../../frame/student';

/** All of them are taken, or let go where all were taken already. */
export function toggled(before: ReadonlySet<number> | null, works: readonly number[]): Set<number> {
  const next = new Set(before);
  const all = works.every((work) => next.has(work));
  for (const work of works) {
    if (all) next.delete(work);
    else next.add(work);
  }
  return next;
}

/** Those between two in an order, both included; null where one isn't in it. */
export function between(
  order: readonly number[],
  one: number | null,
  other: number,
): readonly number[] | null {
  const from = order.indexOf(one ?? -1);
  const to = order.indexOf(other);
  return from < 0 || to < 0 ? null : order.slice(Math.min(from, to), Math.max(from, to) + 1);
}

/** The rows that are chosen, null while none are being chosen. @param order in which they stand */
export function useChosen(order: readonly number[]) {
  const { mayWrite } = useStudent();
  const [chosen, setChosen] = useState<ReadonlySet<number> | null>(null);
  const last = useRef<number | null>(null);
  const choose = useCallback(
    (works: readonly number[], range = false) => {
      const [work] = works;
      if (!mayWrite || work === undefined) return;
      const span = range ? between(order, last.current, work) : null;
      last.current = work;
      setChosen((before) => (span ? new Set([...(before ?? []), ...span]) : toggled(before, works)));
    },
    [mayWrite, order],
  );
  return { chosen, setChosen, choose };
}
