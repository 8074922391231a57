import clsx from 'clsx';
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { Link } from 'react-router';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { useKeptScroll } from '../../lib/kept-scroll';
import { hasModifier, isTyping } from '../../lib/keys';
import { useNow } from '../../lib/now';
import { dateWords, localDate, localTime, near } from '../../lib/time';
import { readPlace } from '../../lib/timeline-place';
import { countdown } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { Menu, MenuItem } from '../../ui/menu';
import { StageGlyph } from '../../ui/stage-glyph';
import type { Next } from '../next/model';
import { span60 } from '../work/model';
import { type AgendaDay, agendaOf, type Entry, type Reach, within } from './agenda-model';
import { DayHours } from './day-hours';
import { type Day, hoursIn, MINUTE, type Timeline, type TimelineWork } from './model';
import { abroad, bothClocks, HERE, nextLoss, stateOf } from './words';

const MIDNIGHT = '00:00';

interface AgendaProps {
  timeline: Timeline;
  shown: readonly Work[];
  next: Next | undefined;
  openWork: number | null;
}

/** A list from the first day to the last. It opens at today; what is past is above it. */
function Agenda({ timeline, shown, next, openWork }: AgendaProps) {
  const { board, zone } = useStudent();
  const now = Math.floor(useNow() / MINUTE) * MINUTE;
  const today = localDate(now, zone);
  const agenda = useMemo(() => agendaOf(board, timeline, shown, next), [board, timeline, shown, next]);
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
            <b>{board.student.name}</b>, agenda{printed && ` of ${printedWords(printed)}`}, printed{' '}
            {near(new Date(now).toISOString(), zone, now)}
          </p>
          <ol>
            {agenda.days.map((one) => (
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
            ))}
          </ol>
          {agenda.undated.length > 0 && (
            <section aria-labelledby="undated" className={printed === null ? '' : 'print:hidden'}>
              <h2 id="undated" className="mt-8 border-line border-b pb-1 font-bold">
                No due date <span className="font-normal text-ink-2">{agenda.undated.length}</span>
              </h2>
              <ul>
                {agenda.undated.map((work) => (
                  <Line key={work.id} work={work} openWork={openWork} time="">
                    {stateOf({ work })}
                  </Line>
                ))}
              </ul>
            </section>
          )}
        </div>
      </div>
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
      {editing && <DayHours day={editing} timeline={timeline} onClose={() => setEditing(null)} />}
    </div>
  );
}

function printedWords(days: ReadonlySet<string>): string {
  const all = [...days];
  return `${dateWords(all[0] ?? '')} to ${dateWords(all.at(-1) ?? '')}`;
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
          {held.map(({ work, told }) => (
            <Line key={`held ${work.id}`} work={work} openWork={openWork} time="still yours" hot>
              {countdownWords(work, told, now)}
            </Line>
          ))}
          {entries.map((entry) => (
            <EntryLine key={keyOf(entry)} entry={entry} now={now} openWork={openWork} />
          ))}
        </ul>
      )}
    </li>
  );
}

