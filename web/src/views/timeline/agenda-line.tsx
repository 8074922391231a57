import clsx from 'clsx';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { formatsNow, fromTo, localTime, near, timeWords, unbroken } from '../../lib/time';
import { countdown, lockWords } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { StageGlyph } from '../../ui/stage-glyph';
import type { Entry } from './agenda-model';
import type { TimelineWork } from './model';
import { useWorkAddress } from './use-work-address';
import { abroad, bothClocks, HERE, nextLoss, stateOf } from './words';

const MIDNIGHT = '00:00';

interface HeldLineProps {
  work: Work;
  told: TimelineWork;
  now: number;
  openWork: number | null;
}

/** Overdue work that is still to be done: it stands with today. */
function HeldLine({ work, told, now, openWork }: HeldLineProps) {
  const words = [
    stateOf({ work }),
    work.next ? countdown(work, '', now).words : '',
    told.ends ? '' : 'taken without end',
  ];
  return (
    <Line work={work} openWork={openWork} time="still yours" hot>
      {words.filter(Boolean).join(' · ')}
    </Line>
  );
}

function EntryLine({ entry, now, openWork }: { entry: Entry; now: number; openWork: number | null }) {
  const { zone, course } = useStudent();
  if (entry.kind === 'close')
    return (
      <li className="mt-1 flex gap-3 bg-loss px-2 py-0.5 font-semibold text-[14px] text-raised">
        <span className={clsx(clockColumn(), 'shrink-0 tabular-nums')}>{clockOf(entry.at, zone)}</span>
        {entry.name}: after it nothing counts
      </li>
    );
  const { work } = entry;
  const own = course(work.courseId)?.zone ?? zone;
  if (entry.kind === 'sitting')
    return (
      <Line work={work} openWork={openWork} time={fromTo(entry.at, entry.until, zone)} look="sitting">
        planned
      </Line>
    );
  if (entry.kind === 'opens')
    return (
      <Line work={work} openWork={openWork} time={clockOf(entry.at, own)} look="opens">
        opens{work.lock ? ` · ${lockWords(work)}` : ''}
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

/** The column of times: as wide as "11:00 am–12:30 pm" for who reads them so. */
function clockColumn(): string {
  return formatsNow().hour12 ? 'w-[128px]' : 'w-[94px]';
}

/** The clock of the course, and beside it that of the device where it differs. A due that is a day has none. */
function clockOf(at: number, zone: string, day = false): string {
  if (day || localTime(at, zone) === MIDNIGHT) return 'end of day';
  const there = timeWords(at, zone);
  return abroad(zone, at) ? `${unbroken(there)} (${unbroken(timeWords(at, HERE))})` : there;
}

function doneWords(work: Work, told: TimelineWork, zone: string, now: number): string {
  const at = told.handedIn ?? told.returned;
  const late = work.timing === 'LATE' ? ', late' : '';
  return `${stateOf({ work })}${at ? ` · ${told.handedIn ? 'in' : 'back'} ${near(at, zone, now)}${late}` : ''}`;
}

function dueWords(work: Work, zone: string, now: number): string {
  if (work.move === 'OUT_OF_REACH') return 'closed, never handed in';
  const loss = work.move === 'YOURS' ? nextLoss({ work }, zone, now) : null;
  return [stateOf({ work }), lockWords(work), loss && loss.charAt(0).toLowerCase() + loss.slice(1)]
    .filter(Boolean)
    .join(' · ');
}

/** A discussion part by part: what is written, when, and what is left. */
function Parts({ work, told, zone, now }: { work: Work; told: TimelineWork; zone: string; now: number }) {
  const { parts } = work;
  if (!parts) return null;
  const left = parts.of - parts.done;
  return (
    <li className="flex gap-3 text-[14px] text-ink-2 max-sm:pl-4">
      <span aria-hidden className={clsx(clockColumn(), 'shrink-0 max-sm:hidden')} />
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
  children: ReactNode;
}

/** One piece of work on a day. What opens is open on its left, what is due is closed, what is planned is a bar. */
function Line({ work, openWork, time, done, hot, look = 'due', children }: LineProps) {
  const { course } = useStudent();
  const address = useWorkAddress();
  const of = course(work.courseId);
  return (
    <li className="border-line-2 border-b last:border-0">
      <Link
        to={address(work.id)}
        replace={openWork !== null}
        aria-current={openWork === work.id ? 'true' : undefined}
        className={clsx(
          'flex items-center gap-x-3 py-1 hover:bg-line-2/50 max-sm:flex-wrap',
          openWork === work.id && 'bg-raised shadow-[inset_3px_0_0_var(--yours)]',
        )}
      >
        <span
          className={clsx(
            clockColumn(),
            'shrink-0 text-[14px] tabular-nums max-sm:w-auto',
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

export { EntryLine, HeldLine, Line };
