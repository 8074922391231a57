import type { Schemas } from '../../api/client';

export type Sheet = Schemas['TimeSheet'];
export type WeekDay = Schemas['FreeSpan']['day'];
export type Span = Schemas['DaySpan'];

export const DAYS: readonly WeekDay[] = [
  'MONDAY',
  'TUESDAY',
  'WEDNESDAY',
  'THURSDAY',
  'FRIDAY',
  'SATURDAY',
  'SUNDAY',
];

export function dayName(day: WeekDay): string {
  return day.charAt(0) + day.slice(1).toLowerCase();
}

export const HOLIDAY_WORDS: readonly (readonly [Sheet['onHolidays'], string])[] = [
  ['AS_USUAL', 'As in a usual week'],
  ['AS_SUNDAY', 'As on a Sunday'],
  ['NONE', 'No work at all'],
];

/** A list with one of its items changed. */
export function changed<T>(all: readonly T[], place: number, change: Partial<NoInfer<T>>): T[] {
  return all.map((one, i) => (i === place ? { ...one, ...change } : one));
}

export function without<T>(all: readonly T[], place: number): T[] {
  return all.filter((_, i) => i !== place);
}