function keyOf(entry: Entry): string {
  return entry.kind === 'close' ? `close ${entry.at}` : `${entry.kind} ${entry.work.id} ${entry.at}`;
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

function countdownWords(work: Work, told: TimelineWork, now: number): string {
  return [
    stateOf({ work }),
    work.next ? countdown(work, '', now).words : '',
    told.ends ? '' : 'taken without end',
  ]
    .filter(Boolean)
    .join(' · ');
}

function EntryLine({ entry, now, openWork }: { entry: Entry; now: number; openWork: number | null }) {
  const { zone, course } = useStudent();
  if (entry.kind === 'close')
    return (
      <li className="mt-1 flex gap-3 bg-loss px-2 py-0.5 font-semibold text-[14px] text-raised">
        <span className="w-[94px] shrink-0 tabular-nums">{localTime(entry.at, zone)}</span>
        {entry.name}: after it nothing counts
      </li>
    );
  const { work } = entry;
  const own = course(work.courseId)?.zone ?? zone;
  if (entry.kind === 'sitting')
    return (
      <Line
        work={work}
        openWork={openWork}
        time={`${localTime(entry.at, zone)}–${localTime(entry.until, zone)}`}
        look="sitting"
      >
        planned
      </Line>
    );
  if (entry.kind === 'opens')
    return (
      <Line work={work} openWork={openWork} time={clockOf(entry.at, own)} look="opens">
        opens{work.lock ? ` · ${work.lock}` : ''}
      </Line>
    );
  const done = work.move === 'SETTLED' || work.move === 'TEACHERS';
  return (
    <>
      <Line work={work} openWork={openWork} time={clockOf(entry.at, own, work.dueDay !== null)} done={done}>
        {done ? doneWords(work, entry.told, own, now) : dueWords(work, own, now)}
      </Line>
      {work.parts && <Parts work={work} told={entry.told} zone={own} now={now} />}
    </>
  );
}

/** The clock of the course, and beside it that of the device where it differs. A due that is a day has none. */
function clockOf(at: number, zone: string, day = false): string {
  const there = localTime(at, zone);
  if (day || there === MIDNIGHT) return 'end of day';
  return abroad(zone, at) ? `${there} (${localTime(at, HERE)})` : there;
}

function doneWords(work: Work, told: TimelineWork, zone: string, now: number): string {
  const at = told.handedIn ?? told.returned;
  const late = work.timing === 'LATE' ? ', late' : '';
  return `${stateOf({ work })}${at ? ` · ${told.handedIn ? 'in' : 'back'} ${near(at, zone, now)}${late}` : ''}`;
}

function dueWords(work: Work, zone: string, now: number): string {
  if (work.move === 'OUT_OF_REACH') return 'closed, never handed in';
  const loss = work.move === 'YOURS' ? nextLoss({ work }, zone, now) : null;
  return [stateOf({ work }), work.lock, loss && loss.charAt(0).toLowerCase() + loss.slice(1)]
    .filter(Boolean)
    .join(' · ');
}

/** A discussion part by part: what is written, when, and what is left. */
function Parts({ work, told, zone, now }: { work: Work; told: TimelineWork; zone: string; now: number }) {
  const { parts } = work;
  if (!parts) return null;
  const left = parts.of - parts.done;
  return (
    <li className="pl-[106px] text-[14px] text-ink-2 max-sm:pl-4">
      <ul className="border-line border-l-2 pl-3">
        {told.parts.map((part) => (
          <li key={part.at} className="line-through">
            {part.reply ? 'reply' : 'post'}, {bothClocks(part.at, zone, now)}
          </li>
        ))}
        {left > 0 && <li>{left === 1 ? 'one part left' : `${left} parts left`}</li>}
      </ul>
    </li>
  );
}

interface LineProps {
  work: Work;
  openWork: number | null;
  time: string;
  done?: boolean;
  hot?: boolean;
  look?: 'due' | 'opens' | 'sitting';
  children: React.ReactNode;
}

/** One piece of work on a day. What opens is open on its left, what is due is closed, what is planned is a bar. */
function Line({ work, openWork, time, done, hot, look = 'due', children }: LineProps) {
  const { id, course } = useStudent();
  const [params] = useAddress();
  const query = params.toString();
  const of = course(work.courseId);
  return (
    <li className="border-line-2 border-b last:border-0">
      <Link
        to={`/s/${id}/timeline/${work.id}${query ? `?${query}` : ''}`}
        replace={openWork !== null}
        aria-current={openWork === work.id ? 'true' : undefined}
        className={clsx(
          'flex items-center gap-x-3 py-1 hover:bg-line-2/50 max-sm:flex-wrap',
          openWork === work.id && 'bg-raised shadow-[inset_3px_0_0_var(--yours)]',
        )}
      >
        <span
          className={clsx(
            'w-[94px] shrink-0 text-[14px] tabular-nums max-sm:w-auto',
            hot ? 'font-semibold text-loss' : 'text-ink-2',
          )}
        >
          {time}
        </span>
        {look === 'due' && (
          <span className="max-sm:hidden">
            <StageGlyph stage={work.stage} redo={work.stage === 'RETURNED' && work.move === 'YOURS'} />
          </span>
        )}
        {look === 'opens' && (
          <svg width="54" height="16" viewBox="0 0 54 16" aria-hidden className="shrink-0">
            <path d="M18 14 V2 H34" fill="none" stroke="var(--wait)" strokeWidth="1.6" />
            <path d="M18 14 H50" stroke="var(--wait)" strokeWidth="1.6" strokeDasharray="2 3" />
          </svg>
        )}
        {look === 'sitting' && (
          <svg width="54" height="16" viewBox="0 0 54 16" aria-hidden className="shrink-0">
            <rect x="18" y="4" width="30" height="8" fill="var(--ink)" />
          </svg>
        )}
        <CourseMark colour={of?.colour ?? 'slate'} />
        <span className="min-w-0 flex-1">
          <span
            className={clsx(look === 'due' && !done && 'font-semibold', done && 'text-ink-2 line-through')}
          >
            {work.title}
          </span>
          <span className="text-[13px] text-ink-2"> {of?.shortName}</span>
        </span>
        <span
          className={clsx(
            'max-w-[52%] text-right text-[14px] max-sm:w-full max-sm:max-w-none max-sm:text-left',
            hot ? 'text-loss' : 'text-ink-2',
          )}
        >
          {children}
        </span>
      </Link>
    </li>
  );
}

export { Agenda };
