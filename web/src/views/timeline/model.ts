import type { Board, Schemas, Work } from '../../api/client';

export type Timeline = Schemas['TimelineView'];
export type TimelineWork = Timeline['works'][number];
export type Day = Timeline['days'][number];

export const MINUTE = 60_000;
export const HOUR = 60 * MINUTE;
export const DAY = 24 * HOUR;

/** Before its due, the rail of work that nobody said an opening of. */
const UNSAID = 4 * DAY;
/** How far the tail of work is drawn that is taken without end. */
const ENDLESS = 3 * DAY;

export function ms(instant: string): number {
  return new Date(instant).getTime();
}

function msOr<T>(instant: string | null, otherwise: T): number | T {
  return instant === null ? otherwise : ms(instant);
}

/** A stretch after the due in which the same share of the points is kept. */
export interface Step {
  from: number;
  to: number;
  /** 0 to 1. */
  share: number;
}

/** A piece of work as it lies in time. */
export interface Bar {
  work: Work;
  told: TimelineWork;
  from: number;
  /** Whether `from` is only a guess: nobody said when it opened. */
  unsaid: boolean;
  /** In force; null where only a hand-in places it. */
  due: number | null;
  /** Where the rail of what was done, or is to be done, ends. */
  railEnd: number;
  steps: readonly Step[];
  /** Whether it is taken without end. */
  endless: boolean;
  extended: number | null;
  tokens: readonly number[];
  safeBy: number | null;
  /** The last instant of anything that is drawn of it. */
  to: number;
  /** Overdue, and still to be done: it stays in sight at the line of now. */
  held: boolean;
}

function stepsOf(told: TimelineWork, due: number): Step[] {
  const steps: Step[] = [];
  let from = due;
  for (const kept of told.kept) {
    const to = msOr(kept.until, from + ENDLESS);
    if (to > from) steps.push({ from, to, share: Number(kept.share) });
    from = Math.max(from, to);
  }
  return steps;
}

/** Null for work that nothing places in time: it lies on the shelf. */
export function barOf(work: Work, told: TimelineWork): Bar | null {
  const opens = msOr(told.opens, null);
  const due = msOr(told.due, null);
  const handedIn = msOr(told.handedIn, null);
  const returned = msOr(told.returned, null);
  const placed = due ?? handedIn ?? returned;
  if (placed === null) return null;
  const open = work.move === 'YOURS' || work.move === 'NOT_YET';
  const steps = due !== null && open ? stepsOf(told, due) : [];
  const tokens = told.tokenDues.map(ms);
  const extended = msOr(told.extended, null);
  const done = returned ?? handedIn;
  const railEnd = open || done === null ? placed : done;
  const from = opens ?? Math.min(placed, handedIn ?? placed) - UNSAID;
  const last = steps.at(-1);
  return {
    work,
    told,
    from: Math.min(from, railEnd),
    unsaid: opens === null,
    due,
    railEnd,
    steps,
    endless: open && due !== null && told.ends === null,
    extended: open ? extended : null,
    tokens: open ? tokens : [],
    safeBy: open ? msOr(told.safeBy, null) : null,
    to: Math.max(
      railEnd,
      due ?? railEnd,
      last?.to ?? 0,
      open ? (extended ?? 0) : 0,
      open ? (tokens.at(-1) ?? 0) : 0,
    ),
    held: work.move === 'YOURS' && work.timing === 'OVERDUE',
  };
}

/** The work of one course, as it lies in time and on its shelf. */
export interface Lane {
  course: Board['courses'][number];
  bars: readonly Bar[];
  shelf: readonly Work[];
}

export function lanesOf(board: Board, timeline: Timeline, shown: readonly Work[]): Lane[] {
  const told = new Map(timeline.works.map((work) => [work.work, work]));
  return board.courses
    .map((course) => {
      const bars: Bar[] = [];
      const shelf: Work[] = [];
      for (const work of shown) {
        if (work.courseId !== course.id) continue;
        const lies = told.get(work.id);
        const bar = lies ? barOf(work, lies) : null;
        if (bar) bars.push(bar);
        else shelf.push(work);
      }
      return { course, bars: bars.sort((a, b) => a.from - b.from || a.work.id - b.work.id), shelf };
    })
    .filter((lane) => lane.bars.length > 0 || lane.shelf.length > 0);
}

