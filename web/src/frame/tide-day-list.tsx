import { useId } from 'react';
import { Link, useLocation } from 'react-router';
import type { TideDay, Work } from '../api/client';
import { useNow } from '../lib/now';
import { dateWords, localDate, near, span60, timeWords } from '../lib/time';
import { count, stageWord } from '../lib/words';
import { CourseMark } from '../ui/course-mark';
import { SetLink } from './set-link';
import { useStudent } from './student';
import type { Load } from './tide-load';

const LIST_WIDTH = 340;

function dueWords(work: Work, zone: string): string {
  const done = work.move === 'SETTLED' || work.move === 'TEACHERS';
  if (done) return stageWord(work).toLowerCase();
  return work.due && !work.dueDay ? `due ${timeWords(work.due, zone)}` : 'due';
}

interface DayListProps {
  day: TideDay;
  load: Load;
  /** The day's cell, to lie under. */
  cell: HTMLElement | null;
}

/** What lies under the day that is pointed at. */
function DayList({ day, load, cell }: DayListProps) {
  const { board, course, id, zone } = useStudent();
  const now = useNow();
  const { search } = useLocation();
  const heading = useId();
  const box = cell?.closest('section');
  const left =
    cell && box
      ? Math.max(8, Math.min(cell.getBoundingClientRect().left - 60, box.clientWidth - LIST_WIDTH - 8))
      : 8;
  const works = board.works.filter((work) => day.due.includes(work.id) || day.opens.includes(work.id));
  return (
    <section
      aria-labelledby={heading}
      className="absolute top-full z-30 max-h-[60dvh] overflow-auto rounded-b border border-line border-t-0 bg-raised p-3 text-[14px] shadow-[0_10px_24px_-12px_rgb(0_0_0/0.4)]"
      style={{ left, width: LIST_WIDTH, maxWidth: 'calc(100vw - 16px)' }}
    >
      <p id={heading} className="font-bold">
        {dateWords(day.day)}
        {day.dayOff && <span className="font-normal text-ink-2"> · {day.dayOff}</span>}
      </p>
      <p className="text-[13px] text-ink-2">
        {day.openMinutes ? `${span60(day.openMinutes)} falling due` : 'Nothing falling due'},{' '}
        {span60(day.freeMinutes)} free
        {load.planned > 0 && `, ${span60(load.planned)} planned`}
        {load.late > 0 && <b className="text-loss">, {span60(load.late)} won’t be in time</b>}
        {day.doneMinutes > 0 && `, ${span60(day.doneMinutes)} done`}
      </p>
      {day.closes.map((close) => (
        <p key={close.at} className="mt-1 font-semibold text-loss">
          {close.name}, {near(close.at, zone, now)}
        </p>
      ))}
      {works.length > 0 && (
        <ul className="mt-2 border-line-2 border-t">
          {works.map((work) => (
            <li key={work.id} className="border-line-2 border-b">
              <Link
                to={`/s/${id}/work/${work.id}${search}`}
                className="flex items-center gap-2 py-1 hover:bg-line-2"
                tabIndex={-1}
              >
                <CourseMark colour={course(work.courseId)?.colour ?? ''} />
                <span className="min-w-0 flex-1 truncate">{work.title}</span>
                <span className="shrink-0 text-[13px] text-ink-2">
                  {day.due.includes(work.id) ? dueWords(work, zone) : 'opens'}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-2 flex justify-between gap-3 text-[13px] text-ink-2">
        <span>{works.length > 0 && `${count(works.length, 'piece')} of work; press to see only these`}</span>
        {day.day < localDate(now, zone) && (
          <Link to={`/s/${id}/work?asof=${day.day}`} className="shrink-0 underline underline-offset-2">
            As it was that day
          </Link>
        )}
        <SetLink set="hours" className="shrink-0">
          Your time
        </SetLink>
      </p>
    </section>
  );
}

export { DayList };
