import type { Schemas, Work } from '../../api/client';
import { stakeWords } from '../../lib/readings';
import { instantWords, localDate, near, span } from '../../lib/time';
import { count } from '../../lib/words';

export type Next = Schemas['NextView'];
export type PlannedMove = Schemas['MoveView'];
export type LeftMove = Schemas['LeftView'];
export type Errand = Schemas['ErrandView'];
export type Stake = Schemas['StakeView'];
type Deed = PlannedMove['deed'];

const VERBS: Record<Deed, string> = {
  FIX: 'Fix and hand in again',
  REDO: 'Redo',
  FINISH_PARTS: 'Write what is left',
  FINISH_DRAFT: 'Finish the hand-in',
  HAND_IN: 'Hand in',
  COMPLETE: 'Add what is lacking',
  PREPARE: 'Prepare for',
};

/** What is less isn't worth a figure, in course percent. */
const LEAST_SAID = 0.05;
/** How many of the moves that push another down are named. */
const MOST_PUSHING = 3;

/** What to do with it, as a verb. */
export function verb(deed: Deed, work: Work): string {
  if (deed === 'FINISH_PARTS' && work.parts) return `Write ${partsLeft(work.parts)}`;
  if (deed === 'HAND_IN' && work.kind === 'DISCUSSION') return 'Write';
  if (deed === 'HAND_IN' && work.byAttempts) return 'Do';
  if (deed === 'HAND_IN' && work.kind === 'PRACTICE') return 'Practise';
  return VERBS[deed];
}

function partsLeft(parts: NonNullable<Work['parts']>): string {
  const posts = parts.postsLeft > 0 ? count(parts.postsLeft, 'post') : '';
  const replies = parts.repliesLeft > 0 ? count(parts.repliesLeft, 'reply', 'replies') : '';
  return [posts, replies].filter(Boolean).join(' and ');
}

/** "+2.1 %", "+0.04 %", "0 %": of the course. */
export function gainWords(percent: string): string {
  const value = Number(percent);
  return value === 0 ? '0 %' : `${value > 0 ? '+' : '−'}${stakeWords(percent)}`;
}

/** Why a move stands where it stands. */
export function why(move: PlannedMove, titles: (work: number) => string, zone: string, now: number): string {
  const { because } = move;
  if (because.kind === 'WISHED') {
    if (move.nailed) return `You nailed it to ${near(move.nailed, zone, now)}`;
    return move.before ? `You put it before ${titles(move.before)}` : 'You put it first';
  }
  if (because.kind === 'OPENS_OTHERS') {
    const [first, ...more] = because.opens;
    return `Opens ${titles(first ?? 0)}${more.length > 0 ? ` and ${more.length} more` : ''}`;
  }
  if (because.missed && (because.kind === 'NO_TIME_BEFORE_DUE' || because.kind === 'LATE_FOR_OTHERS')) {
    const cause =
      because.kind === 'NO_TIME_BEFORE_DUE' ? 'too few free hours before' : 'other work saves more before';
    const cost =
      Number(because.loses) < 0.05 ? '' : `; being late is counted as ${stakeWords(because.loses)} less`;
    return `Late for ${instantWords(because.missed, zone, now)}: ${cause}${cost}`;
  }
  if (because.kind === 'OVERDUE_UNKNOWN')
    return Number(move.gain) === 0
      ? 'Overdue, at an unknown cost: nothing of it is assumed to be left'
      : 'Overdue, at an unknown cost: its gain is what is assumed to be left';
  if (because.at && because.kind === 'ON_TIME')
    return `${move.deed === 'PREPARE' ? 'Ready' : 'On time if in'} by ${instantWords(because.at, zone, now)}`;
  if (because.at && (because.kind === 'BEFORE_A_LOSS' || because.kind === 'SAFE_BY')) {
    const when = instantWords(because.at, zone, now);
    if (because.kind === 'SAFE_BY') return `Safe if in by ${when}`;
    return Number(because.loses) < 0.05
      ? `In time for ${when}`
      : `${move.deed === 'PREPARE' ? 'Ready' : 'In'} by ${when}, or ${stakeWords(because.loses)} less`;
  }
  if (because.at) {
    const when = instantWords(because.at, zone, now);
    if (because.kind === 'WORTH_UNKNOWN')
      return `${move.deed === 'PREPARE' ? 'Ready' : 'In'} by ${when}; what it is worth isn’t known`;
    return Number(because.loses) < 0.05
      ? `In by ${when}; what being late costs isn’t known`
      : `In by ${when}; being late is assumed to cost ${stakeWords(because.loses)}`;
  }
  return because.kind === 'WORTH_UNKNOWN'
    ? 'Without a due, and what it is worth isn’t known'
    : 'Loses nothing by waiting; it fits here';
}

