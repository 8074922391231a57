import type { Said } from '../piece/model';
import { markKey } from '../piece/model';

/** What stands in one place of the stream: one word, or all marks of one time on one file. */
export interface Entry {
  first: Said;
  all: readonly Said[];
}

/** In the order of the stream; marks on one file stand where the latest of them does. */
export function entriesOf(said: readonly Said[]): Entry[] {
  const entries: { first: Said; all: Said[] }[] = [];
  const pages = new Map<string, Said[]>();
  for (const one of said) {
    const key = `${markKey(one)} ${one.unread}`;
    const together = one.mark ? pages.get(key) : undefined;
    if (together) {
      together.push(one);
    } else {
      const all = [one];
      if (one.mark) pages.set(key, all);
      entries.push({ first: one, all });
    }
  }
  return entries;
}

export function sizeOf(entries: readonly Entry[]): number {
  return entries.reduce((sum, entry) => sum + entry.all.length, 0);
}

/** Whether every word is somewhere in what was said, by whom, on what. */
export function hasWords(entry: Entry, title: string, words: readonly string[]): boolean {
  const all = entry.all
    .flatMap((one) => [
      one.text,
      one.name,
      one.mark?.fileName,
      ...one.rows.flatMap((row) => [row.title, row.level, row.words]),
      ...(one.released?.shown.answers ?? []).flatMap((answer) => [
        answer.question,
        answer.given,
        answer.wanted,
      ]),
    ])
    .join(' ');
  const where = `${all} ${title}`.toLowerCase();
  return words.every((word) => where.includes(word));
}
