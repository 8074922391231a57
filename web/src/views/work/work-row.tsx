import clsx from 'clsx';
import { type CSSProperties, memo } from 'react';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { dateWords, near, nearDate } from '../../lib/time';
import { countdown, KIND_WORDS, moveWords, STAGE_WORDS, scoreWords, stageDetail } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { StageGlyph } from '../../ui/stage-glyph';
import { TimingBar } from '../../ui/timing-bar';
import { type Group, span60 } from './model';

interface GroupRowProps {
  group: Group;
  rowIndex: number;
  style: CSSProperties;
}

function GroupRow({ group, rowIndex, style }: GroupRowProps) {
  const student = useStudent();
  return (
    <div role="row" aria-rowindex={rowIndex} tabIndex={-1} className="work-group" style={style}>
      <span role="gridcell" tabIndex={-1}>
        <b className="font-bold">{group.key === 'YOURS' ? moveWords(group.key, student) : group.title}</b>{' '}
        <span>{group.works.length}</span>{' '}
        {group.about && <small className="ml-1 text-[13.5px] text-ink-2">{group.about}</small>}
      </span>
    </div>
  );
}

interface WorkRowProps {
  work: Work;
  rowIndex: number;
  open: boolean;
  stop: boolean;
  narrow: boolean;
  onOpen: (work: number) => void;
  onFocus: (work: number) => void;
  style: CSSProperties;
}

function WorkRow({ work, rowIndex, open, stop, narrow, onOpen, onFocus, style }: WorkRowProps) {
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the grid around it takes the keys
    <div
      role="row"
      aria-rowindex={rowIndex}
      aria-selected={open}
      tabIndex={stop ? 0 : -1}
      data-work={work.id}
      data-open={open}
      data-move={work.move}
      onClick={() => onOpen(work.id)}
      onFocus={() => onFocus(work.id)}
      className="work-row"
      style={style}
    >
      {narrow ? <TwoLines work={work} /> : <Cells work={work} />}
    </div>
  );
}

const Cells = memo(function Cells({ work }: { work: Work }) {
  const { course, zone } = useStudent();
  const now = useNow();
  const score = scoreWords(work.score);
  const { feedback } = work;
  return (
    <div className="work-cells h-full" role="presentation">
      <span role="gridcell" tabIndex={-1} className="c-state">
        <StateWords work={work} />
      </span>
      <span role="gridcell" tabIndex={-1} className="c-title">
        <CourseMark colour={course(work.courseId)?.colour ?? ''} className="mr-2" />
        <span className="truncate font-semibold" title={`${work.title} · ${course(work.courseId)?.name}`}>
          {work.title}
        </span>
        <span className="sr-only">, {course(work.courseId)?.name}</span>
      </span>
      <span role="gridcell" tabIndex={-1} className="c-kind text-ink-2">
        {KIND_WORDS[work.kind]}
      </span>
      <span role="gridcell" tabIndex={-1} className="c-due">
        <DueWords work={work} zone={zone} now={now} />
      </span>
      <span role="gridcell" tabIndex={-1} className="c-effort text-ink-2">
        {work.effortMinutes ? span60(work.effortMinutes) : ''}
      </span>
      <span role="gridcell" tabIndex={-1} className="c-score">
        {score.mark && <span className="text-ink-2">{score.mark} </span>}
        {score.points} <span className="text-ink-2">{score.of}</span>
      </span>
      <span
        role="gridcell"
        tabIndex={-1}
        className={clsx('c-feedback', feedback.unread > 0 ? 'font-bold' : 'text-ink-2')}
      >
        <span className="truncate" title={feedback.latestBy ?? ''}>
          {feedback.latestBy?.split(' ').at(-1)}
          {feedback.unread > 0 ? `, ${feedback.unread} new` : feedback.count > 1 ? `, ${feedback.count}` : ''}
        </span>
      </span>
      <span role="gridcell" tabIndex={-1} className="c-files text-ink-2">
        {work.files > 0 ? work.files : ''}
      </span>
      <span role="gridcell" tabIndex={-1} className="c-attempts text-ink-2">
        {work.attemptsAllowed
          ? `${work.attemptsUsed} of ${work.attemptsAllowed}`
          : work.attemptsUsed > 0
            ? work.attemptsUsed
            : ''}
      </span>
      <span role="gridcell" tabIndex={-1} className="c-timing">
        <TimingBar countdown={countdown(work, zone, now)} />
      </span>
    </div>
  );
});

const TwoLines = memo(function TwoLines({ work }: { work: Work }) {
  const { course, zone } = useStudent();
  const now = useNow();
  return (
    <div
      role="gridcell"
      tabIndex={-1}
      className="flex h-full flex-col justify-center gap-0.5 px-5 max-sm:px-3"
    >
      <span className="flex min-w-0 items-center">
        <CourseMark colour={course(work.courseId)?.colour ?? ''} className="mr-2" />
        <span className="min-w-0 flex-1 truncate font-semibold">{work.title}</span>
        <span className="sr-only">, {course(work.courseId)?.name}</span>
        {work.feedback.unread > 0 && <b className="ml-2 shrink-0 text-[13px]">{work.feedback.unread} new</b>}
      </span>
      <span className="flex min-w-0 items-center gap-3 text-[13px]">
        <StateWords work={work} />
        <span className="ml-auto min-w-0">
          <TimingBar countdown={countdown(work, zone, now)} />
        </span>
      </span>
    </div>
  );
});

/** The state as a glyph and in words; what stands behind the stage is said after a dot. */
function StateWords({ work }: { work: Work }) {
  const detail = stageDetail(work);
  return (
    <span className="flex min-w-0 items-center gap-2">
      <StageGlyph stage={work.stage} redo={work.stage === 'RETURNED' && work.move === 'YOURS'} />
      <span className="truncate">
        <span className="font-semibold">{STAGE_WORDS[work.stage]}</span>
        {detail && (
          <span className={work.missing ? 'font-semibold text-loss' : 'text-ink-2'}> · {detail}</span>
        )}
      </span>
    </span>
  );
}

function DueWords({ work, zone, now }: { work: Work; zone: string; now: number }) {
  const due = work.redo ? work.redo.due : work.due;
  if (!due && work.redo && work.next)
    return <span title={near(work.next.at, zone, now)}>until {nearDate(work.next.at, zone, now)}</span>;
  if (!due) return <span className="text-ink-3">no due date</span>;
  const words = near(due, zone, now);
  const title = work.dueDay ? `by the end of ${dateWords(work.dueDay)}` : words;
  return <span title={title}>{words}</span>;
}

export { GroupRow, StateWords, WorkRow };