const LIKELY_WORDS: Record<PlannedMove['likely'], string> = {
  VERY_LIKELY: 'very likely',
  LIKELY: 'likely',
  AT_RISK: 'at risk',
};

/** How sure it is that a move brings what it says; empty where nothing hangs on when it is done. */
export function likelyWords(move: PlannedMove): string {
  return LIKELY_WORDS[move.likely];
}

/** What makes it so: the room there is, beside how far efforts are off. */
export function sureWords(move: PlannedMove, zone: string, now: number): string {
  const word = likelyWords(move);
  const said = `${word.charAt(0).toUpperCase()}${word.slice(1)}`;
  if (move.because.at === null || move.spareMinutes === null)
    return `${said}: nothing is lost by finishing later.`;
  if (move.because.missed)
    return `${said} after its due, ${near(move.because.missed, zone, now)}: such work often takes longer or shorter than ${span(move.minutes)}.`;
  const when = near(move.because.at, zone, now);
  const room = move.spareMinutes === 0 ? 'no free time' : `${span(move.spareMinutes)} of free time`;
  return `${said}: ${room} to spare before ${when}, and such work often takes longer or shorter than ${span(move.minutes)}.`;
}

/** What stands otherwise than before, and why, in one line; null for nothing. */
export function turnWords(
  next: Next,
  titles: (work: number) => string,
  zone: string,
  now: number,
): string | null {
  const { turn } = next;
  if (!turn) return null;
  const move = next.moves.find((one) => one.work === turn.work);
  if (turn.kind === 'UP' && move) {
    return `${titles(turn.work)} moved up ${near(turn.at, zone, now)}: ${lowered(why(move, titles, zone, now))}.`;
  }
  const left = next.left.find((one) => one.work === turn.work);
  return turn.kind === 'OUT' && left
    ? `${titles(turn.work)} fell out ${near(turn.at, zone, now)}: ${leftWords(left, titles)}.`
    : null;
}

function lowered(words: string): string {
  return `${words.charAt(0).toLowerCase()}${words.slice(1)}`;
}

/** "71 % of it, nine times in ten at least 58 %": what is saved when work takes as long as it may. */
export function shareWords({ mean, low }: Next['share']): string {
  return `${mean} % of all that is at stake, nine times in ten at least ${low} %`;
}

/** What something else than the plan would cost, in one sentence. */
export function insteadWords(
  { fall, prices, losers }: Schemas['InsteadView'],
  titles: (work: number) => string,
  courses: (course: number) => string,
  zone: string,
  now: number,
): string {
  const dear = prices.filter((price) => Number(price.fall) >= LEAST_SAID);
  const lost = losers
    .slice(0, MOST_PUSHING)
    .map(({ work, missed }) =>
      missed === null
        ? `${titles(work)} would be left out`
        : `${titles(work)} would miss ${instantWords(missed, zone, now)}`,
    );
  const more = losers.length - lost.length;
  const of = dear.map((price) => `${stakeWords(price.fall)} of ${courses(price.course)}`);
  const cost =
    of.length > 0
      ? `costs ${of.join(', ')}`
      : Number(fall) <= -LEAST_SAID
        ? 'costs nothing as it looks now'
        : 'costs nothing';
  return `${cost}${lost.length > 0 ? `. ${lost.join('; ')}` : ''}${more > 0 ? `; and ${more} more` : ''}.`;
}

export interface DayOfMoves {
  date: string;
  minutes: number;
  free: number;
  moves: { move: PlannedMove; number: number }[];
}

/** The moves by the day on which each is begun, with the minutes planned and free on it. */
export function byDay(next: Next, zone: string): DayOfMoves[] {
  const days = new Map<string, DayOfMoves>();
  const dayOf = (instant: string) => {
    const date = localDate(new Date(instant).getTime(), zone);
    const day = days.get(date) ?? { date, minutes: 0, free: 0, moves: [] };
    days.set(date, day);
    return day;
  };
  for (const free of next.free) dayOf(free.start).free += minutes(free);
  next.moves.forEach((move, place) => {
    for (const sitting of move.sittings) dayOf(sitting.start).minutes += minutes(sitting);
    const first = move.sittings[0];
    if (first) dayOf(first.start).moves.push({ move, number: place + 1 });
  });
  return [...days.values()].sort((a, b) => a.date.localeCompare(b.date));
}

export interface WantedMove {
  work: number;
  wish: Pick<Schemas['WishForm'], 'kind'> & Partial<Schemas['WishForm']>;
}

/**
 * What it means that a move is put where another stands: up to the top it comes first, further up before that one; down
 * within its day that one comes before it, and down to another day it waits for the first free hour of that day.
 *
 * @param from the place of the move in the plan's order
 * @param to the place of the other. @returns null where nothing is moved
 */
