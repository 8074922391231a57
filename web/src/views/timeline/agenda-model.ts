import type { Work } from '../../api/client';
import { formatsNow } from '../../lib/time';
import type { Next } from '../next/model';
import { DAY, type Day, ms, type Timeline, type TimelineWork } from './model';

export type Entry =
  | { kind: 'due'; at: number; work: Work; told: TimelineWork }
  | { kind: 'opens'; at: number; work: Work; told: TimelineWork }
  | { kind: 'sitting'; at: number; until: number; work: Work }
  | { kind: 'close'; at: number; name: string };

export interface AgendaDay {
  day: Day;
  entries: readonly Entry[];
}

export interface Agenda {
  days: readonly AgendaDay[];
  /** Overdue and still to be done, the longest first: they stand with today. */
  held: readonly { work: Work; told: TimelineWork }[];
  undated: readonly Work[];
}

/** All of the work that is shown, day by day; within a day in order of time, what opens before what is due. */
export function agendaOf(timeline: Timeline, shown: readonly Work[], next: Next | undefined): Agenda {
  const works = new Map(shown.map((work) => [work.id, work]));
  const told = new Map(timeline.works.map((work) => [work.work, work]));
  const known = (id: number) => {
    const work = works.get(id);
    const lies = told.get(id);
    return work && lies ? { work, told: lies } : null;
  };
  const days = timeline.days.map((day) => {
    const entries: Entry[] = [];
    for (const id of day.opens) {
      const one = known(id);
      if (one?.told.opens) entries.push({ kind: 'opens', at: ms(one.told.opens), ...one });
    }
    for (const id of day.due) {
      const one = known(id);
      if (one)
        entries.push({ kind: 'due', at: one.work.due === null ? ms(day.ends) : ms(one.work.due), ...one });
    }
    for (const close of timeline.closes) {
      if (ms(close.at) > ms(day.starts) && ms(close.at) <= ms(day.ends))
        entries.push({ kind: 'close', at: ms(close.at), name: close.name });
    }
    for (const move of next?.moves ?? []) {
      const work = works.get(move.work);
      for (const sitting of work ? move.sittings : []) {
        const at = ms(sitting.start);
        if (work && at >= ms(day.starts) && at < ms(day.ends))
          entries.push({ kind: 'sitting', at, until: ms(sitting.end), work });
      }
    }
    return { day, entries: entries.sort((a, b) => a.at - b.at) };
  });
  // A redo can be due on a day of which the board says nothing.
  const onDays = new Set(timeline.days.flatMap((day) => day.due));
  const held = shown
    .filter((work) => work.move === 'YOURS' && work.timing === 'OVERDUE')
    .map((work) => known(work.id))
    .filter((one) => one !== null)
    .sort((a, b) => (a.work.due ?? '').localeCompare(b.work.due ?? ''));
  return { days, held, undated: shown.filter((work) => work.due === null && !onDays.has(work.id)) };
}

/** The days, and of work that is narrowed those without anything as runs; today always stands for itself. */
export function folded(agenda: Agenda, today: string, narrowed: boolean): (AgendaDay | AgendaDay[])[] {
  if (!narrowed) return [...agenda.days];
  const lines: (AgendaDay | AgendaDay[])[] = [];
  for (const one of agenda.days) {
    const last = lines.at(-1);
    if (one.entries.length > 0 || one.day.day === today) lines.push(one);
    else if (Array.isArray(last)) last.push(one);
    else lines.push([one]);
  }
  return lines;
}

/** The same for as long as it is the same, in a list of entries. */
export function keyOf(entry: Entry): string {
  return entry.kind === 'close' ? `close ${entry.at}` : `${entry.kind} ${entry.work.id} ${entry.at}`;
}

/** A local date so many days after another. */
export function daysOn(date: string, days: number): string {
  return new Date(ms(`${date}T12:00:00Z`) + days * DAY).toISOString().slice(0, 10);
}

/** The dates of the week of one, from the day on with which the reader's weeks begin. */
export function weekOf(date: string): string[] {
  const since = (new Date(`${date}T12:00:00Z`).getUTCDay() + 7 - (formatsNow().firstWeekday % 7)) % 7;
  return Array.from({ length: 7 }, (_, day) => daysOn(date, day - since));
}

export type Reach = 'week' | 'month' | 'term';

/** The days of a week, a month, or all of them, around one. */
export function within(days: readonly Day[], reach: Reach, around: string): Set<string> {
  if (reach === 'week') return new Set(weekOf(around));
  const all = days.map((day) => day.day);
  return new Set(reach === 'term' ? all : all.filter((day) => day.slice(0, 7) === around.slice(0, 7)));
}
