import * as chrono from 'chrono-node';
import type { Course, Work } from '../api/client';
import { dateWords, fieldTime, numberOrder, span } from './time';
import { KIND_WORDS } from './words';

/** What one line says of a piece of work: "soil essay fri 17:00 60p 3h", "quiz 4 plants every friday until 18 dec". */
export interface Line {
  title: string;
  /** Null where it names none. */
  course: number | null;
  kind: Work['kind'];
  opensDay: string | null;
  dueDay: string | null;
  /** "17:00"; null for the end of the day. */
  dueTime: string | null;
  /** "18:30", of what happens at a time. */
  endsTime: string | null;
  possible: string | null;
  effortMinutes: number | null;
  /** Days of all of it where it repeats, the first included; empty where it doesn't. */
  days: string[];
  /** How often, in words; empty where it doesn't repeat. */
  every: string;
}

export interface Asked {
  courses: readonly Course[];
  /** Of the line where it names none; null for none. */
  course: number | null;
  /** Today, as "2026-11-24". */
  today: string;
  /** The first and the last day of the term; null where none is known. */
  firstDay: string | null;
  lastDay: string | null;
  /** Days off, both days included. */
  daysOff: readonly { first: string; last: string }[];
}

const POINTS = /(?:^|\s)\(?(\d{1,4}(?:[.,]\d{1,2})?)\s?(?:p|pts?|points?|marks?)(?:\)|(?=\s|$|[,;.]))/i;
const HOURS =
  /(?:^|\s)\(?(?:(\d{1,2})\s?h(?:ours?|rs?)?(?:\s?(\d{1,2})(?:\s?m(?:in(?:utes?)?)?)?)?|(\d{1,3})\s?min(?:utes?)?)(?:\)|(?=\s|$|[,;.]))/i;
const EVERY =
  /\b(?:every|each)\s+(?:(other|second|\d)\s+)?(week|day|monday|tuesday|wednesday|thursday|friday|saturday|sunday|mon|tue|wed|thu|fri|sat|sun)s?\b|\b(weekly|daily)\b/i;
const UNTIL = /\b(?:until|till|to|through)\s+(.+)$/i;
const TIMES = /\b(?:x|×|times)\s?(\d{1,2})\b|\b(\d{1,2})\s?(?:x|×|times)\b/i;
const OPENS = /\b(?:opens?|from|starting|available)\s+(.+?)(?=\s+(?:due|by|until)\b|$)/i;
const KINDS: readonly (readonly [RegExp, Work['kind']])[] = [
  [/\bquiz(?:zes)?\b/i, 'QUIZ'],
  [/\b(?:test|exam|examination|midterm|final exam)s?\b/i, 'TEST'],
  [/\b(?:project|presentation|portfolio)s?\b/i, 'PROJECT'],
  [/\b(?:discussion|forum)s?\b/i, 'DISCUSSION'],
  [/\b(?:practice|exercises?)\b/i, 'PRACTICE'],
];
const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];
const MOST = 60;
const A_WEEK = 7;

/** Days are counted without a clock: a day's noon, so that no zone moves it. */
function noon(day: string): Date {
  return new Date(`${day}T12:00:00`);
}

function dayOf(date: Date): string {
  const two = (number: number) => String(number).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}

function plus(day: string, days: number): string {
  const date = noon(day);
  date.setDate(date.getDate() + days);
  return dayOf(date);
}

interface Moment {
  day: string;
  time: string | null;
  ends: string | null;
  /** Where it stands in the text: its day, and its time where that stands apart. */
  at: readonly Place[];
}

interface Place {
  index: number;
  length: number;
}

/** "11:59p" for 11:59 pm. */
const SHORT_HALF = /\b(\d{1,2}:\d\d)\s?([ap])(?![\p{L}.])/giu;

function halvesWhole(text: string): string {
  return text.replace(SHORT_HALF, '$1$2m');
}

