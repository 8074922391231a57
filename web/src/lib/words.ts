import type { Schemas, Work } from '../api/client';
import { asRead, lateSpan, minutesBetween, near, nearStart, roughSpan, span } from './time';

type Stage = Work['stage'];
type Move = Work['move'];
type Limit = NonNullable<Schemas['CostView']['limit']>;

export const MOVES = [
  'YOURS',
  'TEACHERS',
  'SETTLED',
  'NOT_YET',
  'OUT_OF_REACH',
] as const satisfies readonly Move[];

export const MOVE_WORDS: Record<Move, string> = {
  YOURS: 'Yours',
  TEACHERS: 'Teacher’s',
  SETTLED: 'Settled',
  NOT_YET: 'Not yet',
  OUT_OF_REACH: 'Out of reach',
};

/** Whose move it is, as the reader would say it: to a guardian "yours" is the student's. */
export function moveWords(
  move: Move,
  student: { own: boolean; board: { student: { name: string } } },
): string {
  if (move !== 'YOURS' || student.own) return MOVE_WORDS[move];
  return `${student.board.student.name.split(' ')[0]}’s`;
}

export const STAGE_WORDS: Record<Stage, string> = {
  NOT_OPEN: 'Not open',
  ASSIGNED: 'Assigned',
  DRAFT: 'Draft',
  TURNED_IN: 'Turned in',
  SENT_BACK: 'Sent back',
  RETURNED: 'Returned',
  EXCUSED: 'Excused',
};

/** The stage of one piece of work in a word: the posts of a discussion are public, and no draft. */
export function stageWord(work: Work): string {
  return work.stage === 'DRAFT' && work.parts && work.parts.done > 0 ? 'Posted' : STAGE_WORDS[work.stage];
}

export const KIND_WORDS: Record<Work['kind'], string> = {
  ASSIGNMENT: 'Assignment',
  QUIZ: 'Quiz',
  TEST: 'Test',
  PROJECT: 'Project',
  DISCUSSION: 'Discussion',
  PRACTICE: 'Practice',
};

export const LIMIT_WORDS: Record<Limit, string> = {
  CLOSES_AT: 'it closes',
  CUTOFF: 'late work ends',
  GRADING_CLOSE: 'the grading close',
  REDO_UNTIL: 'the redo ends',
  ATTEMPTS: 'attempts used up',
};

/** The same in a row's narrow end. */
const LIMIT_SHORT: Record<Limit, string> = {
  CLOSES_AT: 'its close',
  CUTOFF: 'the cut-off',
  GRADING_CLOSE: 'the close',
  REDO_UNTIL: 'end of redo',
  ATTEMPTS: 'last attempt',
};

const A_DAY = 24 * 60;

export const FLAG_WORDS: Record<NonNullable<Work['flag']>, string> = {
  LATE: 'flagged late',
  ON_TIME: 'flagged on time',
  MISSING: 'flagged missing',
  INCOMPLETE: 'flagged incomplete',
  COLLECTED: 'on paper',
  CLEARED: '',
};

/** What stands behind the stage: "2 of 4 parts", "missing", "redo asked". Empty if nothing does. */
export function stageDetail(work: Work): string {
  if (work.flag) return FLAG_WORDS[work.flag];
  if (work.stage === 'DRAFT' && work.parts) {
    return work.parts.done > 0 ? `${work.parts.done} of ${work.parts.of}` : 'nothing posted';
  }
  if (work.stage === 'DRAFT') return work.missing ? 'missing' : 'not handed in';
  if (work.stage === 'NOT_OPEN' && work.lock) return 'locked';
  if (work.stage === 'RETURNED' && work.move === 'YOURS') {
    return work.redo?.kind === 'ASKED' ? 'redo asked' : 'redo open';
  }
  return work.missing ? 'missing' : '';
}

const TIMING_WORDS: Record<Work['timing'], string> = {
  NO_DUE_DATE: 'it has no due date',
  AHEAD: 'its due is ahead',
  DUE_SOON: 'it is due soon',
  OVERDUE: 'it is overdue',
  CLOSED: 'it is closed and nothing was handed in',
  ON_TIME: 'it was handed in on time',
  LATE: 'it was handed in late',
};

/** Both words where a teacher's flag and the clock differ; empty where they don't. */
export function flagAgainstClock(work: Work): string {
  if (!work.flag || !work.flagDiffers) return '';
  return `The gradebook says ${FLAG_WORDS[work.flag].replace('flagged ', '')}; by the clock ${TIMING_WORDS[work.timing]}.`;
}

