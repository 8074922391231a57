import type { Schemas, Work } from '../../../api/client';
import type { Reading } from '../../../lib/readings';

export type Grade = Schemas['GradeView'];
export type Unfolded = Schemas['GradeReadingView'];
export type Part = Schemas['GradePartView'];
export type Item = Schemas['GradeItemView'];
export type WhatIf = Schemas['WhatIfForm'];
export type Change = Schemas['ChangeForm'];
export type Term = Schemas['GradeTermView'];
export type Added = Schemas['AddedForm'];

export const NOTHING: WhatIf = { changes: [], added: [] };

export function isNothing(whatIf: WhatIf): boolean {
  return whatIf.changes.length === 0 && whatIf.added.length === 0;
}

export function changeOf(whatIf: WhatIf, work: number): Change | undefined {
  return whatIf.changes.find((change) => change.work === work);
}

/** What isn't so of a piece of work is said anew; with nothing left to say it is as it is. */
export function changed(whatIf: WhatIf, work: number, what: Partial<Omit<Change, 'work'>>): WhatIf {
  const before = changeOf(whatIf, work) ?? { work, points: null, excused: null, handedIn: null };
  const now = { ...before, ...what };
  const others = whatIf.changes.filter((change) => change.work !== work);
  const says = now.points !== null || now.excused !== null || now.handedIn !== null;
  return { ...whatIf, changes: says ? [...others, now] : others };
}

export function readingIn(grade: Grade, reading: Reading): Unfolded | undefined {
  return grade.readings.find((one) => one.reading === reading);
}

/** What a reading moved by, in the units of the figure; null where there is nothing to compare. */
export function movedBy(before: Unfolded | undefined, now: Unfolded | undefined): number | null {
  if (!before?.figure || !now?.figure || before.figure === now.figure) return null;
  return Number(now.figure) - Number(before.figure);
}

export function signed(value: number, places = 1): string {
  const size = Math.abs(value) < 0.05 ? Math.abs(value).toFixed(2) : Math.abs(value).toFixed(places);
  return `${value < 0 ? '−' : '+'}${size}`;
}

/** A number as it would be written by hand: at most two decimals, none for whole ones. */
export function plain(figure: string): string {
  return String(Math.round(Number(figure) * 100) / 100);
}

/** The items of each part, those that don't count in this reading too. */
export function itemsOf(grade: Grade, part: Part): Item[] {
  if (!part.id && !part.name) return [...grade.items];
  return grade.items.filter((item) => item.category === part.id || item.standards.includes(part.id));
}

/** Work that counts nowhere, because it names no part of how the course is graded; none where it has no parts. */
export function nowhereIn(grade: Grade, parts: readonly Part[]): Item[] {
  const counted = new Set(parts.flatMap((part) => itemsOf(grade, part)));
  return parts.length === 0 ? [] : grade.items.filter((item) => !counted.has(item));
}

export function termOf(part: Part, item: Item): Term | undefined {
  return part.terms.find((term) => term.work === item.work);
}

/** "41.5 of 50" of what is kept, or the mean of so many. */
export function sumWords(part: Part): string {
  if (part.by === 'POINTS') return `${plain(part.earned)} of ${plain(part.possible)} points`;
  if (part.by === 'MEAN') return `the mean of ${plain(part.possible)}`;
  return part.terms.length === 0 ? 'no evidence yet' : `${part.terms.length} pieces of evidence`;
}

/** "0.25 × 83 + 0.40 × 71.2": what the figure is made of; empty where there is nothing to add. */
export function formula(unfolded: Unfolded): string {
  const weighed = unfolded.parts.filter((part) => part.weight !== null && part.figure !== null);
  if (weighed.length === 0) return '';
  return weighed
    .map((part) => `${plain(String(Number(part.weight) / 100))} × ${plain(part.figure ?? '0')}`)
    .join(' + ');
}

/** The weakest first. A standard without evidence is the weakest of all; a category with nothing in it says nothing. */
export function inOrder(parts: readonly Part[], byStandards: boolean): Part[] {
  const strength = (part: Part) => (part.figure === null ? (byStandards ? -1 : 1e9) : Number(part.figure));
  return [...parts].sort((a, b) => strength(a) - strength(b));
}

export function titleOf(item: Item, added: readonly Added[], work: (id: number) => Work | undefined): string {
  const place = /^new (\d+)$/.exec(item.work);
  if (place) return added[Number(place[1]) - 1]?.name ?? 'An added piece of work';
  return work(Number(item.work))?.title ?? 'Work that is gone';
}
