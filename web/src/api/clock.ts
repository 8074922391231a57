import type { Middleware } from 'openapi-fetch';

/** The server's clock, carried on by the browser's between two answers. Steps every ten seconds. */
const STEP = 10_000;
const MINUTE = 60_000;

let offset = 0;
let told = false;
let held: number | null = null;
let shown = Date.now();
const listeners = new Set<() => void>();
let timer: ReturnType<typeof setInterval> | undefined;

/** Never right on a minute: from there a deadline is one whole minute further away than from all the rest of it. */
function within(at: number): number {
  return at % MINUTE === 0 ? at + 1 : at;
}

function tell(): void {
  shown = within(held ?? serverNow());
  for (const listener of listeners) listener();
}

/** Milliseconds since the epoch, by the server's clock, to the millisecond. */
export function serverNow(): number {
  return Date.now() + offset;
}

/** The same as it is shown: at its last step, or where it is held. */
export function shownNow(): number {
  return shown;
}

/** Whether the server said at all what time it is. */
export function isTold(): boolean {
  return told;
}

/** Called with what the server said the time is. @param said when it said so, by the browser's clock */
export function setServerNow(instant: string, said = Date.now()): void {
  const next = new Date(instant).getTime() - said;
  if (!told || Math.abs(next - offset) > 1_000) {
    told = true;
    offset = next;
    tell();
  }
}

/** Takes the time from each answer that says it; one that was kept said so when it was read. */
export const clockReader: Middleware = {
  onResponse({ response }) {
    const now = response.headers.get('X-Navlo-Now');
    const readAt = response.headers.get('X-Navlo-Offline');
    if (now) setServerNow(now, readAt ? new Date(readAt).getTime() : Date.now());
  },
};

/** Holds the clock at an instant, while a day that is past is looked at; null lets it go on. */
export function holdNow(instant: string | null): void {
  held = instant === null ? null : new Date(instant).getTime();
  tell();
}

/** @param listener called with each step, until what is returned is called */
export function listenToClock(listener: () => void): () => void {
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
