import type { Schemas } from '../../api/client';
import { moment } from '../../lib/time';
import { noticeFault } from '../../ui/notice';
import { writeTogether } from '../work/own-forms';

type Wish = Partial<Schemas['WishForm']> & Pick<Schemas['WishForm'], 'kind'>;

/** Tells the plan what is wanted of a piece of work; it is planned anew and says what that costs. */
export function wish(student: number, work: number, what: Wish, words: string): void {
  void writeTogether(student, [work], { wish: { notBefore: null, before: null, ...what } }, words).catch(
    noticeFault,
  );
}

/** Nails a move to an hour; the plan works round it. @returns what was said */
export function nail(
  student: number,
  what: { work: number; title: string },
  at: number,
  zone: string,
): string {
  const notBefore = new Date(at).toISOString();
  const words = `${what.title} is nailed to ${moment(notBefore, zone)}`;
  wish(student, what.work, { kind: 'NAILED', notBefore }, words);
  return words;
}
