import type { Schemas } from '../../api/client';
import { span } from '../../lib/time';

type CoursePace = Pick<Schemas['CoursePaceView'], 'neededMinutes'>;

/** What it takes a school day in all courses; where work is left and no day is, that is said instead of a figure. */
export function dayWords(courses: readonly CoursePace[]): { figure: string; rest: string } {
  const without = courses.filter((one) => one.neededMinutes === null).length;
  const minutes = courses.reduce((sum, one) => sum + (one.neededMinutes ?? 0), 0);
  const left =
    without === 0 ? '' : `no school day is left for ${without === 1 ? 'one course' : `${without} courses`}`;
  if (minutes === 0) return { figure: '', rest: left || 'nothing is left to do' };
  const figure = `${span(minutes)} a school day`;
  return { figure, rest: left ? `is enough for the rest; ${left}` : 'is enough' };
}