/** The 7 of "quiz 7 dec 9", which whoever writes the month first doesn't mean as a day. */
const NUMBER_BEFORE_A_DATE =
  /\b\d{1,2}(?=\s+(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?\s+\d{1,2}(?:st|nd|rd|th)?(?![\d:]|\.\d|\s?[ap]\.?m\b|h\b))/gi;

function clockOf(at: chrono.ParsedComponents): string | null {
  if (!at.isCertain('hour')) return null;
  const two = (number: number | null) => String(number ?? 0).padStart(2, '0');
  return `${two(at.get('hour'))}:${two(at.get('minute'))}`;
}

type Term = Pick<Asked, 'today' | 'firstDay' | 'lastDay'>;

/** A day whose year nobody said is the one of the term, though it is over; else the next. */
function dayWithin(at: chrono.ParsedComponents, { firstDay, lastDay }: Term): string {
  const next = dayOf(at.date());
  if (!firstDay || !lastDay || at.isCertain('year') || !at.isCertain('month')) return next;
  const before = `${Number(next.slice(0, 4)) - 1}${next.slice(4)}`;
  return next > lastDay && firstDay <= before && before <= lastDay ? before : next;
}

/** The last day that a text names: what stands at the end is what it is due. "12/3" is as its reader writes days. */
function momentIn(text: string, term: Term, forward = true): Moment | null {
  const dayFirst = numberOrder() === 'DAY_FIRST';
  const english = dayFirst ? chrono.en.GB : chrono.en.casual;
  const read = dayFirst ? text : text.replace(NUMBER_BEFORE_A_DATE, (number) => '-'.repeat(number.length));
  const found = english.parse(read, noon(term.today), { forwardDate: forward });
  const dated = found.filter((at) => at.start.isCertain('day') || at.start.isCertain('weekday')).at(-1);
  const clocked = found.filter((at) => at.start.isCertain('hour')).at(-1);
  const day = dated ?? clocked;
  if (!day) return null;
  const clock = day.start.isCertain('hour') ? day : (clocked ?? day);
  return {
    day: dayWithin(day.start, term),
    time: clockOf(clock.start),
    ends: clock.end ? clockOf(clock.end) : null,
    at: [...new Set([day, clock])].map((one) => ({ index: one.index, length: one.text.length })),
  };
}

/** The text without the words of a moment. */
function cut(text: string, moment: Moment): string {
  return [...moment.at]
    .sort((a, b) => b.index - a.index)
    .reduce((left, { index, length }) => without(left, index, length), text);
}

function without(text: string, index: number, length: number): string {
  return `${text.slice(0, index)} ${text.slice(index + length)}`;
}

function taken(text: string, pattern: RegExp): [RegExpMatchArray | null, string] {
  const found = text.match(pattern);
  return [found, found ? without(text, found.index ?? 0, found[0].length) : text];
}

function tidy(text: string): string {
  return text
    .replace(/\s+/g, ' ')
    .replace(/\s+([,;.)])/g, '$1')
    .replace(/\(\s*\)/g, '')
    .replace(/^[\s,;:.–—|-]+|[\s,;:–—|-]+$/g, '')
    .replace(/\b(?:is due|due|by|on|at|deadline)[\s:.]*$/i, '')
    .replace(/^(?:due|deadline)[\s:]+/i, '')
    .replace(/[\s,;:–—|-]+$/g, '')
    .trim();
}

/** Words of three letters that name no course. */
const LITTLE = new Set(['the', 'for', 'and', 'due', 'all', 'one', 'two', 'new']);

/** How surely a word names a course: its own words do, their beginnings, and at either end of a line three letters of them. */
function hitOf(word: string, atAnEnd: boolean, parts: readonly string[]): number {
  if (parts.includes(word)) return 1;
  // "maths" is short for what doesn't go on with an s.
  const begins = word.length >= 5 ? word.replace(/s$/, '') : word;
  if (!parts.some((part) => part.startsWith(begins))) return 0;
  if (word.length >= 4) return 1;
  return atAnEnd && !LITTLE.has(word) ? 0.5 : 0;
}

/** The course whose name, short name or one of its long words begins like a word of the line; that word stays in the title. */
function courseIn(text: string, courses: readonly Course[]): number | null {
  const words = text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length >= 3);
  const scored = courses
    .map((course) => {
      const names = `${course.name} ${course.shortName}`.toLowerCase();
      const parts = names.split(/[^\p{L}\p{N}]+/u).filter((part) => part.length >= 3);
      const hits = words.map((word, place) => hitOf(word, place === 0 || place === words.length - 1, parts));
      return {
        id: course.id,
        score: text.toLowerCase().includes(course.name.toLowerCase())
          ? 10
          : hits.reduce((sum, hit) => sum + hit, 0),
      };
    })
    .filter((one) => one.score > 0)
    .sort((a, b) => b.score - a.score);
  const [first, second] = scored;
  return first && (!second || first.score > second.score) ? first.id : null;
}

