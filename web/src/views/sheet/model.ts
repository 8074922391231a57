import type { Board, Course, Schemas, Work } from '../../api/client';
import { figureWords, liftWords, readingOf } from '../../lib/readings';
import { addDays, instantWords, localDate, span } from '../../lib/time';
import { FLAG_WORDS, LIMIT_WORDS } from '../../lib/words';
import { byDay, type Next, verb } from '../next/model';

export type Lack = Schemas['Lack'];
export type Meeting = Schemas['MeetingView'];
export type Returned = Schemas['ReturnedView'];
export type Agreement = Schemas['AgreementView'];

/** How far back a sheet reaches, in days; null for the whole term. */
export const SPANS = [
  ['14', 'Two weeks'],
  ['28', 'Four weeks'],
  ['term', 'The term'],
] as const;
export type SpanKey = (typeof SPANS)[number][0];

/** In the order in which they are talked over: what can still be had first. */
const LACKS: readonly Lack[] = ['SAVABLE', 'BACK', 'LISTED', 'UNGRADED_LONG', 'CLOSED'];

export const LACK_WORDS: Record<Lack, string> = {
  SAVABLE: 'Missing, can still be had',
  BACK: 'Sent back, or asked for more',
  LISTED: 'Handed in, yet listed missing',
  UNGRADED_LONG: 'With the teacher longer than usual',
  CLOSED: 'Missing, closed',
};

export interface LackGroup {
  lack: Lack;
  works: Work[];
}

/** The work that something is the matter with, each under the first of its kinds; what loses something soonest first. */
export function lacking({ works }: Pick<Board, 'works'>): LackGroup[] {
  const soon = (work: Work) => work.next?.at ?? work.due ?? '9999';
  return LACKS.map((lack) => ({
    lack,
    works: works
      .filter((work) => LACKS.find((one) => work.lacks.includes(one)) === lack)
      .sort((a, b) => soon(a).localeCompare(soon(b)) || a.title.localeCompare(b.title)),
  })).filter((group) => group.works.length > 0);
}

/** What it still brings, of its course; what to do about it where nothing more can come of it. */
export function bringsWords(work: Work, lack: Lack, course: Course | undefined): string {
  if (lack === 'CLOSED') return 'nothing more';
  if (lack === 'LISTED') return 'it is there: ask for it to be entered';
  if (lack === 'UNGRADED_LONG') return 'ask when it will be back';
  const size = work.lift ?? work.impact;
  if (course?.standing.kind === 'COMPLETION')
    return work.required ? 'needed to complete the course' : 'not needed to complete it';
  if (size === null || Number(size) === 0 || !course) return 'no figure hangs on it';
  return `up to ${liftWords(size, course.standing.kind)}`;
}

/** Until when, and what ends then; empty where there is no such day. */
export function untilWords({ next, timing, redo }: Work, zone: string, now: number): string {
  if (!next) return '';
  const when = instantWords(next.at, zone, now);
  if (next.limit) return `until ${when} (${LIMIT_WORDS[next.limit]})`;
  return timing === 'OVERDUE' && !redo ? `loses more after ${when}` : `full value until ${when}`;
}

const RETURNED: Record<Returned['kind'], string> = {
  SCORE: 'Scored',
  RETURNED: 'Returned',
  SENT_BACK: 'Sent back',
  FLAG: 'Flagged',
  WORDS: 'Commented',
  EXCUSED: 'Excused',
  ANSWER: 'Answered',
  DUE: 'New due',
  REOPENED: 'Reopened',
  CLOSED: 'Closed',
};

/** "18 of 20", "Sent back", "Flagged late": what came of a piece of work. */
export function cameWords({ kind }: Returned, { score, flag }: Work): string {
  const flagged = kind === 'FLAG' && flag ? FLAG_WORDS[flag] : '';
  if (flagged) return flagged.charAt(0).toUpperCase() + flagged.slice(1);
  return kind === 'SCORE' && score.points !== null ? `${score.points} of ${score.possible}` : RETURNED[kind];
}

/** "Pass from 55 %": the lowest boundary of a course; empty where it has none. */
export function passLine({ standing }: Course): string {
  const line = standing.letters[standing.letters.length - 1];
  return line ? `${line.label} from ${figureWords(line.from, { ...standing, letters: [] })}` : '';
}

/** What a course is expected to come to, and whether that is under its lowest boundary. */
export function expectedOf({ standing }: Course): { words: string; under: boolean } {
  const figure = readingOf(standing, 'EXPECTED')?.figure ?? null;
  const line = standing.letters[standing.letters.length - 1];
  return {
    words: figureWords(figure, standing),
    under: figure !== null && line !== undefined && Number(figure) < Number(line.from),
  };
}

export interface SheetDay {
  date: string;
  /** What is planned to be begun on it: "Hand in Soil lab 7, 45 min". */
  plan: string[];
  /** Titles of what is due on it and is still the student's to do, appointments among them. */
  due: string[];
}

const AHEAD = 14;

/** The next two weeks, day by day; days with nothing are left out. */
export function ahead(board: Pick<Board, 'works' | 'zone'>, next: Next, now: number): SheetDay[] {
  const today = localDate(now, board.zone);
  const last = addDays(today, AHEAD);
  const days = new Map<string, SheetDay>();
  const dayOf = (date: string) => {
    const day = days.get(date) ?? { date, plan: [], due: [] };
    days.set(date, day);
    return day;
  };
  const works = new Map(board.works.map((work) => [work.id, work]));
  for (const { date, moves } of byDay(next, board.zone)) {
    for (const { move } of moves) {
      const work = works.get(move.work);
      if (work && date <= last)
        dayOf(date).plan.push(`${verb(move.deed, work)} ${work.title}, ${span(move.minutes)}`);
    }
  }
  for (const work of board.works) {
    const at = work.dueToCome ?? work.due;
    const open = work.move === 'YOURS' || work.move === 'NOT_YET';
    const date = at === null ? '' : (work.dueDay ?? localDate(new Date(at).getTime(), board.zone));
    if (at && open && new Date(at).getTime() > now && date <= last) dayOf(date).due.push(work.title);
  }
  return [...days.values()].sort((a, b) => a.date.localeCompare(b.date));
}

/** Whether an agreement's day has passed and it wasn't kept. */
export function isOverdue({ due, keptAt }: Agreement, today: string): boolean {
  return keptAt === null && due !== null && due < today;
}
