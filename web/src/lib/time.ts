/** All dates and spans on screen pass through here. Instants come as ISO strings, zones by name. */

import { TZDate } from '@date-fns/tz';
import { format, parseISO, addDays as plusDays } from 'date-fns';

export interface Formats {
  hour12: boolean;
  dateOrder: 'DAY_FIRST' | 'MONTH_FIRST' | 'YEAR_FIRST';
  /** 1 is Monday, 7 Sunday. */
  firstWeekday: number;
}

let formats: Formats = { hour12: false, dateOrder: 'DAY_FIRST', firstWeekday: 1 };

/** How the person on this page reads times and days. */
export function setFormats(next: Formats): void {
  formats = next;
}

export function formatsNow(): Formats {
  return formats;
}

/** How this reader writes a date of numbers: "3/12" or "12/3". */
export function numberOrder(): 'DAY_FIRST' | 'MONTH_FIRST' {
  return formats.dateOrder === 'DAY_FIRST' ? 'DAY_FIRST' : 'MONTH_FIRST';
}

/** "16:20", or "4:20 pm". */
function clockWords(hour: string, minute: string): string {
  if (!formats.hour12) return `${hour}:${minute}`;
  const h = Number(hour) % 24;
  return `${h % 12 === 0 ? 12 : h % 12}:${minute} ${h < 12 ? 'am' : 'pm'}`;
}

/** "24 Nov", "Nov 24". */
function dayAndMonth(number: string, month: string): string {
  return numberOrder() === 'DAY_FIRST' ? `${number} ${month}` : `${month} ${number}`;
}

/** A day, or an instant, as the server writes it within a sentence. */
const WITHIN_WORDS =
  /\b(Mon|Tue|Wed|Thu|Fri|Sat|Sun) (\d{1,2}) (Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec)(?: (\d\d):(\d\d)(?! [ap]m))?\b/g;

/** Words of the server, their days and times as the person on this page reads them: "until Fri Nov 27 5:00 pm". */
export function asRead(words: string): string {
  return words.replace(
    WITHIN_WORDS,
    (_, weekday: string, number: string, month: string, hour?: string, minute?: string) =>
      `${weekday} ${dayAndMonth(number, month)}${hour && minute ? ` ${clockWords(hour, minute)}` : ''}`,
  );
}

const MINUTE = 60_000;
const HOUR_MINUTES = 60;
const DAY_MINUTES = 24 * 60;

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

interface Wall {
  weekday: string;
  day: string;
  month: string;
  year: string;
  hour: string;
  minute: string;
}

interface Clock {
  format: Intl.DateTimeFormat;
  /** What it has said, by whole minutes: a page asks for the same few hundred again and again. */
  said: Map<number, Wall>;
}

const MOST_SAID = 20_000;
const clocks = new Map<string, Clock>();

function clock(zone: string): Clock {
  let known = clocks.get(zone);
  if (!known) {
    const format = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      weekday: 'short',
      day: 'numeric',
      month: 'short',
      year: 'numeric',
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    });
    known = { format, said: new Map() };
    clocks.set(zone, known);
  }
  return known;
}

function wall(instant: Date, zone: string): Wall {
  const { format, said } = clock(zone);
  const minute = Math.floor(instant.getTime() / MINUTE);
  let at = said.get(minute);
  if (!at) {
    const parts = Object.fromEntries(format.formatToParts(instant).map((part) => [part.type, part.value]));
    at = { ...(parts as unknown as Wall), month: (parts.month ?? '').slice(0, 3) };
    if (said.size >= MOST_SAID) said.clear();
    said.set(minute, at);
  }
  return at;
}

function dayKey(at: Wall): string {
  return `${at.day} ${at.month} ${at.year}`;
}

/** "Tue 24 Nov". */
export function day(instant: string, zone: string): string {
  const at = wall(new Date(instant), zone);
  return `${at.weekday} ${dayAndMonth(at.day, at.month)}`;
}

