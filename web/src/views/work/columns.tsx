import clsx from 'clsx';
import type { ReactNode } from 'react';
import type { Work } from '../../api/client';
import type { StudentView } from '../../frame/student';
import { dateWords, near, nearDate } from '../../lib/time';
import { countdown, KIND_WORDS, scoreWords } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { TimingBar } from '../../ui/timing-bar';
import { span60 } from './model';
import { StateWords } from './state-words';

export interface CellProps {
  work: Work;
  student: StudentView;
  now: number;
}

export interface Column {
  key: string;
  head: string;
  /** The table's width in pixels from which the column is shown. */
  from: number;
  /** Its track of the grid. */
  track: string;
  /** Whether its words stand at its right-hand end. */
  end?: boolean;
  /** Whether its words are quieter than the rest. */
  quiet?: boolean;
  cell: (props: CellProps) => ReactNode;
}

/** The columns of the work table, in their order; the least needed leave first as the table narrows. */
export const COLUMNS: readonly Column[] = [
  {
    key: 'state',
    head: 'State',
    from: 0,
    track: 'minmax(203px, 0.5fr)',
    cell: ({ work }) => <StateWords work={work} />,
  },
  { key: 'title', head: 'Work', from: 0, track: 'minmax(180px, 1.3fr)', cell: TitleCell },
  {
    key: 'kind',
    head: 'Kind',
    from: 1020,
    track: '76px',
    quiet: true,
    cell: ({ work }) => KIND_WORDS[work.kind],
  },
  { key: 'due', head: 'Due', from: 0, track: '118px', cell: DueCell },
  {
    key: 'effort',
    head: 'Effort',
    from: 1020,
    track: '52px',
    end: true,
    quiet: true,
    cell: ({ work }) => (work.effortMinutes ? span60(work.effortMinutes) : ''),
  },
  { key: 'score', head: 'Score', from: 860, track: '72px', end: true, cell: ScoreCell },
  { key: 'feedback', head: 'Feedback', from: 860, track: 'minmax(100px, 0.35fr)', cell: FeedbackCell },
  {
    key: 'files',
    head: 'Files',
    from: 1180,
    track: '30px',
    end: true,
    quiet: true,
    cell: ({ work }) => (work.files > 0 ? work.files : ''),
  },
  {
    key: 'attempts',
    head: 'Attempts',
    from: 1180,
    track: '56px',
    end: true,
    quiet: true,
    cell: AttemptsCell,
  },
  {
    key: 'timing',
    head: 'Next loss',
    from: 0,
    track: 'minmax(188px, 0.3fr)',
    cell: ({ work, student, now }) => <TimingBar countdown={countdown(work, student.zone, now)} />,
  },
];

export function columnsFor(width: number): readonly Column[] {
  return COLUMNS.filter((column) => column.from <= width);
}

function TitleCell({ work, student }: CellProps) {
  const course = student.course(work.courseId);
  return (
    <>
      <CourseMark colour={course?.colour ?? ''} className="mr-2" />
      <span className="truncate font-semibold" title={`${work.title} · ${course?.name}`}>
        {work.title}
      </span>
      <span className="sr-only">, {course?.name}</span>
    </>
  );
}

function DueCell({ work, student, now }: CellProps) {
  const { zone } = student;
  const redo = work.move === 'YOURS' ? work.redo : null;
  const due = redo ? redo.due : work.due;
  if (!due && redo && work.next) {
    return <span title={near(work.next.at, zone, now)}>until {nearDate(work.next.at, zone, now)}</span>;
  }
  if (!due) return <span className="text-ink-3">no due date</span>;
  const words = near(due, zone, now);
  return work.dueDay ? <span title={`by the end of ${dateWords(work.dueDay)}`}>{words}</span> : words;
}

function ScoreCell({ work }: CellProps) {
  const score = scoreWords(work.score);
  const note = [
    work.score.raw !== null ? `${work.score.raw} before the late penalty` : '',
    work.dropped ? 'dropped in the reading so far' : '',
  ]
    .filter(Boolean)
    .join('; ');
  return (
    <span title={note || undefined}>
      {score.mark && <span className="text-ink-2">{score.mark} </span>}
      <span
        className={clsx(
          work.dropped && 'text-ink-2 line-through',
          work.score.raw !== null && 'underline decoration-dotted underline-offset-4',
        )}
      >
        {score.points}
      </span>{' '}
      <span className="text-ink-2">{score.of}</span>
      {note && <span className="sr-only">, {note}</span>}
    </span>
  );
}

function FeedbackCell({ work }: CellProps) {
  const { latestBy, unread, count } = work.feedback;
  if (!latestBy) return '';
  const name = latestBy.split(' ').at(-1);
  const number = unread > 0 ? `, ${unread} new` : count > 1 ? `, ${count}` : '';
  return (
    <span className={unread > 0 ? 'truncate font-bold' : 'truncate text-ink-2'} title={latestBy}>
      {name}
      {number}
    </span>
  );
}

function AttemptsCell({ work }: CellProps) {
  if (work.attemptsAllowed) return `${work.attemptsUsed} of ${work.attemptsAllowed}`;
  return work.attemptsUsed > 0 ? work.attemptsUsed : '';
}
