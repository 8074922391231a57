import { useMemo, useRef, useState } from 'react';

/** Scores that are being written down in the table; null while none are. @param order in which the rows stand */
export function useScores(order: readonly number[]) {
  const [scores, setScores] = useState<ReadonlyMap<number, string> | null>(null);
  const [faults, setFaults] = useState<ReadonlyMap<number, string>>(new Map());
  const goToScore = useRef<(work: number, step: number) => void>(() => {});
  const scoring = useMemo(
    () =>
      scores && {
        values: scores,
        faults,
        set: setScores,
        from: (work: number) => order.slice(Math.max(0, order.indexOf(work))),
        move: (work: number, step: number) => goToScore.current(work, step),
      },
    [scores, faults, order],
  );
  const stop = () => {
    setScores(null);
    setFaults(new Map());
  };
  return { scores, scoring, goToScore, begin: () => setScores(new Map()), stop, setFaults };
}
