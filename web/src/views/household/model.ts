import type { Schemas } from '../../api/client';
import { near } from '../../lib/time';
import { count } from '../../lib/words';

export type Row = Schemas['HouseholdRow'];
export type CourseGlance = Schemas['CourseGlance'];
export type Source = Schemas['SourceGlance'];
export type Span = Schemas['Spanning'];
export type UnreadStudent = Schemas['UnreadStudent'];

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

const MOST_NAMED = 3;
const NAMES = new Intl.ListFormat('en-GB');

/** "The work of Mira Solheim and Anders Solheim couldn’t be worked out just now." Of many the first are named. */
export function unreadWords(students: readonly UnreadStudent[]): string {
  const named = students.slice(0, MOST_NAMED).map((one) => one.name);
  const rest = students.length - named.length;
  return `The work of ${NAMES.format(rest > 0 ? [...named, `${rest} more`] : named)} couldn’t be worked out just now.`;
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

/** From so many students on they are looked at as a table. */
export const MANY = 6;

/** By what a table of students is ordered: as who needs it most, or by one of its columns. */
export const ORDERS = [
  'need',
  'name',
  'savable',
  'closed',
  'listed',
  'long',
  'back',
  'weakest',
  'close',
  'fresh',
] as const;
export type Order = (typeof ORDERS)[number];

/** How a table of students is looked at; it lives in the address. */
export interface Looking {
  text: string;
  /** Null for everybody; empty for those in no group. */
  group: string | null;
  order: Order;
  /** Whether the other way round than is usual for the column. */
  turned: boolean;
}

export function readLooking(params: URLSearchParams): Looking {
  const by = params.get('by') ?? '';
  const order = ORDERS.find((one) => one === by.replace(/^-/, ''));
  return {
    text: params.get('q') ?? '',
    group: params.get('group'),
    order: order ?? 'need',
    turned: order !== undefined && by.startsWith('-'),
  };
}

export function writeLooking(params: URLSearchParams, { text, group, order, turned }: Looking): void {
  const put = (name: string, value: string | null) =>
    value === null ? params.delete(name) : params.set(name, value);
  put('q', text || null);
  put('group', group);
  put('by', order === 'need' && !turned ? null : `${turned ? '-' : ''}${order}`);
}

/** How much of the full figure is expected, whatever the course prints. */
function shareOf({ expected, kind }: CourseGlance): number {
  return Number(expected) / (kind === 'STANDARDS' ? 4 : 100);
}

/** The course of which least is expected; null where nothing is expected of any. */
export function weakest({ courses }: Row): CourseGlance | null {
  const known = courses.filter((course) => course.expected !== null);
  return known.reduce<CourseGlance | null>(
    (least, course) => (least === null || shareOf(course) < shareOf(least) ? course : least),
    null,
  );
}

/** What each column is ordered by, so that the usual way is upward. */
const BY: Record<Exclude<Order, 'need' | 'name'>, (row: Row) => number> = {
  savable: (row) => -row.missing.savable,
  closed: (row) => -row.missing.closed,
  listed: (row) => -row.missing.listed,
  long: (row) => -row.missing.ungradedLong,
  back: (row) => -row.missing.sentBack,
  weakest: (row) => {
    const course = weakest(row);
    return course ? shareOf(course) : Number.MAX_SAFE_INTEGER;
  },
  close: (row) => (row.close ? Date.parse(row.close.at) : Number.MAX_SAFE_INTEGER),
  fresh: (row) => -row.fresh,
};

/** Names of all groups, in the order of the alphabet. */
export function groupsOf(rows: readonly Row[]): string[] {
  return [...new Set(rows.flatMap((row) => row.own.groups))].sort((a, b) => a.localeCompare(b));
}

/** Each word that is sought begins a word of a name, a group or a note. */
function isSought(row: Row, text: string): boolean {
  const words = [row.name, row.school ?? '', row.own.note, ...row.own.groups]
    .join(' ')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u);
  return text
    .toLowerCase()
    .split(/\s+/)
    .every((sought) => words.some((word) => word.startsWith(sought)));
}

/** The rows that are looked at, in their order; who is equal stays in the order of who needs it most. */
export function lookAt(rows: readonly Row[], { text, group, order, turned }: Looking): Row[] {
  const shown = rows.filter(
    (row) =>
      isSought(row, text.trim()) &&
      (group === null || (group === '' ? row.own.groups.length === 0 : row.own.groups.includes(group))),
  );
  if (order === 'name') shown.sort((a, b) => a.name.localeCompare(b.name));
  else if (order !== 'need') shown.sort((a, b) => BY[order](a) - BY[order](b));
  return turned ? shown.reverse() : shown;
}

/** "First year, Tutorial B" as names. */
export function groupNames(text: string): string[] {
  return text
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
}
