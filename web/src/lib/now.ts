import { useSyncExternalStore } from 'react';
import { isTold, listenToClock, shownNow } from '../api/clock';

/** Milliseconds since the epoch, by the server's clock. */
export function useNow(): number {
  return useSyncExternalStore(listenToClock, shownNow);
}

/** Whether the server said at all what time it is. */
export function useIsTold(): boolean {
  return useSyncExternalStore(listenToClock, isTold);
}

const MINUTE = 60_000;

/** The same, stepping by the minute: for what needn't be drawn anew more often. */
export function useMinute(): number {
  return Math.floor(useNow() / MINUTE) * MINUTE;
}
