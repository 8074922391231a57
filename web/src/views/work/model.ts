import type { Board, Work } from '../../api/client';
import { type Grouping, KINDS, type Sort, type SortKey, STAGES } from '../../lib/narrow';
import { minutesBetween, near, nearStart, span, span60 } from '../../lib/time';
import { count, KIND_WORDS, MOVE_WORDS, MOVES, STAGE_WORDS } from '../../lib/words';

export interface Group {
  key: string;
  title: string;
  /** One line about the group as a whole; empty if there is nothing to say. */
  about: string;
  works: Work[];
}

export type Line = { kind: 'group'; group: Group } | { kind: 'work'; work: Work };

const LAST = '9999';

const byKey = (key: (work: Work) => string) => (a: Work, b: Work) => {
  const left = key(a);
  const right = key(b);
  return left < right ? -1 : left > right ? 1 : a.id - b.id;
};

const A_DAY = 24 * 60;

/** What is lost within a day first, then what is overdue, then the rest by its next loss. */
function yoursFirst(now: number): (a: Work, b: Work) => number {
  const rank = (work: Work) => {
    if (work.next && minutesBetween(now, work.next.at) < A_DAY) return `0${work.next.at}`;
    return work.timing === 'OVERDUE' ? `1${work.due}` : `2${work.next?.at ?? LAST}`;
  };
  return byKey(rank);
}

const ORDER: Record<Exclude<Work['move'], 'YOURS'>, (a: Work, b: Work) => number> = {
  TEACHERS: byKey((work) => work.handedInAt ?? ''),
  SETTLED: (a, b) => byKey((work) => work.handedInAt ?? work.due ?? '')(b, a),
  NOT_YET: byKey((work) => work.opensAt ?? LAST),
  OUT_OF_REACH: (a, b) => byKey((work) => work.due ?? '')(b, a),
};

const byDue = byKey((work) => work.due ?? LAST);

/** The groups that have something in them, in their order, each with its work in the order asked for. */
export function group(
  board: Board,
  works: readonly Work[],
  by: Grouping,
  sort: Sort | null,
  now: number,
): Group[] {
  const groups = GROUP[by](board, works, now).filter((one) => one.works.length > 0);
  if (!sort) return groups;
  const compare = comparing(sort, board);
  return groups.map((one) => ({ ...one, works: [...one.works].sort(compare) }));
}

const GROUP: Record<Grouping, (board: Board, works: readonly Work[], now: number) => Group[]> = {
  move: byMove,
  course: byCourse,
  unit: byUnit,
  due: (board, works, now) => byDay(works, board.zone, now),
  state: (_, works) => byList(works, STAGES, STAGE_WORDS, (work) => work.stage),
  kind: (_, works) => byList(works, KINDS, KIND_WORDS, (work) => work.kind),
};

type Key = string | number | null;

/** What each sort looks at; null comes last, whichever way. */
const SORT_KEY: Record<SortKey, (work: Work, courses: ReadonlyMap<number, number>) => Key> = {
  due: (work) => work.due,
  place: (work, courses) => (courses.get(work.courseId) ?? 0) * 1e9 + work.id,
  title: (work) => work.title.toLowerCase(),
  points: (work) => Number(work.score.possible),
  impact: (work) => (work.impact === null ? null : Number(work.impact)),
  loss: (work) => work.next?.at ?? null,
  effort: (work) => work.effortMinutes,
  kind: (work) => KINDS.indexOf(work.kind),
  state: (work) => STAGES.indexOf(work.stage),
};

function comparing(sort: Sort, board: Board): (a: Work, b: Work) => number {
  const courses = new Map(board.courses.map((course, place) => [course.id, place]));
  const key = (work: Work) => SORT_KEY[sort.key](work, courses);
  const turn = sort.down ? -1 : 1;
  return (a, b) => {
    const left = key(a);
    const right = key(b);
    if (left === right) return a.id - b.id;
    if (left === null) return 1;
    if (right === null) return -1;
    return left < right ? -turn : turn;
  };
}

function byList<T extends string>(
  works: readonly Work[],
  list: readonly T[],
  words: Record<T, string>,
  of: (work: Work) => T,
): Group[] {
  return list.map((key) => ({
    key,
    title: words[key],
    about: '',
    works: works.filter((work) => of(work) === key).sort(byDue),
  }));
}

/** Units in the order of their courses; what has none stands at the end of its course. */
function byUnit(board: Board, works: readonly Work[]): Group[] {
  return board.courses.flatMap((course) => {
    const those = works.filter((work) => work.courseId === course.id);
    const units = [...new Set(those.map((work) => work.unit ?? ''))].sort((a, b) =>
      a === '' ? 1 : b === '' ? -1 : a.localeCompare(b, 'en', { numeric: true }),
    );
    return units.map((unit) => ({
      key: `unit-${course.id}-${unit}`,
      title: unit || 'No unit',
      about: course.name,
      works: those.filter((work) => (work.unit ?? '') === unit).sort((a, b) => a.id - b.id),
    }));
  });
}

