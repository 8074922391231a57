import type { Schemas, TideDay } from '../api/client';
import { span60 } from '../lib/time';

export type PlannedDay = Schemas['PlannedDay'];

/** What a day has to bear, in minutes. */
export interface Load {
  planned: number;
  /** Due this day, and not in time. */
  late: number;
}

/** By the plan; until there is one, what doesn't fit into the hours of the day itself. */
export function loadOf(day: TideDay, planned: Map<string, PlannedDay> | null): Load {
  if (planned === null) return { planned: 0, late: day.overMinutes };
  const here = planned.get(day.day);
  return here
    ? { planned: here.plannedMinutes, late: Math.min(here.lateMinutes, day.openMinutes) }
    : { planned: 0, late: 0 };
}

export function loadWords(load: Load): string[] {
  return [
    load.planned > 0 ? `${span60(load.planned)} planned` : '',
    load.late > 0 ? `${span60(load.late)} won’t be in time` : '',
  ].filter(Boolean);
}