/** "Tue 24 Nov 16:20". */
export function moment(instant: string, zone: string): string {
  const at = wall(new Date(instant), zone);
  return `${at.weekday} ${dayAndMonth(at.day, at.month)} ${clockWords(at.hour, at.minute)}`;
}

/** The time of an instant alone: "16:20". */
export function timeWords(instant: string | number, zone: string): string {
  const at = wall(new Date(instant), zone);
  return clockWords(at.hour, at.minute);
}

const HALF_OF_THE_DAY = / [ap]m$/;

/** From one time to another, "16:20–17:50", the half of the day once where it is the same: "4:20–5:50 pm". */
export function fromTo(start: string | number, end: string | number, zone: string): string {
  const from = timeWords(start, zone);
  const to = timeWords(end, zone);
  const half = HALF_OF_THE_DAY.exec(from)?.[0];
  return `${half && to.endsWith(half) ? from.slice(0, -half.length) : from}–${to}`;
}

/** Words that a line doesn't break within. */
export function unbroken(words: string): string {
  return words.replaceAll(' ', '\u00a0');
}

/** A time of a field where there is little room, "16:00": whole hours of twelve without their minutes, "4 pm". */
export function hourMark(time: string): string {
  return formats.hour12 ? fieldTime(time).replace(':00', '') : time;
}

/** The time of a field, "16:20:00", as the person reads it. */
export function fieldTime(time: string): string {
  const [hour = '', minute = ''] = time.split(':');
  return clockWords(hour, minute);
}

/** "Tue 24 Nov 2026 16:20:07", or "the end of Tue 24 Nov 2026": for receipts. */
export function exact(instant: string, zone: string): string {
  const date = new Date(instant);
  const at = wall(date, zone);
  if (at.hour === '00' && at.minute === '00' && date.getUTCSeconds() === 0) {
    const closed = wall(new Date(date.getTime() - MINUTE), zone);
    return `the end of ${closed.weekday} ${dayKey(closed)}`;
  }
  const seconds = String(date.getUTCSeconds()).padStart(2, '0');
  return `${at.weekday} ${at.day} ${at.month} ${at.year} ${at.hour}:${at.minute}:${seconds}`;
}

/** "today 18:00", "tomorrow 08:00", "Fri 27 Nov 17:00". Midnight is said as the end of the day that it closes. */
export function near(instant: string, zone: string, now: number): string {
  const date = new Date(instant);
  const at = wall(date, zone);
  if (at.hour === '00' && at.minute === '00') {
    return nearDay(wall(new Date(date.getTime() - MINUTE), zone), zone, now);
  }
  return `${nearDay(at, zone, now)} ${clockWords(at.hour, at.minute)}`;
}

/** The same as an instant in a sentence: "today 18:00", "the end of Fri 27 Nov". */
export function instantWords(instant: string, zone: string, now: number): string {
  const words = near(instant, zone, now);
  return words.includes(':') ? words : `the end of ${words}`;
}

/** The same for the start of something: midnight is said as the day that it begins. */
export function nearStart(instant: string, zone: string, now: number): string {
  const date = new Date(instant);
  const at = wall(date, zone);
  return at.hour === '00' && at.minute === '00' ? nearDay(at, zone, now) : near(instant, zone, now);
}

function nearDay(at: Wall, zone: string, now: number): string {
  const key = dayKey(at);
  if (key === dayKey(wall(new Date(now), zone))) return 'today';
  if (key === dayKey(wall(new Date(now + DAY_MINUTES * MINUTE), zone))) return 'tomorrow';
  if (key === dayKey(wall(new Date(now - DAY_MINUTES * MINUTE), zone))) return 'yesterday';
  return `${at.weekday} ${dayAndMonth(at.day, at.month)}`;
}

