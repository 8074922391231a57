import clsx from 'clsx';
import type { ReactNode } from 'react';
import type { Work } from '../../api/client';
import type { StudentView } from '../../frame/student';
import type { SortKey } from '../../lib/narrow';
import { dateWords, near, nearDate, span60 } from '../../lib/time';
import { countdown, KIND_WORDS, scoreWords } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { TimingBar } from '../../ui/timing-bar';
import { ScoreInput, useScoring } from './scoring';
import { StateWords } from './state-words';

export interface CellProps {
  work: Work;
  student: StudentView;
  now: number;
}

export interface Column {
  key: string;
  head: string;
  /** The table's width in pixels from which the column is shown, where the person didn't choose columns. */
  from: number;
  /** What its head sorts by. */
  sort?: SortKey;
  /** Its track of the grid. */
  track: string;
  /** Its track where a piece of work is open beside: what it is called needs the room. */
  tight?: string;
  /** Whether its words stand at its right-hand end. */
  end?: boolean;
  /** Whether its words are quieter than the rest. */
  quiet?: boolean;
  cell: (props: CellProps) => ReactNode;
}

/** Under as many pixels what is called is given the room of what is said beside it. */
export const TIGHT = 860;

/** Shown only where it was chosen. */
const NEVER = Number.POSITIVE_INFINITY;

/** The columns of the work table, in their order; the least needed leave first as the table narrows. */
export const COLUMNS: readonly Column[] = [
  {
    key: 'state',
    head: 'State',
    sort: 'state',
    from: 0,
    track: 'minmax(248px, 0.4fr)',
    tight: '206px',
    cell: ({ work }) => <StateWords work={work} />,
  },
  { key: 'title', head: 'Work', sort: 'title', from: 0, track: 'minmax(180px, 1.3fr)', cell: TitleCell },
  {
    key: 'kind',
    head: 'Kind',
    sort: 'kind',
    from: 1020,
    track: '76px',
    quiet: true,
    cell: ({ work }) => KIND_WORDS[work.kind],
  },
  { key: 'due', head: 'Due', sort: 'due', from: 0, track: '136px', cell: DueCell },
  {
    key: 'effort',
    head: 'Effort',
    sort: 'effort',
    from: 1020,
    track: '52px',
    end: true,
    quiet: true,
    cell: ({ work }) => (work.effortMinutes ? span60(work.effortMinutes) : ''),
  },
  { key: 'score', head: 'Score', sort: 'points', from: TIGHT, track: '72px', end: true, cell: ScoreCell },
  { key: 'feedback', head: 'Feedback', from: TIGHT, track: 'minmax(100px, 0.35fr)', cell: FeedbackCell },
  {
    key: 'files',
    head: 'Files',
    from: 1340,
    track: '96px',
    end: true,
    quiet: true,
    cell: ({ work }) =>
      [work.files > 0 && `${work.files} own`, work.filesGiven > 0 && `${work.filesGiven} given`]
        .filter(Boolean)
        .join(', '),
  },
  {
    key: 'attempts',
    head: 'Attempts',
    from: 1340,
    track: '56px',
    end: true,
    quiet: true,
    cell: AttemptsCell,
  },
  {
    key: 'course',
    head: 'Course',
    sort: 'place',
    from: NEVER,
    track: '104px',
    quiet: true,
    cell: ({ work, student }) => student.course(work.courseId)?.shortName ?? '',
  },
  {
    key: 'unit',
    head: 'Unit',
    from: NEVER,
    track: '150px',
    quiet: true,
    cell: ({ work }) => work.unit ?? '',
  },
  {
    key: 'impact',
    head: 'Impact',
    sort: 'impact',
    from: NEVER,
    track: '68px',
    end: true,
    cell: ({ work, student }) =>
      work.impact === null
        ? ''
        : `${Number(work.impact).toFixed(student.course(work.courseId)?.standing.kind === 'STANDARDS' ? 2 : 1)}`,
  },
  {
    key: 'ask',
    head: 'Ask until',
    from: NEVER,
    track: '118px',
    cell: ({ work, student, now }) => (work.askUntil ? near(work.askUntil, student.zone, now) : ''),
  },
  {
    key: 'notes',
    head: 'Notes',
    from: NEVER,
    track: '48px',
    end: true,
    quiet: true,
    cell: ({ work }) => (work.notes > 0 ? work.notes : ''),
  },
  {
    key: 'timing',
    head: 'Next loss',
    sort: 'loss',
    from: 0,
    track: 'minmax(188px, 0.3fr)',
    tight: '136px',
    cell: ({ work, student, now }) => <TimingBar countdown={countdown(work, student.zone, now)} />,
  },
];

/** What a person chose: which columns, in which order, how wide. */
export interface Layout {
  keys: readonly string[];
  /** Pixels by column; the others take the width that they have of themselves. */
  widths: Readonly<Record<string, number>>;
}

/** Null layout: those that fit, the least needed leaving first. */
export function columnsFor(width: number, layout: Layout | null): readonly Column[] {
  if (!layout) {
    return COLUMNS.filter((column) => column.from <= width).map((column) =>
      width < TIGHT && column.tight ? { ...column, track: column.tight } : column,
    );
  }
  return layout.keys.flatMap((key) => {
    const column = COLUMNS.find((one) => one.key === key);
    const pixels = layout.widths[key];
    return column ? [pixels ? { ...column, track: `${pixels}px` } : column] : [];
  });
}

function TitleCell({ work, student }: CellProps) {
  const course = student.course(work.courseId);
  return (
    <>
      <CourseMark colour={course?.colour ?? ''} className="mr-2" />
      <span className="truncate font-semibold" title={`${work.title} · ${course?.name}`}>
        {work.title}
      </span>
      {!work.required && work.kind !== 'PRACTICE' && (
        <span className="shrink-0 pl-1.5 text-[13px] text-ink-2">optional</span>
      )}
      <span
        className="ml-auto max-w-[40%] shrink-0 truncate pl-2.5 text-[13px] text-ink-2 group-data-[tight=true]/work:max-w-[30%]"
        title={course?.name}
      >
        {course?.shortName}
      </span>
    </>
  );
}

function DueCell({ work, student, now }: CellProps) {
  const { zone } = student;
  const due = work.move === 'YOURS' ? work.dueToCome : work.due;
  if (!due && work.redo && work.next) {
    return <span title={near(work.next.at, zone, now)}>until {nearDate(work.next.at, zone, now)}</span>;
  }
  if (!due) return <span className="text-ink-3">no due date</span>;
  const words = near(due, zone, now);
  return work.dueDay ? <span title={`by the end of ${dateWords(work.dueDay)}`}>{words}</span> : words;
}

function ScoreCell({ work }: CellProps) {
  const scoring = useScoring();
  if (scoring) return <ScoreInput work={work} scoring={scoring} />;
  return <ScoreWords work={work} />;
}

function ScoreWords({ work }: Pick<CellProps, 'work'>) {
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
  const { latestBy, unread, count, waits } = work.feedback;
  if (waits && unread === 0) return <span className="truncate font-semibold">asked, no answer</span>;
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