export function wishOfMoving(next: Next, zone: string, from: number, to: number): WantedMove | null {
  const moved = next.moves[from];
  const other = next.moves[to];
  if (!moved || !other || from === to) return null;
  if (to === 0) return { work: moved.work, wish: { kind: 'FIRST' } };
  if (to < from) return { work: moved.work, wish: { kind: 'BEFORE', before: other.work } };
  const date = dateOf(other, zone);
  if (date === dateOf(moved, zone)) {
    return { work: other.work, wish: { kind: 'BEFORE', before: moved.work } };
  }
  const opens = next.free.find((free) => localDate(new Date(free.start).getTime(), zone) === date);
  return opens ? { work: moved.work, wish: { kind: 'LATER', notBefore: opens.start } } : null;
}

function dateOf(move: PlannedMove, zone: string): string {
  return localDate(new Date(move.sittings[0]?.start ?? 0).getTime(), zone);
}

/** What comes before a move though it brings less a minute, and why each does: those with the nearest reason first. */
export function pushedWords(
  move: PlannedMove,
  next: Next,
  titles: (work: number) => string,
  zone: string,
  now: number,
): string {
  const { pushedBy } = move.because;
  if (next.moves[0]?.work === move.work) return 'Nothing: it comes first.';
  if (pushedBy.length === 0) return 'Everything above it brings more a minute.';
  const shown = pushedBy.slice(-MOST_PUSHING).map((id) => {
    const other = next.moves.find((one) => one.work === id);
    const reason = other && why(other, titles, zone, now);
    return reason ? `${titles(id)} (${lowered(reason)})` : titles(id);
  });
  const more = pushedBy.length - shown.length;
  return `${shown.join('; ')}${more > 0 ? `; and ${more} more` : ''}. They bring less a minute and come first all the same.`;
}

function minutes(stretch: Schemas['SpanView']): number {
  return (new Date(stretch.end).getTime() - new Date(stretch.start).getTime()) / 60_000;
}

/** By how much the wishes lower what the plan keeps, course by course; those that can be said in a figure. */
export function pricesOf(next: Next): Schemas['PriceView'][] {
  return next.prices.filter((price) => Number(price.fall) >= 0.005);
}

/** How the work that is yours is accounted for, to the last piece. */
export function account(next: Next): string {
  const planned = next.moves.filter((move) => move.yours).length;
  const ahead = next.moves.length - planned;
  return [
    `${planned} planned`,
    next.left.length > 0 && `${next.left.length} left out`,
    next.inClass.length > 0 && `${next.inClass.length} in class`,
    ahead > 0 && `and ${ahead} that open in time`,
  ]
    .filter(Boolean)
    .join(', ');
}

export function proofWords(next: Next): string {
  if (next.proven) return 'If all takes as long as thought, no plan saves more.';
  return `If all takes as long as thought, no plan could save more than ${next.withinPercent} % beyond this.`;
}

const LEFT_WORDS: Record<LeftMove['because'], string> = {
  EARNS_NOTHING: 'it brings nothing',
  WORTH_UNKNOWN: 'what it is worth isn’t known',
  CANNOT_BE_DONE: 'it doesn’t fit before its last instant',
  OTHERS_SAVE_MORE: 'the same hours save more elsewhere',
  SHUT_FOR_GOOD: 'shut for good',
};

/** Why the plan leaves it out; of what is shut for good, what would open it. */
export function leftWords(left: LeftMove, titles: (work: number) => string): string {
  if (left.because !== 'SHUT_FOR_GOOD') return LEFT_WORDS[left.because];
  return `${LEFT_WORDS.SHUT_FOR_GOOD}, unless the teacher opens ${left.shutBy.map(titles).join(' and ')} again`;
}

export function budgetWords(budget: number | null, own: boolean): string {
  return budget === null ? (own ? 'my free hours' : 'their free hours') : span(budget);
}

export function askWords(leeway: NonNullable<PlannedMove['leeway']>): string {
  return leeway.kind === 'EXTENSION' ? 'Ask for more days' : `Use ${count(leeway.tokens, 'token')}`;
}

/** Asking for more days, and using tokens: moves of their own that take no time. */
export function leewayWords(leeway: NonNullable<PlannedMove['leeway']>, zone: string, now: number): string {
  return leeway.due === null
    ? askWords(leeway)
    : `${askWords(leeway)}; due then ${near(leeway.due, zone, now)}`;
}

/** Until when that can be had, and what it gives: "Before today 18:00; due then Mon 30 Nov". */
export function leewaySpan(leeway: NonNullable<PlannedMove['leeway']>, zone: string, now: number): string {
  const until = leeway.until === null ? 'At any time' : `Before ${near(leeway.until, zone, now)}`;
  return leeway.due === null ? until : `${until}; due then ${near(leeway.due, zone, now)}`;
}