/** "18 of 20", "hidden of 25" and the like; the number is missing where none may be shown. */
export function scoreWords(score: Work['score']): { points: string; of: string; mark: string } {
  const mark = { NONE: '', HIDDEN: 'hidden', PROVISIONAL: 'so far', FINAL: '' }[score.mark];
  if (score.possible === '0' && !score.points) return { points: '', of: '', mark };
  return { points: score.points ?? (score.mark === 'HIDDEN' ? '' : '—'), of: `of ${score.possible}`, mark };
}

/** What is taken off where nobody has said what being late costs and a figure is needed. */
export const ASSUMED_LATE = '20 % off at the due, 10 % more each day, and all of it after seven days';

export interface Countdown {
  /** In words: "1 h 40 to due". */
  words: string;
  /** Minutes to the next loss; null where none is ahead. */
  minutes: number | null;
  /** Whether something has been lost already, or is about to be within a day. */
  hot: boolean;
}

/** The gate that shuts it, in one sentence; null for none. */
export function lockWords(work: Work): string | null {
  return work.lock && asRead(work.lock);
}

/** The row's right-hand end: what happens next, and how long until then. */
export function countdown(work: Work, zone: string, now: number): Countdown {
  const calm = (words: string): Countdown => ({ words, minutes: null, hot: false });
  if (work.endsAt && work.due && now < new Date(work.endsAt).getTime()) {
    const minutes = minutesBetween(now, work.due);
    return minutes > 0 ? { words: `starts in ${span(minutes)}`, minutes, hot: false } : calm('happening now');
  }
  if (work.move === 'YOURS') return yours(work, now);
  if (work.move === 'NOT_YET') {
    const ahead = work.opensAt !== null && new Date(work.opensAt).getTime() > now;
    return calm(
      lockWords(work) ??
        (ahead && work.opensAt ? `opens ${nearStart(work.opensAt, zone, now)}` : 'behind a gate'),
    );
  }
  if (work.move === 'TEACHERS') return calm(withTeacher(work, zone, now));
  if (work.move === 'OUT_OF_REACH') return calm('closed');
  if (work.stage === 'EXCUSED') return calm('');
  if (work.timing === 'LATE' && work.due && work.handedInAt) {
    return calm(`${lateSpan(minutesBetween(new Date(work.due).getTime(), work.handedInAt))} late`);
  }
  if (work.timing === 'ON_TIME') return calm('on time');
  return calm(work.required || work.stage === 'RETURNED' ? '' : 'optional, past its due');
}

function withTeacher(work: Work, zone: string, now: number): string {
  if (work.handedInAt) {
    return `in since ${near(work.handedInAt, zone, now)}${work.timing === 'LATE' ? ', late' : ''}`;
  }
  return work.stage === 'TURNED_IN' ? 'collected' : 'extension asked for';
}

function yours(work: Work, now: number): Countdown {
  const minutes = work.next ? minutesBetween(now, work.next.at) : null;
  if (work.timing === 'OVERDUE' && work.redo === null && work.due) {
    const late = `${lateSpan(-minutesBetween(now, work.due))} late`;
    return { words: minutes === null ? late : `${late}, ${nextLoss(work, minutes)}`, minutes, hot: true };
  }
  if (minutes === null || !work.next) return { words: 'no due date', minutes, hot: false };
  const to = work.next.limit ? LIMIT_SHORT[work.next.limit] : 'due';
  return { words: `${span(minutes)} to ${to}`, minutes, hot: minutes < A_DAY };
}

/** "−2 in 7 h" where waiting costs points, "7 h left" where it costs everything. */
function nextLoss(work: Work, minutes: number): string {
  const lost = Number(work.next?.lost ?? 0);
  return work.next?.limit || work.next?.unknown || lost === 0
    ? `${roughSpan(minutes)} left`
    : `−${Math.round(lost * 10) / 10} in ${roughSpan(minutes)}`;
}

/** How full the bar to the next loss is, 0 to 1: a fortnight is full, and the last hours take a visible share. */
export function barShare(minutes: number): number {
  const fortnight = 14 * 24 * 60;
  return Math.min(1, Math.max(0.03, Math.log1p(Math.max(0, minutes)) / Math.log1p(fortnight)));
}

export function bytes(size: number): string {
  if (size >= 2 ** 30) return `${(size / 2 ** 30).toFixed(1).replace('.0', '')} GB`;
  if (size >= 1 << 20) return `${(size / (1 << 20)).toFixed(1).replace('.0', '')} MB`;
  return size >= 1024 ? `${Math.round(size / 1024)} kB` : `${size} bytes`;
}

export function count(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}

/** A sentence of the server, as this person reads days and times, with its full stop, also where it ends with somebody's own. */
export function sentence(words: string): string {
  const read = asRead(words);
  return /[.!?…”]$/.test(read) ? read : `${read}.`;
}
