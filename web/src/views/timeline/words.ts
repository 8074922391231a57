import type { Course } from '../../api/client';
import { localTime, minutesBetween, near, nearStart, span } from '../../lib/time';
import { countdown, LIMIT_WORDS, lockWords, scoreWords, stageDetail, stageWord } from '../../lib/words';
import { type Bar, ms } from './model';

/** The zone that the device lives in. */
export const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Whether the clock on the wall of the device says something else than in a zone. */
export function abroad(zone: string, at: number): boolean {
  return localTime(at, zone) !== localTime(at, HERE);
}

/** An instant by the clock of a zone, and by that of the device where it differs. */
export function bothClocks(instant: string, zone: string, now: number): string {
  const there = near(instant, zone, now);
  return abroad(zone, ms(instant)) ? `${there} (${near(instant, HERE, now)} where you are)` : there;
}

/** "Draft, not handed in", "18 of 20": what stands beside the title. */
export function stateOf({ work }: Pick<Bar, 'work'>): string {
  if (work.stage === 'RETURNED' && work.score.points !== null) {
    const { points, of } = scoreWords(work.score);
    return `${points} ${of}${work.move === 'YOURS' ? `, ${stageDetail(work)}` : ''}`;
  }
  const detail = stageDetail(work);
  return detail ? `${stageWord(work).toLowerCase()}, ${detail}` : stageWord(work).toLowerCase();
}

/** The next loss in words; null where waiting costs nothing. */
export function nextLoss({ work }: Pick<Bar, 'work'>, zone: string, now: number): string | null {
  if (work.next === null) return null;
  const left = span(minutesBetween(now, work.next.at));
  const at = bothClocks(work.next.at, zone, now);
  const lost = Math.round(Number(work.next.lost) * 10) / 10;
  if (work.next.limit) return `In ${left}, ${at}, ${LIMIT_WORDS[work.next.limit]}: it isn’t taken any more`;
  if (work.next.unknown) return `In ${left}, ${at}, it is late; what that costs isn’t known`;
  if (lost === 0) return `In ${left}, ${at}, it is late`;
  return `In ${left}, ${at}, waiting costs ${lost} of ${work.score.possible}`;
}

/** All that a bar shows, a line each, the most pressing first. */
export function barWords(bar: Bar, course: Course | undefined, now: number): string[] {
  const zone = course?.zone ?? HERE;
  const { work, told } = bar;
  const when = (instant: string | null) => (instant === null ? null : bothClocks(instant, zone, now));
  const open = work.move === 'YOURS' || work.move === 'NOT_YET';
  const lines: (string | null)[] = [
    nextLoss(bar, zone, now),
    told.due &&
      `Due ${when(told.due)}${told.due !== told.assignedDue && told.assignedDue ? `, at first ${when(told.assignedDue)}` : ''}`,
    told.opens && ms(told.opens) > now ? `Opens ${nearStart(told.opens, zone, now)}` : null,
    lockWords(work),
    open && told.ends && told.endedBy
      ? `Taken until ${when(told.ends)}, then ${LIMIT_WORDS[told.endedBy]}`
      : null,
    open && told.due && told.ends === null ? 'Taken without end' : null,
    told.askUntil && told.extended
      ? `An extension may be asked for until ${when(told.askUntil)}; due then ${when(told.extended)}`
      : null,
    told.tokenDues.length > 0 ? `A token makes it due ${when(told.tokenDues[0] ?? null)}` : null,
    open && told.safeBy ? `Safe by ${when(told.safeBy)}, to be graded before the close` : null,
    told.handedIn ? `Handed in ${when(told.handedIn)}${work.timing === 'LATE' ? ', late' : ''}` : null,
    told.returned ? `${work.stage === 'EXCUSED' ? 'Excused' : 'Came back'} ${when(told.returned)}` : null,
  ];
  return lines.filter((line): line is string => Boolean(line));
}

/** The short end of a label: the countdown where something is to be lost, else the state. */
export function labelEnd(bar: Bar, zone: string, now: number): string {
  if (bar.work.move === 'YOURS') {
    const { words } = countdown(bar.work, zone, now);
    return `${stateOf(bar)} · ${words}`;
  }
  return stateOf(bar);
}
