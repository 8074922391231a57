import clsx from 'clsx';
import { Popover } from 'radix-ui';
import { useLayoutEffect, useMemo, useRef } from 'react';
import { Link } from 'react-router';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { useKeptScroll } from '../../lib/kept-scroll';
import { useMinute } from '../../lib/now';
import { dateWords, formatsNow, localDate, monthWords, span60, timeWords, unbroken } from '../../lib/time';
import { readPlace, writePlace } from '../../lib/timeline-place';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import type { Next } from '../next/model';
import { type AgendaDay, agendaOf, daysOn, type Entry, keyOf, weekOf } from './agenda-model';
import { ms, type Timeline } from './model';
import { useWorkAddress } from './use-work-address';
import { nextLoss, stateOf } from './words';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
/** More than this of a day stands behind a button, with how many there are. */
const MOST_SHOWN = 4;
const SCALE_MINUTES = 300;

interface MonthProps {
  timeline: Timeline;
  shown: readonly Work[];
  next: Next | undefined;
  openWork: number | null;
}

/** From the day on with which the reader's weeks begin. */
function weekdays(): string[] {
  const first = formatsNow().firstWeekday - 1;
  return [...WEEKDAYS.slice(first), ...WEEKDAYS.slice(0, first)];
}

/** "2026-11" and so many months on. */
function monthOn(month: string, step: number): string {
  const at = new Date(`${month}-15T12:00:00Z`);
  at.setUTCMonth(at.getUTCMonth() + step);
  return at.toISOString().slice(0, 7);
}

/** The dates of the weeks that a month touches. */
function weeksOf(month: string): string[][] {
  const weeks = [weekOf(`${month}-01`)];
  for (;;) {
    const next = weekOf(daysOn(weeks.at(-1)?.[0] ?? '', 7));
    if (!next[0]?.startsWith(month)) return weeks;
    weeks.push(next);
  }
}

/** A month of days, each with its load and what falls on it. */
function Month({ timeline, shown, next, openWork }: MonthProps) {
  const { zone } = useStudent();
  const now = useMinute();
  const [params, setParams] = useAddress();
  const { at } = readPlace(params, zone);
  const month = localDate(at ?? now, zone).slice(0, 7);
  const today = localDate(now, zone);
  const grid = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each month is gone to once
  useLayoutEffect(() => {
    grid.current?.querySelector('[aria-current="date"]')?.scrollIntoView({ block: 'center' });
  }, [month]);
  const scroller = useRef<HTMLDivElement>(null);
  useKeptScroll(scroller);
  const agenda = useMemo(() => agendaOf(timeline, shown, next), [timeline, shown, next]);
  const days = useMemo(() => new Map(agenda.days.map((one) => [one.day.day, one])), [agenda]);
  const go = (to: string | null) =>
    setParams((before) => writePlace(before, { at: to === null ? null : ms(`${to}-15T12:00:00Z`) }, zone), {
      replace: true,
    });
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-2 px-5 pt-2 text-[14px] max-sm:px-3">
        <h2 className="mr-auto font-bold text-[17px]">{monthWords(month)}</h2>
        <span className="no-print flex gap-2">
          <Button disabled={month <= timeline.first.slice(0, 7)} onClick={() => go(monthOn(month, -1))}>
            Month before
          </Button>
          <Button disabled={month >= timeline.last.slice(0, 7)} onClick={() => go(monthOn(month, 1))}>
            Month after
          </Button>
          <Button look="quiet" onClick={() => go(null)}>
            Here and now
          </Button>
        </span>
      </div>
      <div
        ref={scroller}
        className="mt-2 min-h-0 flex-1 overflow-auto px-5 pb-4 max-sm:px-2 print:overflow-visible"
      >
        <div
          ref={grid}
          role="list"
          aria-label={monthWords(month)}
          className="grid grid-cols-7 border-line border-t border-l"
        >
          {weekdays().map((day) => (
            <span
              key={day}
              aria-hidden
              className="sticky top-0 z-10 border-line border-r border-b bg-paper px-1.5 py-0.5 text-[13px] text-ink-2"
            >
              {day}
            </span>
          ))}
          {weeksOf(month)
            .flat()
            .map((date) => (
              <Cell
                key={date}
                date={date}
                one={days.get(date)}
                outside={!date.startsWith(month)}
                today={date === today}
                openWork={openWork}
              />
            ))}
        </div>
        {agenda.undated.length > 0 && (
          <p className="mt-2 text-[14px] text-ink-2">
            {count(agenda.undated.length, 'piece of work has', 'pieces of work have')} no due date: the agenda
            lists {agenda.undated.length === 1 ? 'it' : 'them'} at its end.
          </p>
        )}
      </div>
    </div>
  );
}

interface CellProps {
  date: string;
  /** Undefined outside of all that is known. */
  one: AgendaDay | undefined;
  outside: boolean;
  today: boolean;
  openWork: number | null;
}

