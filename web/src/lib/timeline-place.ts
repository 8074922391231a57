import { instantIn, localDate, localTime } from './time';

/** How time is looked at. */
export const MODES = ['lanes', 'agenda', 'month'] as const;
export type Mode = (typeof MODES)[number];

const DAY = 24 * 60 * 60_000;
const USUAL_DAYS = 16;
const NOON = '12:00';

/** Where in time one looks, and how much of it is seen. It lives in the address. */
export interface Place {
  mode: Mode;
  /** The middle of what is seen, in milliseconds; null for now. */
  at: number | null;
  /** Milliseconds that are seen at once. */
  span: number;
}

const NAMES = ['as', 'at', 'days'] as const;

export function readPlace(params: URLSearchParams, zone: string): Place {
  const mode = MODES.find((one) => one === params.get('as')) ?? 'lanes';
  const at = params.get('at') ?? '';
  const instant = /^\d{4}-\d\d-\d\d(T\d\d:\d\d)?$/.test(at)
    ? instantIn(at.includes('T') ? at : `${at}T${NOON}`, zone)
    : null;
  const days = Number(params.get('days'));
  return {
    mode,
    at: instant === null ? null : new Date(instant).getTime(),
    span: (days > 0 ? days : USUAL_DAYS) * DAY,
  };
}

/** Writes a place over that of an address, and leaves the rest of it as it is. */
export function writePlace(params: URLSearchParams, place: Partial<Place>, zone: string): URLSearchParams {
  const next = new URLSearchParams(params);
  const set = (name: (typeof NAMES)[number], value: string) =>
    value ? next.set(name, value) : next.delete(name);
  if (place.mode !== undefined) set('as', place.mode === 'lanes' ? '' : place.mode);
  if (place.at !== undefined) set('at', place.at === null ? '' : written(place.at, zone));
  if (place.span !== undefined) {
    const days = Math.round((place.span / DAY) * 100) / 100;
    set('days', days === USUAL_DAYS ? '' : String(days));
  }
  return next;
}

function written(at: number, zone: string): string {
  const time = localTime(at, zone);
  return `${localDate(at, zone)}${time === NOON ? '' : `T${time}`}`;
}

/** The same for addresses that look at the same time, from as near. */
export function spotOf(params: URLSearchParams): string {
  return `${params.get('at')} ${params.get('days')}`;
}

/** The same address with the place of another: what is narrowed changes, where one looks doesn't. */
export function keepPlace(from: URLSearchParams, to: URLSearchParams): URLSearchParams {
  for (const name of NAMES) {
    const value = from.get(name);
    if (value !== null) to.set(name, value);
  }
  return to;
}
