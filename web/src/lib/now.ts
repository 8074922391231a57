import { useSyncExternalStore } from 'react';
import { isTold, listenToClock, shownNow } from '../api/clock';
import { localDate, localTime, withinMinute } from './time';

/** Milliseconds since the epoch, by the server's clock. */
export function useNow(): number {
  return useSyncExternalStore(listenToClock, shownNow);
}

/** Whether the server said at all what time it is. */
export function useIsTold(): boolean {
  return useSyncExternalStore(listenToClock, isTold);
}

/** The same, stepping by the minute: for what needn't be drawn anew more often. */
export function useMinute(): number {
  return withinMinute(useNow());
}

/** The day and the time of day that it is in a zone, as fields have them. */
export function useWall(zone: string): { today: string; time: string } {
  const now = useMinute();
  return { today: localDate(now, zone), time: localTime(now, zone) };
}
