import type { Schemas } from '../api/client';

type Word = Schemas['WordView'];

const PLACE = 'navlo.words';

interface Kept {
  /** Whose words they are: another person at the same browser has chosen nothing. */
  person: number;
  /** Those that were told here, while they stand. */
  told: string[];
}

function nameOf(word: Word): string {
  return `${word.student} ${word.key}`;
}

function read(): Kept | null {
  try {
    return JSON.parse(localStorage.getItem(PLACE) ?? 'null') as Kept | null;
  } catch {
    return null;
  }
}

function keep(kept: Kept): void {
  localStorage.setItem(PLACE, JSON.stringify(kept));
}

/** Whether this browser tells this person. */
export function tellsHere(person: number): boolean {
  return read()?.person === person && 'Notification' in window && Notification.permission === 'granted';
}

/** Tells this person from now on; what stands now was seen. */
export function tellHere(person: number, standing: readonly Word[]): void {
  keep({ person, told: standing.map(nameOf) });
}

export function tellNoMore(): void {
  localStorage.removeItem(PLACE);
}

/**
 * What of all that stands wasn't told yet, and the names of what is told then. What no longer stands is forgotten, so that the list
 * doesn't grow; but while it is quiet nothing stands, and what was told before isn't told again after it.
 */
export function untoldOf(told: readonly string[], standing: readonly Word[]): [Word[], readonly string[]] {
  const untold = standing.filter((word) => !told.includes(nameOf(word)));
  return [untold, standing.length > 0 ? standing.map(nameOf) : told];
}

/** What wasn't told yet; it is from now on. */
export function takeUntold(person: number, standing: readonly Word[]): Word[] {
  const kept = read();
  if (kept?.person !== person) return [];
  const [untold, told] = untoldOf(kept.told, standing);
  keep({ person, told: [...told] });
  return untold;
}

/** One notice for all of them: how many, and what each says. */
export function noticeOf(words: readonly Word[]): { title: string; body: string } {
  const losses = words.filter((word) => word.kind === 'LOSS').length;
  const title =
    losses > 0
      ? `Navlo: ${losses === 1 ? 'one thing can’t wait' : `${losses} things can’t wait`}`
      : `Navlo: ${words.length === 1 ? 'something new' : `${words.length} new things`}`;
  const shown = words.slice(0, 3).map((word) => word.line);
  if (words.length > shown.length) shown.push(`and ${words.length - shown.length} more`);
  return { title, body: shown.join('\n') };
}