function Cell({ date, one, outside, today, openWork }: CellProps) {
  const falls = (one?.entries ?? [])
    .filter((entry) => entry.kind !== 'sitting')
    .sort((a, b) => weight(a) - weight(b));
  const shown = falls.length > MOST_SHOWN ? falls.slice(0, MOST_SHOWN - 1) : falls;
  return (
    <div
      role="listitem"
      aria-label={dateWords(date)}
      aria-current={today ? 'date' : undefined}
      className={clsx(
        'min-h-[98px] min-w-0 border-line border-r border-b px-1 pb-1 max-sm:min-h-[58px]',
        outside && 'bg-line-2/40',
        one?.day.dayOff && 'timeline-off',
        today && 'outline-2 outline-yours -outline-offset-2 outline-solid',
      )}
    >
      <p className="flex items-baseline gap-1 text-[13px]">
        <span className={clsx('font-[680]', outside && 'text-ink-3')}>{Number(date.slice(8))}</span>
        {one?.day.dayOff && (
          <span className="truncate text-ink-2 italic max-sm:hidden">{one.day.dayOff}</span>
        )}
        {one && one.day.needMinutes > 0 && (
          <span
            className={clsx(
              'ml-auto whitespace-nowrap max-sm:hidden',
              one.day.needMinutes > one.day.freeMinutes ? 'text-loss' : 'text-ink-2',
            )}
          >
            {span60(one.day.needMinutes)}
          </span>
        )}
      </p>
      {one && <LoadBar one={one} />}
      <ul className="max-sm:hidden">
        {shown.map((entry) => (
          <CellLine key={keyOf(entry)} entry={entry} openWork={openWork} />
        ))}
      </ul>
      {falls.length > 0 && (
        <All date={date} falls={falls} hidden={falls.length - shown.length} openWork={openWork} />
      )}
    </div>
  );
}

/** What can't wait comes first, should not all find room: closes, what is due, what opens, what is done. */
function weight(entry: Entry): number {
  if (entry.kind === 'close') return 0;
  if (entry.kind === 'opens') return 2;
  return entry.kind === 'due' && (entry.work.move === 'SETTLED' || entry.work.move === 'TEACHERS') ? 3 : 1;
}

/** Minutes due against minutes free, along the top of a day. */
function LoadBar({ one: { day } }: { one: AgendaDay }) {
  const share = (minutes: number) => `${Math.min(100, (minutes / SCALE_MINUTES) * 100)}%`;
  const past = day.doneMinutes + day.lostMinutes;
  return (
    <span
      role="img"
      aria-label={`${span60(day.needMinutes)} needed, ${span60(day.freeMinutes)} free`}
      className="relative mb-1 block h-[5px]"
    >
      <span className="absolute inset-y-0 left-0 bg-free" style={{ width: share(day.freeMinutes) }} />
      <span className="absolute inset-y-[1px] left-0 bg-ink-3 opacity-50" style={{ width: share(past) }} />
      <span
        className={clsx(
          'absolute inset-y-[1px] left-0',
          day.needMinutes > day.freeMinutes ? 'bg-loss' : 'bg-ink',
        )}
        style={{ width: share(day.needMinutes) }}
      />
    </span>
  );
}

function CellLine({ entry, openWork, whole }: { entry: Entry; openWork: number | null; whole?: boolean }) {
  const { course, zone } = useStudent();
  const now = useMinute();
  const address = useWorkAddress();
  if (entry.kind === 'close')
    return (
      <li className="bg-loss px-1 font-semibold text-[12px] text-raised leading-[16px]">
        {entry.name} {unbroken(timeWords(entry.at, zone))}
      </li>
    );
  if (entry.kind === 'sitting') return null;
  const { work } = entry;
  const done = work.move === 'SETTLED' || work.move === 'TEACHERS';
  const opens = entry.kind === 'opens';
  const loss = work.move === 'YOURS' ? nextLoss({ work }, course(work.courseId)?.zone ?? zone, now) : null;
  const words = [`${work.title}, ${opens ? 'opens' : `due, ${stateOf({ work })}`}`, loss]
    .filter(Boolean)
    .join('. ');
  return (
    <li className="min-w-0">
      <Link
        to={address(work.id)}
        replace={openWork !== null}
        aria-label={words}
        title={words}
        className={clsx(
          'flex items-center gap-1 text-[13px] leading-[24px] hover:underline',
          opens && 'text-ink-2',
        )}
      >
        {opens ? (
          <svg width="9" height="11" viewBox="0 0 9 11" aria-hidden className="shrink-0">
            <path d="M2 11 V1.5 H8" fill="none" stroke="var(--wait)" strokeWidth="1.6" />
          </svg>
        ) : (
          <CourseMark colour={course(work.courseId)?.colour ?? 'slate'} className="h-[13px]!" />
        )}
        <span
          className={clsx(
            whole ? '' : 'truncate',
            done && !opens && 'text-ink-2 line-through',
            !done && !opens && 'font-semibold',
          )}
        >
          {work.title}
        </span>
        {whole && <span className="ml-auto pl-3 text-ink-2">{opens ? 'opens' : stateOf({ work })}</span>}
      </Link>
    </li>
  );
}

interface AllProps {
  date: string;
  falls: readonly Entry[];
  /** How many don't stand in the cell. */
  hidden: number;
  openWork: number | null;
}

/** All that falls on a day, behind a button that says how many there are. On a phone it is the only way to them. */
function All({ date, falls, hidden, openWork }: AllProps) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className={clsx(
          'mt-0.5 min-h-6 text-[13px] text-ink-2 underline underline-offset-2 hover:text-ink',
          hidden === 0 && 'sm:hidden',
        )}
      >
        <span className="max-sm:hidden">and {hidden} more</span>
        <span className="sm:hidden">{falls.length}</span>
        <span className="sr-only"> on {dateWords(date)}</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          aria-label={`All on ${dateWords(date)}`}
          className="z-50 max-h-[70dvh] w-[min(460px,calc(100vw-16px))] overflow-auto rounded border border-line bg-raised p-3 shadow-[0_10px_24px_-12px_rgb(0_0_0/0.4)]"
        >
          <p className="mb-1 font-bold">
            {dateWords(date)} <span className="font-normal text-ink-2">{falls.length}</span>
          </p>
          <ul>
            {falls.map((entry) => (
              <CellLine key={keyOf(entry)} entry={entry} openWork={openWork} whole />
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

export { Month };
