import { useCallback, useRef, useState } from 'react';
import { useStudent } from '../../frame/student';
import { between, toggled } from './model';

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
