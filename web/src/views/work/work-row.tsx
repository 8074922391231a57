import { memo } from 'react';
import type { Work } from '../../api/client';
import { type StudentView, useStudent } from '../../frame/student';
import { countdown, moveWords } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { TimingBar } from '../../ui/timing-bar';
import type { CellProps, Column } from './columns';
import type { Group } from './model';
import { StateWords } from './state-words';

interface Place {
  /** Pixels from the top of the rows. */
  start: number;
  size: number;
  /** Counted from 1, the head included. */
  rowIndex: number;
}

function placeStyle({ start, size }: Place) {
  return { transform: `translateY(${start}px)`, height: size };
}

interface GroupRowProps extends Place {
  group: Group;
  /** Null while no rows are being chosen. */
  chosen: ReadonlySet<number> | null;
  onChoose: (works: readonly number[]) => void;
}

function GroupRow({ group, chosen, onChoose, ...place }: GroupRowProps) {
  const student = useStudent();
  return (
    <div
      role="row"
      aria-rowindex={place.rowIndex}
      tabIndex={-1}
      className="work-group"
      style={placeStyle(place)}
    >
      <span role="gridcell" tabIndex={-1}>
        {chosen && (
          <input
            type="checkbox"
            aria-label={`Choose all ${group.works.length} of ${group.title}`}
            checked={group.works.every((work) => chosen.has(work.id))}
            onChange={() => onChoose(group.works.map((work) => work.id))}
            className="mr-2 size-4 accent-(--ink)"
          />
        )}
        <b className="font-bold">{group.key === 'YOURS' ? moveWords(group.key, student) : group.title}</b>{' '}
        <span>{group.works.length}</span>{' '}
        {group.about && <small className="ml-1 text-[13.5px] text-ink-2">{group.about}</small>}
      </span>
    </div>
  );
}

interface WorkRowProps extends Place {
  work: Work;
  student: StudentView;
  now: number;
  /** Empty for the two lines of a narrow table. */
  columns: readonly Column[];
  open: boolean;
  stop: boolean;
  /** Null while no rows are being chosen. */
  chosen: boolean | null;
  onChoose: (works: readonly number[], range?: boolean) => void;
  onOpen: (work: number) => void;
  onFocus: (work: number) => void;
}

const WorkRow = memo(function WorkRow(props: WorkRowProps) {
  const { work, student, now, columns, open, stop, chosen, onChoose, onOpen, onFocus } = props;
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the grid around it takes the keys
    <div
      role="row"
      aria-rowindex={props.rowIndex}
      aria-selected={chosen ?? open}
      tabIndex={stop ? 0 : -1}
      data-work={work.id}
      data-open={open}
      data-chosen={chosen ?? undefined}
      onClick={(event) => (chosen === null ? onOpen(work.id) : onChoose([work.id], event.shiftKey))}
      onFocus={() => onFocus(work.id)}
      className={columns.length > 0 ? 'work-row work-cells' : 'work-row'}
      style={placeStyle(props)}
    >
      {columns.length > 0 && chosen !== null && (
        <span role="gridcell" tabIndex={-1}>
          <span
            aria-hidden
            className="grid size-4 place-items-center rounded-sm border border-ink-3 text-[11px] text-paper leading-none data-[on=true]:border-ink data-[on=true]:bg-ink"
            data-on={chosen}
          >
            {chosen ? '✓' : ''}
          </span>
          <span className="sr-only">{chosen ? 'chosen' : 'not chosen'}</span>
        </span>
      )}
      {columns.length > 0 ? (
        columns.map((column) => (
          <span
            key={column.key}
            role="gridcell"
            tabIndex={-1}
            data-end={column.end}
            className={column.quiet ? 'text-ink-2' : undefined}
          >
            {column.cell({ work, student, now })}
          </span>
        ))
      ) : (
        <TwoLines work={work} student={student} now={now} />
      )}
    </div>
  );
});

/** The row where there is no room for columns. */
function TwoLines({ work, student, now }: CellProps) {
  const course = student.course(work.courseId);
  return (
    <div
      role="gridcell"
      tabIndex={-1}
      className="flex h-full flex-col justify-center gap-0.5 px-5 max-sm:px-3"
    >
      <span className="flex min-w-0 items-center">
        <CourseMark colour={course?.colour ?? ''} className="mr-2" />
        <span className="min-w-0 flex-1 truncate font-semibold">{work.title}</span>
        <span className="max-w-[34%] shrink-0 truncate pl-2 text-[13px] text-ink-2">{course?.shortName}</span>
        {work.feedback.unread > 0 && <b className="ml-2 shrink-0 text-[13px]">{work.feedback.unread} new</b>}
      </span>
      <span className="flex min-w-0 items-center gap-3 text-[13px]">
        <StateWords work={work} />
        <span className="ml-auto min-w-0">
          <TimingBar countdown={countdown(work, student.zone, now)} />
        </span>
      </span>
    </div>
  );
}

export { GroupRow, WorkRow };