/** A bar in its row. Extents are pixels from the first day of all. */
export interface Placed {
  bar: Bar;
  row: number;
  left: number;
  right: number;
}

export interface Packed {
  placed: readonly Placed[];
  rows: number;
}

const GAP = 14;

/** The part of time that rows are made for, in pixels. */
export interface Stretch {
  left: number;
  right: number;
  /** Where what began before stands written. */
  edge: number;
}

/**
 * Puts the bars of a stretch of time into as few rows as it takes, none over another, each with room for its words. What is
 * held at the line of now has a row of its own, on top. What lies outside of the stretch makes no rows.
 *
 * @param x pixels of an instant
 * @param labelWidth pixels of what is written at a bar
 */
export function pack(
  bars: readonly Bar[],
  x: (at: number) => number,
  labelWidth: (bar: Bar) => number,
  { left, right, edge }: Stretch,
): Packed {
  const placed: Placed[] = [];
  const outside: Bar[] = [];
  let held = 0;
  for (const bar of bars) {
    if (bar.held) placed.push({ bar, row: held++, left: x(bar.from), right: x(bar.to) });
  }
  const ends: number[] = [];
  for (const bar of bars) {
    if (bar.held) continue;
    const from = x(bar.from);
    const to = x(bar.to);
    const width = labelWidth(bar);
    if (from > right || Math.max(to, from + width) < left) {
      outside.push(bar);
      continue;
    }
    const written = to > edge ? Math.max(from, edge) : from;
    const end = Math.max(to, written + width);
    let row = ends.findIndex((last) => last + GAP <= from);
    if (row < 0) row = ends.push(0) - 1;
    ends[row] = end;
    placed.push({ bar, row: row + held, left: from, right: end });
  }
  for (const bar of outside) {
    placed.push({
      bar,
      row: held,
      left: x(bar.from),
      right: Math.max(x(bar.to), x(bar.from) + labelWidth(bar)),
    });
  }
  return { placed, rows: held + ends.length };
}

let pen: CanvasRenderingContext2D | null = null;
const widths = new Map<string, number>();
const MOST_WIDTHS = 20_000;

/** Pixels that a text takes; the same text is measured once. */
export function textWidth(text: string, font: string): number {
  const key = `${font} ${text}`;
  let width = widths.get(key);
  if (width === undefined) {
    pen ??= document.createElement('canvas').getContext('2d');
    if (!pen) return text.length * 7;
    pen.font = font;
    width = Math.ceil(pen.measureText(text).width);
    if (widths.size > MOST_WIDTHS) widths.clear();
    widths.set(key, width);
  }
  return width;
}

export function forgetWidths(): void {
  widths.clear();
}

/** Where days, weeks, hours stand, by how much room a day has. */
export type Grain = 'weeks' | 'days' | 'hours';

export function grainOf(pixelsADay: number): Grain {
  return pixelsADay < 27 ? 'weeks' : pixelsADay < 340 ? 'days' : 'hours';
}

/** Hours between two marks of the clock, so that they don't crowd. */
export function hourStep(pixelsADay: number): number {
  return [1, 2, 3, 6, 12].find((step) => (pixelsADay / 24) * step >= 46) ?? 12;
}

/** The hours of a day that the clock shows, at their instants: a day at a clock change has 23 or 25 of them. */
export function hoursOf(
  day: Day,
  step: number,
  wall: (at: number) => string,
): { at: number; words: string }[] {
  const hours: { at: number; words: string }[] = [];
  for (let at = ms(day.starts); at < ms(day.ends); at += HOUR) {
    const words = wall(at);
    if (Number(words.slice(0, 2)) % step === 0) hours.push({ at, words });
  }
  return hours;
}

/** Hours of a day, 24 but at a clock change. */
export function hoursIn(day: Day): number {
  return Math.round((ms(day.ends) - ms(day.starts)) / HOUR);
}
