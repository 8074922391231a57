import type { Schemas } from '../../api/client';
import { near } from '../../lib/time';
import { count } from '../../lib/words';

export type Row = Schemas['HouseholdRow'];
export type CourseGlance = Schemas['CourseGlance'];
export type Source = Schemas['SourceGlance'];
export type Span = Schemas['Spanning'];

export const SPANS: readonly (readonly [Span, string])[] = [
  ['PERIOD', 'This grading period'],
  ['TERM', 'The whole term'],
];

/** A figure of a row, and the list of the work that it counts. */
export interface Figure {
  key: string;
  words: string;
  count: number;
  /** Under the student's own address. */
  to: string;
  /** Whether something can still be done about it. */
  hot: boolean;
}

/** The kinds of missing, kept apart, and what else waits: each with the way to its list. */
export function figuresOf({ missing }: Row): Figure[] {
  return [
    {
      key: 'savable',
      words: 'missing, can still be had',
      count: missing.savable,
      to: 'work?only=savable',
      hot: true,
    },
    {
      key: 'closed',
      words: 'missing, closed',
      count: missing.closed,
      to: 'work?only=closed',
      hot: false,
    },
    {
      key: 'listed',
      words: 'handed in, yet listed missing',
      count: missing.listed,
      to: 'work?only=listed',
      hot: true,
    },
    {
      key: 'long',
      words: 'with the teacher longer than usual',
      count: missing.ungradedLong,
      to: 'work?only=ungradedlong',
      hot: false,
    },
    {
      key: 'back',
      words: 'sent back or asked for more',
      count: missing.sentBack,
      to: 'work?only=back',
      hot: true,
    },
  ];
}

/** "9.1 % of courses" within three days; nothing where next to nothing is about to be lost. */
export function atStakeWords({ aboutToBeLost }: Row): string {
  const percent = Number(aboutToBeLost);
  return percent < 0.05 ? '' : `${(Math.round(percent * 10) / 10).toFixed(1)} % of a course`;
}

/** How a student fares, in a sentence for who looks at many. */
export function headline(row: Row, now: number): string {
  const { savable, sentBack } = row.missing;
  const stake = atStakeWords(row);
  const parts = [
    savable > 0 ? `${count(savable, 'piece')} missing that can still be had` : '',
    sentBack > 0 ? `${sentBack} back with them` : '',
  ].filter(Boolean);
  const lost =
    stake && row.nextLoss
      ? `Waiting three days costs ${stake}, first ${near(row.nextLoss.at, row.zone, now)}.`
      : '';
  if (parts.length === 0) return lost || 'Nothing is missing that can still be had.';
  return `${parts.join(', ')}.${lost ? ` ${lost}` : ''}`;
}

/** "82.4 %", "3.1 of 4"; a dash for none. */
export function expectedWords({ expected, kind }: CourseGlance): string {
  if (expected === null) return '–';
  const figure = (Math.round(Number(expected) * 10) / 10).toFixed(1);
  return kind === 'STANDARDS' ? `${figure} of 4` : `${figure} %`;
}

/** When a school's system last told anything new, or that it didn't answer. */
export function sourceWords({ answeredAt, toldAt, faulty }: Source, zone: string, now: number): string {
  if (faulty) return answeredAt ? `silent since ${near(answeredAt, zone, now)}` : "doesn't answer";
  return toldAt ? `told something ${near(toldAt, zone, now)}` : 'nothing new so far';
}

/** Whether what is expected falls short of what the student aims at; never without both. */
export function isShort({ expected, target }: CourseGlance): boolean {
  return expected !== null && target !== null && Number(expected) < Number(target);
}