/** The title without a course that it names whole, where something is left. */
function withoutCourse(title: string, course: Course | undefined): string {
  for (const name of course ? [course.name, course.shortName] : []) {
    const at = title.toLowerCase().indexOf(name.toLowerCase());
    if (at < 0) continue;
    const rest = tidy(without(title, at, name.length).replace(/\b(?:for|in|of|:)\s*$/i, ''));
    if (/\p{L}{2}/u.test(rest)) return rest;
  }
  return title;
}

/** What was understood beside title and course: "quiz, due Fri 4 Dec 17:00, 60 points"; a day of another year with it. */
export function lineWords(line: Line, today: string): string {
  const on = (day: string) =>
    day.slice(0, 4) === today.slice(0, 4) ? dateWords(day) : `${dateWords(day)} ${day.slice(0, 4)}`;
  const clock = line.dueTime ? ` ${fieldTime(line.dueTime)}` : '';
  const end = line.endsTime ? ` to ${fieldTime(line.endsTime)}` : '';
  const parts = [
    KIND_WORDS[line.kind].toLowerCase(),
    line.opensDay ? `opens ${on(line.opensDay)}` : '',
    line.dueDay ? `${end ? 'at' : 'due'} ${on(line.dueDay)}${clock}${end}` : 'no due date',
    line.possible ? `${line.possible} points` : '',
    line.effortMinutes ? span(line.effortMinutes) : '',
  ];
  return parts.filter(Boolean).join(', ');
}

/** A day and a time of day, as fields have them: "2026-11-24", "17:05". */
export interface WallNow {
  today: string;
  time: string;
}

/** Whether a due is over. @param time of day; null or empty for the end of it */
export function isOver(day: string, time: string | null, now: WallNow): boolean {
  return day < now.today || (day === now.today && !!time && time < now.time);
}

/** How many of its dues are over; what happens at a time of its own is never handed in. */
export function overIn(line: Line, now: WallNow): number {
  if (line.endsTime) return 0;
  const days = line.days.length > 0 ? line.days : [line.dueDay];
  return days.filter((day) => day !== null && isOver(day, line.dueTime, now)).length;
}

export function kindOf(title: string): Work['kind'] {
  return KINDS.find(([words]) => words.test(title))?.[1] ?? 'ASSIGNMENT';
}

interface Repeat {
  step: number;
  weekday: number | null;
  words: string;
}

function repeatOf(found: RegExpMatchArray): Repeat {
  const many = found[1] === undefined ? 1 : /other|second/i.test(found[1]) ? 2 : Number(found[1]);
  const unit = (found[2] ?? found[3] ?? '').toLowerCase();
  if (unit === 'day' || unit === 'daily') return { step: many, weekday: null, words: 'every day' };
  const weekday = WEEKDAYS.indexOf(unit.slice(0, 3));
  const words = many === 1 ? 'every week' : many === 2 ? 'every other week' : `every ${many} weeks`;
  return { step: A_WEEK * many, weekday: weekday < 0 ? null : weekday, words };
}

function isOff(day: string, daysOff: Asked['daysOff']): boolean {
  return daysOff.some((off) => off.first <= day && day <= off.last);
}

/** The days of what repeats, from the first on, days off left out. */
function daysFrom(
  first: string,
  step: number,
  last: string | null,
  many: number | null,
  daysOff: Asked['daysOff'],
): string[] {
  const days: string[] = [];
  for (let at = 0; days.length < (many ?? MOST) && at < MOST * 2; at++) {
    const day = plus(first, at * step);
    if (last && day > last) break;
    if (!isOff(day, daysOff)) days.push(day);
  }
  return days;
}