/** "25 min", "1 h 40", "1 d 7 h", "23 d": the units that matter, of a span in minutes. */
export function span(minutes: number): string {
  const whole = Math.max(0, Math.floor(minutes));
  const days = Math.floor(whole / DAY_MINUTES);
  const hours = Math.floor((whole % DAY_MINUTES) / 60);
  const rest = whole % 60;
  if (days > 0) return days < 2 && hours > 0 ? `${days} d ${hours} h` : `${days} d`;
  if (hours > 0) return rest > 0 ? `${hours} h ${String(rest).padStart(2, '0')}` : `${hours} h`;
  return `${rest} min`;
}

/** The largest unit alone, where two would be too much: "25 min", "6 h", "3 d". */
export function roughSpan(minutes: number): string {
  const whole = Math.max(0, Math.floor(minutes));
  if (whole >= DAY_MINUTES) return `${Math.floor(whole / DAY_MINUTES)} d`;
  return whole >= 60 ? `${Math.floor(whole / 60)} h` : `${whole} min`;
}

/** How late something is: in hours up to five days, as "49 h" can't be taken for two days of a course's count. */
export function lateSpan(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  return hours >= 1 && hours < 120 ? `${hours} h` : roughSpan(minutes);
}

const CLOCK_AT_THE_END = / \d{1,2}:\d\d(?: [ap]m)?$/;

/** The day alone, near ones by name. */
export function nearDate(instant: string, zone: string, now: number): string {
  return near(instant, zone, now).replace(CLOCK_AT_THE_END, '');
}

export function minutesBetween(from: number, to: string): number {
  return (new Date(to).getTime() - from) / MINUTE;
}

/** One instant for all of its minute, from which a deadline is as many whole minutes away as from any within it. */
export function withinMinute(now: number): number {
  return Math.floor(now / MINUTE) * MINUTE + 1;
}

/** The date in a zone, as fields want it: "2026-11-24". */
export function localDate(instant: number, zone: string): string {
  const at = wall(new Date(instant), zone);
  const month = MONTHS.indexOf(at.month) + 1;
  return `${at.year}-${String(month).padStart(2, '0')}-${at.day.padStart(2, '0')}`;
}

/** The time of day in a zone, as fields want it: "16:20". */
export function localTime(instant: number, zone: string): string {
  const at = wall(new Date(instant), zone);
  return `${at.hour}:${at.minute}`;
}

/**
 * The instant of what a field of day and time says in a zone, "2026-11-24T16:20"; null if it says none. An hour that a
 * clock change skips is the one after it, an hour that comes twice its first.
 */
export function instantIn(local: string, zone: string): string | null {
  const [year, month, day, hour, minute] = local.split(/[-T:]/).map(Number);
  if (!year || !month || !day || hour === undefined || minute === undefined) return null;
  const at = TZDate.tz(zone, year, month - 1, day, hour, minute).getTime();
  const first = at - HOUR_MINUTES * MINUTE;
  const twice = localTime(first, zone) === localTime(at, zone);
  return new Date(twice ? first : at).toISOString();
}

/** A local date "2026-11-24" as "Tue 24 Nov". */
export function dateWords(date: string): string {
  return day(`${date}T12:00:00Z`, 'UTC');
}

const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' });

/** A local date, or its first seven letters, as "November 2026". */
export function monthWords(date: string): string {
  return MONTH.format(new Date(`${date.slice(0, 7)}-15T12:00:00Z`));
}

/** A local date in two parts for narrow places: "Tu", "24". */
export function dateParts(date: string): { weekday: string; number: number } {
  const at = wall(new Date(`${date}T12:00:00Z`), 'UTC');
  return { weekday: at.weekday.slice(0, 2), number: Number(at.day) };
}

/** A day some days on, as "2026-11-25". */
export function addDays(day: string, days: number): string {
  return format(plusDays(parseISO(day), days), 'yyyy-MM-dd');
}

/** Hours of effort are said in hours, never in days. */
export function span60(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')}`;
}
