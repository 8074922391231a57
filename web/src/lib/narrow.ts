import type { Board, Work } from '../api/client';
import { KIND_WORDS, MOVE_WORDS, MOVES, STAGE_WORDS } from './words';

export const GROUPINGS = ['move', 'course', 'due'] as const;
export type Grouping = (typeof GROUPINGS)[number];

/** What a person narrowed the work to. Empty lists and texts narrow nothing. It lives in the address. */
export interface Narrowing {
  courses: readonly number[];
  moves: readonly Work['move'][];
  text: string;
  /** A local date; work that is due or opens on it. */
  day: string;
  by: Grouping;
}

export function readNarrowing(params: URLSearchParams): Narrowing {
  const moves = (params.get('move') ?? '').split(',');
  const by = params.get('by') as Grouping;
  return {
    courses: (params.get('course') ?? '').split(',').filter(Boolean).map(Number).filter(Number.isInteger),
    moves: MOVES.filter((move) => moves.includes(move.toLowerCase())),
    text: params.get('q') ?? '',
    day: params.get('day') ?? '',
    by: GROUPINGS.includes(by) ? by : 'move',
  };
}

export function writeNarrowing(narrowing: Narrowing): URLSearchParams {
  const params = new URLSearchParams();
  if (narrowing.by !== 'move') params.set('by', narrowing.by);
  if (narrowing.courses.length > 0) params.set('course', narrowing.courses.join(','));
  if (narrowing.moves.length > 0)
    params.set('move', narrowing.moves.map((move) => move.toLowerCase()).join(','));
  if (narrowing.text) params.set('q', narrowing.text);
  if (narrowing.day) params.set('day', narrowing.day);
  return params;
}

export function isNarrowed(narrowing: Narrowing): boolean {
  return Boolean(
    narrowing.courses.length || narrowing.moves.length || narrowing.text.trim() || narrowing.day,
  );
}

/** The work that is left, in the order of the board. Every word of the text must be found somewhere in a row. */
export function narrow(board: Board, narrowing: Narrowing): Work[] {
  const words = narrowing.text.toLowerCase().split(/\s+/).filter(Boolean);
  const names = new Map(board.courses.map((course) => [course.id, course.name]));
  const onDay = new Set<number>();
  if (narrowing.day) {
    const cell = board.tide.find((day) => day.day === narrowing.day);
    for (const id of [...(cell?.due ?? []), ...(cell?.opens ?? [])]) onDay.add(id);
  }
  return board.works.filter(
    (work) =>
      (narrowing.courses.length === 0 || narrowing.courses.includes(work.courseId)) &&
      (narrowing.moves.length === 0 || narrowing.moves.includes(work.move)) &&
      (!narrowing.day || onDay.has(work.id)) &&
      (words.length === 0 || matches(work, names.get(work.courseId) ?? '', words)),
  );
}

function matches(work: Work, course: string, words: readonly string[]): boolean {
  const text = [
    work.title,
    course,
    work.unit,
    work.category,
    KIND_WORDS[work.kind],
    STAGE_WORDS[work.stage],
    MOVE_WORDS[work.move],
    work.feedback.latestBy,
    work.missing ? 'missing' : '',
  ]
    .join(' ')
    .toLowerCase();
  return words.every((word) => text.includes(word));
}
