import type { Board, Work } from '../api/client';
import { fits } from './search';
import { minutesBetween } from './time';
import { KIND_WORDS, MOVE_WORDS, MOVES, STAGE_WORDS, stageWord } from './words';

export const GROUPINGS = ['move', 'course', 'unit', 'due', 'state', 'kind'] as const;
export type Grouping = (typeof GROUPINGS)[number];

export const STAGES = Object.keys(STAGE_WORDS) as Work['stage'][];
export const KINDS = Object.keys(KIND_WORDS) as Work['kind'][];

/** What can be asked of a piece of work beside what it is. */
export const TRAITS = [
  'unread',
  'waits',
  'belowpass',
  'askable',
  'locked',
  'ungradedlong',
  'missing',
  'savable',
  'closed',
  'listed',
  'back',
  'overdue',
  'week',
  'nodue',
  'short',
  'scored',
  'files',
  'noted',
] as const;
export type Trait = (typeof TRAITS)[number];

export const TRAIT_WORDS: Record<Trait, string> = {
  unread: 'Has unread feedback',
  waits: 'Waits for an answer to me',
  belowpass: 'Below the pass mark',
  askable: 'More time can be asked for',
  locked: 'Locked',
  ungradedlong: 'Ungraded long',
  missing: 'Missing',
  savable: 'Missing, can still be had',
  closed: 'Missing, closed',
  listed: 'Handed in, yet listed missing',
  back: 'Sent back, or asked for more',
  overdue: 'Overdue',
  week: 'Due within seven days',
  nodue: 'Has no due date',
  short: 'Half an hour or less',
  scored: 'Has a score',
  files: 'Has files',
  noted: 'Has a note of mine',
};

const HALF_AN_HOUR = 30;
const A_WEEK = 7 * 24 * 60;

const TRAIT: Record<Trait, (work: Work, now: number) => boolean> = {
  unread: (work) => work.feedback.unread > 0,
  waits: (work) => work.feedback.waits,
  belowpass: (work) => work.belowPass,
  askable: (work) => work.askUntil !== null,
  locked: (work) => work.lock !== null,
  ungradedlong: (work) => work.lacks.includes('UNGRADED_LONG'),
  missing: (work) => work.missing,
  savable: (work) => work.lacks.includes('SAVABLE'),
  closed: (work) => work.lacks.includes('CLOSED'),
  listed: (work) => work.lacks.includes('LISTED'),
  back: (work) => work.lacks.includes('BACK'),
  overdue: (work) => work.timing === 'OVERDUE' && work.move === 'YOURS',
  week: (work, now) =>
    work.due !== null && minutesBetween(now, work.due) >= 0 && minutesBetween(now, work.due) < A_WEEK,
  nodue: (work) => work.due === null,
  short: (work) => work.effortMinutes !== null && work.effortMinutes <= HALF_AN_HOUR,
  scored: (work) => work.score.points !== null,
  files: (work) => work.files > 0,
  noted: (work) => work.notes > 0,
};

export const SORTS = [
  'due',
  'place',
  'title',
  'points',
  'impact',
  'loss',
  'effort',
  'kind',
  'state',
] as const;
export type SortKey = (typeof SORTS)[number];

/** Null for the order that helps most in each group. */
export interface Sort {
  key: SortKey;
  down: boolean;
}

/** What a person narrowed the work to, and how it stands. Empty lists and texts narrow nothing. It lives in the address. */
export interface Narrowing {
  courses: readonly number[];
  moves: readonly Work['move'][];
  stages: readonly Work['stage'][];
  kinds: readonly Work['kind'][];
  /** Units by name, whatever their course. */
  units: readonly string[];
  traits: readonly Trait[];
  text: string;
  /** A local date; work that is due or opens on it. */
  day: string;
  by: Grouping;
  sort: Sort | null;
}

export const EVERYTHING = {
  courses: [],
  moves: [],
  stages: [],
  kinds: [],
  units: [],
  traits: [],
  text: '',
  day: '',
} as const satisfies Partial<Narrowing>;