/** What a line says. A title is always there, if the line says anything at all. */
export function understand(text: string, asked: Asked): Line | null {
  let left = ` ${halvesWhole(text.trim())} `;
  if (!left.trim()) return null;
  const [points, afterPoints] = taken(left, POINTS);
  const [effort, afterEffort] = taken(afterPoints, HOURS);
  const [every, afterEvery] = taken(afterEffort, EVERY);
  left = afterEvery;
  let until: string | null = null;
  let times: number | null = null;
  if (every) {
    const [many, afterMany] = taken(left, TIMES);
    if (many) {
      times = Number(many[1] ?? many[2]);
      left = afterMany;
    }
    const named = left.match(UNTIL);
    if (named?.[1]) {
      const end = momentIn(named[1], asked);
      if (end || /\bterm\b/i.test(named[1])) {
        until = end?.day ?? asked.lastDay;
        left = without(left, named.index ?? 0, named[0].length);
      }
    }
  }
  let opensDay: string | null = null;
  const opens = left.match(OPENS);
  if (opens?.[1]) {
    const at = momentIn(opens[1], asked);
    if (at) {
      opensDay = at.day;
      left = without(left, opens.index ?? 0, opens[0].length);
    }
  }
  const due = momentIn(left, asked);
  if (due) left = cut(left, due);
  const repeat = every ? repeatOf(every) : null;
  // What repeats from a day on is first due then.
  const from = due?.day ?? (repeat ? opensDay : null) ?? asked.today;
  const first = repeat ? firstOf(repeat, from) : (due?.day ?? null);
  if (repeat) opensDay = null;
  const days =
    repeat && first
      ? daysFrom(first, repeat.step, until ?? (times ? null : asked.lastDay), times, asked.daysOff)
      : [];
  const named = tidy(left);
  const course = courseIn(named, asked.courses);
  const title = withoutCourse(
    named,
    asked.courses.find((one) => one.id === course),
  );
  return {
    title: title ? title.charAt(0).toUpperCase() + title.slice(1) : '',
    course: course ?? asked.course,
    kind: kindOf(title),
    opensDay,
    dueDay: days[0] ?? first,
    dueTime: due?.time ?? null,
    endsTime: due?.ends ?? null,
    possible: points?.[1]?.replace(',', '.') ?? null,
    effortMinutes: effort ? minutesOf(effort) : null,
    days,
    every: repeat?.words ?? '',
  };
}

function minutesOf(found: RegExpMatchArray): number {
  return found[3] ? Number(found[3]) : Number(found[1]) * 60 + Number(found[2] ?? 0);
}

function firstOf(repeat: Repeat, from: string): string {
  if (repeat.weekday === null) return from;
  const ahead = (repeat.weekday - noon(from).getDay() + A_WEEK) % A_WEEK;
  return plus(from, ahead);
}

/** A line of an outline that names a day: what it says, with the line itself. */
interface OutlineRow extends Line {
  line: string;
}

/** The lines of an outline that name a day. Days without a year are those nearest to the term's first day. */
export function outlineRows(lines: readonly string[], asked: Asked): OutlineRow[] {
  const near = { ...asked, today: asked.firstDay ?? asked.today };
  return lines.flatMap((line) => {
    const said = halvesWhole(line);
    const at = momentIn(said, near, asked.firstDay !== null);
    if (!at?.at.some(({ index, length }) => /\d/.test(said.slice(index, index + length)))) return [];
    const left = cut(said, at);
    const [points, afterPoints] = taken(` ${left} `, POINTS);
    const title = tidy(afterPoints.replace(/\bweek\s+\d{1,2}\b[\s:.–-]*/i, ' '));
    if (!title || !/\p{L}{2}/u.test(title)) return [];
    return [
      {
        title: title.charAt(0).toUpperCase() + title.slice(1),
        course: null,
        kind: kindOf(title),
        opensDay: null,
        dueDay: at.day,
        dueTime: at.time,
        endsTime: null,
        possible: points?.[1]?.replace(',', '.') ?? null,
        effortMinutes: null,
        days: [],
        every: '',
        line,
      },
    ];
  });
}

/** The same as a table, to be read in like any other. */
export function tableOf(rows: readonly OutlineRow[]): string {
  const cell = (text: string) => `"${text.replaceAll('"', '""')}"`;
  const heads = ['Title', 'Kind', 'Due', 'Points possible', 'Line'];
  const lines = rows.map((row) =>
    [row.title, row.kind, [row.dueDay, row.dueTime].filter(Boolean).join(' '), row.possible ?? '', row.line]
      .map(cell)
      .join('\t'),
  );
  return [heads.join('\t'), ...lines].join('\n');
}
