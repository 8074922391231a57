import clsx from 'clsx';
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { useKeptScroll } from '../../lib/kept-scroll';
import { hasModifier, isTyping } from '../../lib/keys';
import { useMinute } from '../../lib/now';
import { dateWords, localDate, span60 } from '../../lib/time';
import { readPlace } from '../../lib/timeline-place';
import { Button, TextButton } from '../../ui/button';
import { Menu, MenuItem } from '../../ui/menu';
import type { Next } from '../next/model';
import { EntryLine, HeldLine, Line } from './agenda-line';
import { type AgendaDay, agendaOf, folded, keyOf, type Reach, within } from './agenda-model';
import { DayHours } from './day-hours';
import { type Day, hoursIn, type Timeline, type TimelineWork } from './model';
import { stateOf } from './words';

interface AgendaProps {
  timeline: Timeline;
  shown: readonly Work[];
  next: Next | undefined;
  openWork: number | null;
}

/** A list from the first day to the last. It opens at today; what is past is above it. */
function Agenda({ timeline, shown, next, openWork }: AgendaProps) {
  const { zone } = useStudent();
  const now = useMinute();
  const today = localDate(now, zone);
  const agenda = useMemo(() => agendaOf(timeline, shown, next), [timeline, shown, next]);
  const [params] = useAddress();
  const { at } = readPlace(params, zone);
  const aim = at === null ? today : localDate(at, zone);
  const list = useRef<HTMLDivElement>(null);
  const [printed, setPrinted] = useState<ReadonlySet<string> | null>(null);
  const [editing, setEditing] = useState<Day | null>(null);

  const goTo = (day: string) => {
    list.current?.querySelector(`[data-day="${day}"]`)?.scrollIntoView({ block: 'start' });
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is gone to when the address says another day, not when time goes on
  useLayoutEffect(() => goTo(aim), [aim]);
  useKeptScroll(list, () => goTo(aim));
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'h' || isTyping(event) || hasModifier(event)) return;
      list.current?.querySelector(`[data-day="${today}"]`)?.scrollIntoView({ block: 'start' });
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [today]);

  const print = (reach: Reach) => {
    flushSync(() => setPrinted(within(timeline.days, reach, aim)));
    window.print();
    setPrinted(null);
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div ref={list} className="relative min-h-0 flex-1 overflow-auto print:overflow-visible">
        <div className="mx-auto max-w-[940px] px-5 pb-16 max-sm:px-3">
          <p className="hidden print:block">
            <b>Agenda</b>
            {printed && ` of ${printedWords(printed)}`}
          </p>
          <ol>
            {folded(agenda, today, shown.length < timeline.works.length).map((one) =>
              Array.isArray(one) ? (
                <EmptyDays
                  key={one[0]?.day.day}
                  days={one}
                  className={
                    printed !== null && !one.some(({ day }) => printed.has(day.day)) ? 'print:hidden' : ''
                  }
                />
              ) : (
                <OneDay
                  key={one.day.day}
                  one={one}
                  today={today}
                  now={now}
                  held={one.day.day === today ? agenda.held : []}
                  openWork={openWork}
                  onHours={setEditing}
                  className={printed !== null && !printed.has(one.day.day) ? 'print:hidden' : ''}
                />
              ),
            )}
          </ol>
          <Undated
            works={agenda.undated}
            openWork={openWork}
            className={printed === null ? '' : 'print:hidden'}
          />
        </div>
      </div>
      <Foot timeline={timeline} today={today} aim={aim} goTo={goTo} print={print} />
      {editing && <DayHours day={editing} timeline={timeline} onClose={() => setEditing(null)} />}
    </div>
  );
}

interface UndatedProps {
  works: readonly Work[];
  openWork: number | null;
  className: string;
}

function Undated({ works, openWork, className }: UndatedProps) {
  if (works.length === 0) return null;
  return (
    <section aria-labelledby="undated" className={className}>
      <h2 id="undated" className="mt-8 border-line border-b pb-1 font-bold">
        No due date <span className="font-normal text-ink-2">{works.length}</span>
      </h2>
      <ul>
        {works.map((work) => (
          <Line key={work.id} work={work} openWork={openWork} time="">
            {stateOf({ work })}
          </Line>
        ))}
      </ul>
    </section>
  );
}

interface FootProps {
  timeline: Timeline;
  today: string;
  /** The day that is gone to. */
  aim: string;
  goTo: (day: string) => void;
  print: (reach: Reach) => void;
}

