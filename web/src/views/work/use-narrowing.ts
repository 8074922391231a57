import { useCallback, useMemo } from 'react';
import { useAddress } from '../../lib/address';
import { type Narrowing, readNarrowing, writeNarrowing } from '../../lib/narrow';
import { keepPlace } from '../../lib/timeline-place';

/** What the work is narrowed to, kept in the address. */
export function useNarrowing(): [Narrowing, (change: Partial<Narrowing>) => void] {
  const [params, setParams] = useAddress();
  const narrowing = useMemo(() => readNarrowing(params), [params]);
  const change = useCallback(
    (next: Partial<Narrowing>) =>
      setParams(
        (before) => {
          const after = keepPlace(before, writeNarrowing({ ...readNarrowing(before), ...next }));
          // A day that is past stays the one that is looked at.
          const asof = before.get('asof');
          if (asof) after.set('asof', asof);
          return after;
        },
        { replace: true },
      ),
    [setParams],
  );
  return [narrowing, change];
}
