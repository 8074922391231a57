import { useSyncExternalStore } from 'react';

/** The server's clock, carried on by the browser's between two answers. Steps every ten seconds. */
const STEP = 10_000;

let offset = 0;
let told = false;
let held: number | null = null;
let shown = Date.now();
const listeners = new Set<() => void>();
let timer: ReturnType<typeof setInterval> | undefined;

function tell(): void {
  shown = held ?? Date.now() + offset;
  for (const listener of listeners) listener();
}

/** Called with what the server said the time is. */
export function setServerNow(instant: string): void {
  const next = new Date(instant).getTime() - Date.now();
  if (!told || Math.abs(next - offset) > 1_000) {
    told = true;
    offset = next;
    tell();
  }
}

/** Holds the clock at an instant, while a day that is past is looked at; null lets it go on. */
export function holdNow(instant: string | null): void {
  held = instant === null ? null : new Date(instant).getTime();
  tell();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  timer ??= setInterval(tell, STEP);
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0) {
      clearInterval(timer);
      timer = undefined;
    }
  };
}

/** Milliseconds since the epoch, by the server's clock. */
export function useNow(): number {
  return useSyncExternalStore(subscribe, () => shown);
}

/** Whether the server said at all what time it is. */
export function useIsTold(): boolean {
  return useSyncExternalStore(subscribe, () => told);
}

const MINUTE = 60_000;

/** The same, stepping by the minute: for what needn't be drawn anew more often. */
export function useMinute(): number {
  return Math.floor(useNow() / MINUTE) * MINUTE;
}
