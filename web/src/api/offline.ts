import { useSyncExternalStore } from 'react';

let readAt: string | null = null;
const listeners = new Set<() => void>();

/** Takes note of an answer: null where the server gave it, else when it was read that is shown now, by the server's clock. */
export function noteAnswer(at: string | null): void {
  if (readAt === at) return;
  readAt = at;
  for (const listener of listeners) listener();
}

/** When what is shown was read, while there is no connection; null while there is one. */
export function useOffline(): string | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => readAt,
  );
}

/** Nothing that was kept for reading without a connection stays. */
export async function forgetKept(): Promise<void> {
  if ('caches' in window) for (const name of await caches.keys()) await caches.delete(name);
}
