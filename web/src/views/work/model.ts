import type { Board, Work } from '../../api/client';
import type { Grouping } from '../../lib/narrow';
import { minutesBetween, near, span } from '../../lib/time';
import { count, MOVE_WORDS, MOVES } from '../../lib/words';

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

/** The groups that have something in them, in their order, each with its work in an order that helps. */
export function group(board: Board, works: readonly Work[], by: Grouping, now: number): Group[] {
  const groups =
    by === 'course'
      ? byCourse(board, works)
      : by === 'due'
        ? byDay(works, board.zone, now)
        : byMove(board, works, now);
  return groups.filter((one) => one.works.length > 0);
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
      return [excused ? `${excused} excused` : '', letGo ? `${letGo} optional, let go` : '']
        .filter(Boolean)
        .join(' · ');
    }
    case 'NOT_YET':
      return first.opensAt ? `next opens ${near(first.opensAt, zone, now)}` : '';
    case 'OUT_OF_REACH':
      return 'closed, and no hand-in stands';
  }
}

/** Hours of effort are said in hours, never in days. */
export function span60(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')}`;
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

/** Drafts that look done and aren't, with their due near: what raises the alarm. */
export function draftsNearDue(works: readonly Work[]): Work[] {
  return works
    .filter(
      (work) => work.stage === 'DRAFT' && work.move === 'YOURS' && work.timing === 'DUE_SOON' && !work.parts,
    )
    .sort(byDue);
}
