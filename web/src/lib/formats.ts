import type { Schemas } from '../api/client';
import { setFormats } from './time';

/** How a person reads times and days: as they said, else as their browser does. */
export function applyFormats(said: Schemas['Formats']): void {
  const device = new Intl.DateTimeFormat(undefined, { hour: 'numeric' }).resolvedOptions();
  setFormats({
    hour12: said.hour12 ?? device.hour12 ?? false,
    dateOrder: said.dateOrder ?? (device.locale === 'en-US' ? 'MONTH_FIRST' : 'DAY_FIRST'),
    firstWeekday: said.firstWeekday ?? 1,
  });
}
