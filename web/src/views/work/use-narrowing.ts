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
      setParams((before) => keepPlace(before, writeNarrowing({ ...readNarrowing(before), ...next })), {
        replace: true,
      }),
    [setParams],
  );
  return [narrowing, change];
}