function listed<T extends string>(params: URLSearchParams, name: string, known: readonly T[]): T[] {
  const given = (params.get(name) ?? '').toUpperCase().split(',');
  return known.filter((one) => given.includes(one.toUpperCase()));
}

export function readNarrowing(params: URLSearchParams): Narrowing {
  const [by] = listed(params, 'by', GROUPINGS);
  return {
    courses: (params.get('course') ?? '').split(',').filter(Boolean).map(Number).filter(Number.isInteger),
    moves: listed(params, 'move', MOVES),
    stages: listed(params, 'stage', STAGES),
    kinds: listed(params, 'kind', KINDS),
    units: params.getAll('unit'),
    traits: listed(params, 'only', TRAITS),
    text: params.get('q') ?? '',
    day: params.get('day') ?? '',
    by: by ?? 'move',
    sort: readSort(params.get('sort') ?? ''),
  };
}

function readSort(text: string): Sort | null {
  const down = text.startsWith('-');
  const key = SORTS.find((one) => one === text.replace('-', ''));
  return key ? { key, down } : null;
}

export function writeNarrowing(narrowing: Narrowing): URLSearchParams {
  const params = new URLSearchParams();
  const list = (name: string, values: readonly (string | number)[]) => {
    if (values.length > 0) params.set(name, values.join(',').toLowerCase());
  };
  if (narrowing.by !== 'move') params.set('by', narrowing.by);
  if (narrowing.sort) params.set('sort', `${narrowing.sort.down ? '-' : ''}${narrowing.sort.key}`);
  list('course', narrowing.courses);
  list('move', narrowing.moves);
  list('stage', narrowing.stages);
  list('kind', narrowing.kinds);
  for (const unit of narrowing.units) params.append('unit', unit);
  list('only', narrowing.traits);
  if (narrowing.text) params.set('q', narrowing.text);
  if (narrowing.day) params.set('day', narrowing.day);
  return params;
}

export function isNarrowed(narrowing: Narrowing): boolean {
  const { courses, moves, stages, kinds, units, traits, text, day } = narrowing;
  return Boolean(
    [courses, moves, stages, kinds, units, traits].some((list) => list.length) || text.trim() || day,
  );
}

/** The work that is left, in the order of the board. Every word of the text must begin one that stands in a row. */
export function narrow(board: Board, narrowing: Narrowing, now: number): Work[] {
  const names = new Map(board.courses.map((course) => [course.id, course.name]));
  const onDay = new Set<number>();
  if (narrowing.day) {
    const cell = board.tide.find((day) => day.day === narrowing.day);
    for (const id of [...(cell?.due ?? []), ...(cell?.opens ?? [])]) onDay.add(id);
  }
  const among = <T>(list: readonly T[], value: T) => list.length === 0 || list.includes(value);
  return board.works.filter(
    (work) =>
      among(narrowing.courses, work.courseId) &&
      among(narrowing.moves, work.move) &&
      among(narrowing.stages, work.stage) &&
      among(narrowing.kinds, work.kind) &&
      among(narrowing.units, work.unit ?? '') &&
      narrowing.traits.every((trait) => TRAIT[trait](work, now)) &&
      (!narrowing.day || onDay.has(work.id)) &&
      (!narrowing.text.trim() || matches(work, names.get(work.courseId) ?? '', narrowing.text)),
  );
}

/** How many have a trait, of all. */
export function countTrait(board: Board, trait: Trait, now: number): number {
  return board.works.filter((work) => TRAIT[trait](work, now)).length;
}

function matches(work: Work, course: string, sought: string): boolean {
  const more = [
    course,
    work.unit,
    work.category,
    KIND_WORDS[work.kind],
    stageWord(work),
    MOVE_WORDS[work.move],
    work.feedback.latestBy,
    work.missing ? 'missing' : '',
  ];
  return (
    fits(
      work.title,
      sought,
      more.filter((text) => text !== null),
    ) > 0
  );
}