function byMove(board: Board, works: readonly Work[], now: number): Group[] {
  return MOVES.map((move) => {
    const order = move === 'YOURS' ? yoursFirst(now) : ORDER[move];
    const those = works.filter((work) => work.move === move).sort(order);
    return { key: move, title: MOVE_WORDS[move], about: about(move, those, board.zone, now), works: those };
  });
}

function about(move: Work['move'], works: readonly Work[], zone: string, now: number): string {
  const first = works[0];
  if (!first) return '';
  switch (move) {
    case 'YOURS': {
      const minutes = works.reduce((sum, work) => sum + (work.effortMinutes ?? 0), 0);
      const missing = works.filter((work) => work.missing).length;
      return [minutes ? `about ${span60(minutes)}` : '', missing ? `${missing} missing` : '']
        .filter(Boolean)
        .join(' · ');
    }
    case 'TEACHERS':
      return first.handedInAt ? `oldest ${span(-minutesBetween(now, first.handedInAt))}` : '';
    case 'SETTLED': {
      const excused = works.filter((work) => work.stage === 'EXCUSED').length;
      const letGo = works.filter((work) => work.stage !== 'RETURNED' && work.stage !== 'EXCUSED').length;
      return [excused ? `${excused} excused` : '', letGo ? `${letGo} optional, past its due` : '']
        .filter(Boolean)
        .join(' · ');
    }
    case 'NOT_YET':
      return first.opensAt ? `next opens ${nearStart(first.opensAt, zone, now)}` : '';
    case 'OUT_OF_REACH':
      return 'closed, and no hand-in stands';
  }
}

function byCourse(board: Board, works: readonly Work[]): Group[] {
  return board.courses.map((course) => {
    const those = works.filter((work) => work.courseId === course.id).sort(byDue);
    const yours = those.filter((work) => work.move === 'YOURS').length;
    return {
      key: `course-${course.id}`,
      title: course.name,
      about: [course.teacher, yours ? `${yours} yours` : ''].filter(Boolean).join(' · '),
      works: those,
    };
  });
}

function byDay(works: readonly Work[], zone: string, now: number): Group[] {
  const buckets = new Map<string, Work[]>(
    ['Overdue and yours', 'Today', 'Tomorrow', 'In the next seven days', 'Later', 'No due date', 'Past'].map(
      (key) => [key, []],
    ),
  );
  for (const work of works) buckets.get(bucket(work, zone, now))?.push(work);
  return [...buckets].map(([title, those]) => ({
    key: title,
    title,
    about: '',
    works: title === 'Past' ? those.sort((a, b) => byDue(b, a)) : those.sort(byDue),
  }));
}

function bucket(work: Work, zone: string, now: number): string {
  if (!work.due) return 'No due date';
  const left = minutesBetween(now, work.due);
  if (left < 0) return work.move === 'YOURS' && work.timing === 'OVERDUE' ? 'Overdue and yours' : 'Past';
  const when = near(work.due, zone, now);
  if (when.startsWith('today')) return 'Today';
  if (when.startsWith('tomorrow')) return 'Tomorrow';
  return left < 7 * 24 * 60 ? 'In the next seven days' : 'Later';
}

/** Group heads and rows in one list, as they stand on screen. */
export function lines(groups: readonly Group[]): Line[] {
  return groups.flatMap((one): Line[] => [
    { kind: 'group', group: one },
    ...one.works.map((work): Line => ({ kind: 'work', work })),
  ]);
}

/** "all courses, all moves", or what it is narrowed to. */
export function narrowedWords(
  board: Board,
  courses: readonly number[],
  moves: readonly Work['move'][],
): string {
  const names = board.courses
    .filter((course) => courses.includes(course.id))
    .map((course) => course.shortName);
  const course =
    names.length === 0 ? 'all courses' : names.length <= 2 ? names.join(', ') : count(names.length, 'course');
  const move =
    moves.length === 0 ? 'all moves' : moves.map((one) => MOVE_WORDS[one].toLowerCase()).join(', ');
  return `${course}, ${move}`;
}

/** Numbers as the server takes them, in their order, runs as ranges: "1-24,30". */
export function numbersOf(works: readonly Work[]): string {
  const runs: [first: number, last: number][] = [];
  for (const { id } of works) {
    const run = runs.at(-1);
    if (run && run[1] + 1 === id) run[1] = id;
    else runs.push([id, id]);
  }
  return runs.map(([first, last]) => (first === last ? String(first) : `${first}-${last}`)).join(',');
}

/** Where these rows can be had as a table of text. */
export function tableUrl(student: number, works: readonly Work[]): string {
  return `/api/students/${student}/exports/works.csv?works=${numbersOf(works)}`;
}

/** All of them are taken, or let go where all were taken already. */
export function toggled(before: ReadonlySet<number> | null, works: readonly number[]): Set<number> {
  const next = new Set(before);
  const all = works.every((work) => next.has(work));
  for (const work of works) {
    if (all) next.delete(work);
    else next.add(work);
  }
  return next;
}

/** Those between two in an order, both included; null where one isn't in it. */
export function between(
  order: readonly number[],
  one: number | null,
  other: number,
): readonly number[] | null {
  const from = order.indexOf(one ?? -1);
  const to = order.indexOf(other);
  return from < 0 || to < 0 ? null : order.slice(Math.min(from, to), Math.max(from, to) + 1);
}