/** What takes to another day, and what is printed. */
function Foot({ timeline, today, aim, goTo, print }: FootProps) {
  return (
    <div className="no-print flex shrink-0 flex-wrap items-center gap-2 border-line border-t bg-raised px-5 py-1.5 text-[14px] max-sm:px-3">
      <Button onClick={() => goTo(today)}>Here and now</Button>
      <TextButton onClick={() => goTo(timeline.first)}>First day</TextButton>
      <TextButton onClick={() => goTo(timeline.last)}>Last day</TextButton>
      <span className="ml-auto">
        <Menu align="end" trigger={<Button>Print</Button>}>
          <MenuItem onSelect={() => print('week')}>The week of {dateWords(aim)}</MenuItem>
          <MenuItem onSelect={() => print('month')}>Its month</MenuItem>
          <MenuItem onSelect={() => print('term')}>The whole term</MenuItem>
        </Menu>
      </span>
    </div>
  );
}

function printedWords(days: ReadonlySet<string>): string {
  const all = [...days];
  return `${dateWords(all[0] ?? '')} to ${dateWords(all.at(-1) ?? '')}`;
}

/** Days without anything, in one line: of work that is narrowed there are many. */
function EmptyDays({ days, className }: { days: readonly AgendaDay[]; className: string }) {
  const first = days[0]?.day.day ?? '';
  const last = days.at(-1)?.day.day ?? '';
  return (
    <li className={clsx('py-1 text-[14px] text-ink-3', className)}>
      {days.map(({ day }) => (
        <span key={day.day} data-day={day.day} className="scroll-mt-2" />
      ))}
      {first === last
        ? `${dateWords(first)}: none of this work`
        : `${dateWords(first)} to ${dateWords(last)}: ${days.length} days without any of this work`}
    </li>
  );
}

interface OneDayProps {
  one: AgendaDay;
  today: string;
  now: number;
  held: readonly { work: Work; told: TimelineWork }[];
  openWork: number | null;
  onHours: (day: Day) => void;
  className: string;
}

function OneDay({ one, today, now, held, openWork, onHours, className }: OneDayProps) {
  const { day, entries } = one;
  const { mayWrite } = useStudent();
  const isToday = day.day === today;
  const past = day.day < today;
  const quiet = entries.length === 0 && held.length === 0 && day.dayOff === null;
  const first = day.day.endsWith('-01');
  return (
    <li
      data-day={day.day}
      className={clsx(
        'scroll-mt-2 break-inside-avoid',
        first && 'mt-4',
        quiet ? 'flex items-baseline gap-3 py-0.5 text-ink-2' : 'pt-3',
        className,
      )}
    >
      <h2
        className={clsx(
          'flex flex-1 items-baseline gap-x-3 text-[15px]',
          quiet ? 'font-normal text-[14px]' : 'border-line border-b pb-1 font-bold',
          isToday && 'border-yours! border-b-2!',
        )}
      >
        <span className="w-[84px] shrink-0 whitespace-nowrap">{dateWords(day.day)}</span>
        {isToday && <span className="bg-yours px-1.5 text-[13px] text-raised">today</span>}
        {day.dayOff && <span className="font-normal text-[14px] text-ink-2 italic">{day.dayOff}</span>}
        {hoursIn(day) !== 24 && (
          <span className="font-normal text-[14px] text-ink-2">{hoursIn(day)} hours: the clocks change</span>
        )}
        <span className="ml-auto font-normal text-[14px] text-ink-2">
          {past ? (
            day.doneMinutes > 0 && `${span60(day.doneMinutes)} done`
          ) : (
            <DayMinutes day={day} onHours={mayWrite ? onHours : null} />
          )}
        </span>
      </h2>
      {(entries.length > 0 || held.length > 0) && (
        <ul>
          {held.map((one) => (
            <HeldLine key={`held ${one.work.id}`} {...one} now={now} openWork={openWork} />
          ))}
          {entries.map((entry) => (
            <EntryLine key={keyOf(entry)} entry={entry} now={now} openWork={openWork} />
          ))}
        </ul>
      )}
    </li>
  );
}

/** "1 h 30 needed of 2 h free": and the way to change it. */
function DayMinutes({ day, onHours }: { day: Day; onHours: ((day: Day) => void) | null }) {
  const over = day.needMinutes > day.freeMinutes;
  const words = `${day.needMinutes > 0 ? `${span60(day.needMinutes)} needed, ` : ''}${span60(day.freeMinutes)} free`;
  return onHours === null ? (
    <span className={over ? 'text-loss' : ''}>{words}</span>
  ) : (
    <>
      <TextButton
        className={clsx(over && 'text-loss')}
        onClick={() => onHours(day)}
        aria-label={`${words}: set the hours of ${dateWords(day.day)}`}
      >
        {words}
      </TextButton>
      <span aria-hidden className={clsx('hidden print:inline', over && 'text-loss')}>
        {words}
      </span>
    </>
  );
}

export { Agenda };
