import type { Schemas } from '../api/client';

export type Standing = Schemas['StandingView'];
export type Reading = Schemas['ReadingView']['reading'];
export type GradeKind = Standing['kind'];

export const READINGS = [
  'SO_FAR',
  'WITH_ZEROS',
  'WORK_AHEAD',
  'EXPECTED',
  'FLOOR',
  'CEILING',
] as const satisfies readonly Reading[];

export const READING_WORDS: Record<Reading, string> = {
  SO_FAR: 'So far',
  WITH_ZEROS: 'With zeros',
  WORK_AHEAD: 'With work ahead',
  EXPECTED: 'Expected',
  FLOOR: 'Floor',
  CEILING: 'Ceiling',
};

export const READING_ABOUT: Record<Reading, string> = {
  SO_FAR: 'Final scores of work already due',
  WITH_ZEROS: 'As so far, and every missing piece of work as 0',
  WORK_AHEAD: 'As so far, and scores of work due later',
  EXPECTED: 'As with work ahead, and the rest at what it will likely bring',
  FLOOR: 'All that has no score yet at 0',
  CEILING: 'All that can still be had at full points, less what lateness has taken already',
};

const MOST_DECIMALS = 6;

/**
 * "71.3 %", or "2.8" of a rating. One decimal, and more where fewer would put it on the wrong side of a boundary.
 */
export function figureWords(figure: string | null, standing: Pick<Standing, 'kind' | 'letters'>): string {
  if (figure === null) return '—';
  const unit = standing.kind === 'STANDARDS' ? '' : ' %';
  const exact = Number(figure);
  for (let places = 1; places < MOST_DECIMALS; places++) {
    const rounded = exact.toFixed(places);
    const same = standing.letters.every(
      ({ from }) => exact >= Number(from) === Number(rounded) >= Number(from),
    );
    if (same) return rounded + unit;
  }
  return figure + unit;
}

/** "2.1 points of the course", or of the rating. */
export function impactWords(impact: string, kind: GradeKind): string {
  if (Number(impact) === 0) return 'none: the course comes out the same with 0 for it';
  return liftWords(impact, kind);
}

/** Less isn't said in a figure: efforts and scores are guesses. */
const LEAST_SAID = 0.05;

/** The same of what raising a score brings. */
export function liftWords(lift: string, kind: GradeKind): string {
  const size = Number(lift);
  const number = size.toFixed(kind === 'STANDARDS' ? 2 : 1).replace(/\.0+$/, '');
  if (kind === 'STANDARDS') return `${number} of the rating`;
  return `${size < LEAST_SAID ? '<0.1' : number} % of the course`;
}

/** "2.1 %", "<0.1 %": what hangs on something, in percent of its course. */
export function stakeWords(percent: string): string {
  const size = Math.abs(Number(percent));
  return `${size === 0 ? '0' : size >= LEAST_SAID ? size.toFixed(1) : '<0.1'} %`;
}

export function readingOf(standing: Standing, reading: Reading): Schemas['ReadingView'] | undefined {
  return standing.readings.find((one) => one.reading === reading);
}
