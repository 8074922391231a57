import type { Schemas } from '../../api/client';
import { noticeFault } from '../../ui/notice';
import { writeTogether } from '../work/own-forms';

type Wish = Partial<Schemas['WishForm']> & Pick<Schemas['WishForm'], 'kind'>;

/** Tells the plan what is wanted of a piece of work; it is planned anew and says what that costs. */
export function wish(student: number, work: number, what: Wish, words: string): void {
  void writeTogether(student, [work], { wish: { notBefore: null, before: null, ...what } }, words).catch(
    noticeFault,
  );
}
