import clsx from 'clsx';
import { ChevronDown, ChevronRight, GripVertical } from 'lucide-react';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import type { Work } from '../../api/client';
import { useCorrection } from '../../frame/hours/efforts';
import { OpenAtSchool } from '../../frame/open-at-school';
import { useStudent } from '../../frame/student';
import type { DragMark } from '../../lib/drag';
import { useNow } from '../../lib/now';
import { stakeWords } from '../../lib/readings';
import { near, span, timeWords } from '../../lib/time';
import { countdown, lockWords } from '../../lib/words';
import { TextButton } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { DROP_LINE, type DragRows } from '../../ui/drag-rows';
import { StageGlyph } from '../../ui/stage-glyph';
import { TimingBar } from '../../ui/timing-bar';
import { WhyBefore } from './instead';
import {
  gainWords,
  leewayWords,
  likelyWords,
  type PlannedMove,
  pushedWords,
  sureWords,
  verb,
  why,
} from './model';
import { MoveMenu } from './move-menu';
import { useShownPlan } from './shown-plan';

interface MoveRowProps {
  move: PlannedMove;
  /** From 1. */
  number: number;
  work: Work;
  open: boolean;
  narrow: boolean;
  onOpen: (work: number) => void;
  /** Puts the move at one place where another stands, both from 0, if there is one; null for a reader. */
  onMove: ((from: number, to: number) => void) | null;
  drag: DragRows;
  /** Whether it is dragged, or where what is dragged would come to stand beside it. */
  mark: DragMark;
}

/** One move in a line: what to do, how long, what it saves, when it next loses, and why it stands here. */
const MoveRow = memo(function MoveRow(props: MoveRowProps) {
  const { move, number, work, open, narrow, onOpen, onMove, drag, mark } = props;
  const { zone, course, work: workOf, mayWrite } = useStudent();
  const now = useNow();
  const [unfolded, setUnfolded] = useState(false);
  const Fold = unfolded ? ChevronDown : ChevronRight;
  const late = countdown(work, zone, now);
  const reason = why(move, (id) => workOf(id)?.title ?? 'other work', zone, now);
  return (
    <li
      data-move={move.work}
      data-drag={mark}
      onDragOver={(event) => drag.over(number - 1, event)}
      onDrop={drag.drop}
      className={clsx(
        'group relative border-line border-b data-[drag=dragged]:opacity-50',
        DROP_LINE,
        open && 'bg-raised',
      )}
    >
      {onMove && <Grip {...props} />}
      <div
        className={clsx(
          'grid items-center gap-x-3 py-2 pr-1 max-sm:grid-cols-[24px_minmax(0,1fr)_auto_28px]',
          narrow
            ? 'grid-cols-[30px_minmax(0,1fr)_72px_28px]'
            : 'grid-cols-[30px_minmax(0,1fr)_64px_84px_150px_28px]',
        )}
      >
        <button
          type="button"
          aria-expanded={unfolded}
          aria-label={`${number}: why ${work.title} stands here`}
          onClick={() => setUnfolded(!unfolded)}
          className={clsx(
            'flex h-7 items-center justify-end gap-0.5 text-[15px] hover:text-ink',
            number === 1 ? 'font-bold text-yours' : 'text-ink-3',
          )}
        >
          {number}
          <Fold size={12} aria-hidden className="opacity-60" />
        </button>
        <div className="min-w-0">
          <button
            type="button"
            data-open
            onClick={() => onOpen(move.work)}
            className="block max-w-full truncate text-left hover:underline max-sm:whitespace-normal"
          >
            <b className="font-[680]">{verb(move.deed, work)}</b> <span className="text-ink-2">·</span>{' '}
            {work.title}
          </button>
          <p className="flex min-w-0 items-center gap-2 text-[13.5px] text-ink-2">
            <StageGlyph stage={work.stage} redo={move.deed === 'REDO'} />
            <CourseMark colour={course(work.courseId)?.colour ?? ''} className="h-3.5" />
            <span className="line-clamp-2 max-sm:line-clamp-3">
              {course(work.courseId)?.name}. {move.notBefore ? 'You put it off. ' : ''}
              {reason}
            </span>
            {doneThere(work) && <OpenAtSchool quiet work={work} className="shrink-0" />}
          </p>
          <p className="text-[13.5px] sm:hidden">
            {span(move.minutes)} · {late.words}
          </p>
        </div>
        <span className={clsx('text-right max-sm:hidden', narrow && 'hidden')}>
          {span(move.minutes)}
          {move.minutesGuessed && <span className="block text-[12.5px] text-ink-3">guessed</span>}
        </span>
        <Gain move={move} work={work} />
        <span className={clsx('min-w-0 text-[13.5px] max-sm:hidden', narrow && 'hidden')}>
          <TimingBar countdown={late} stacked />
        </span>
        {mayWrite ? <MoveMenu move={move} work={work} onOpen={onOpen} /> : <span />}
      </div>
      {move.leeway && <LeewayFirst leeway={move.leeway} />}
      {unfolded && <Why move={move} work={work} reason={reason} />}
    </li>
  );
});

/** What it saves, and how sure that is. */
function Gain({ move, work }: { move: PlannedMove; work: Work }) {
  return (
    <span className="text-right">
      <b className="whitespace-nowrap font-[680]">
        {Number(move.gain) === 0 && work.score.possible === '0' ? (
          <span title="What it is worth isn’t known">?</span>
        ) : (
          gainWords(move.gain)
        )}
      </b>
      <span
        data-likely={move.likely}
        className="block truncate text-[12.5px] text-ink-3 data-[likely=AT_RISK]:font-semibold data-[likely=AT_RISK]:text-loss"
      >
        {likelyWords(move)}
      </span>
    </span>
  );
}

/** What has to be asked for or used before the move is worth what it says. */
function LeewayFirst({ leeway }: { leeway: NonNullable<PlannedMove['leeway']> }) {
  const { zone } = useStudent();
  const now = useNow();
  return (
    <p className="mb-2 ml-[42px] flex items-baseline gap-2 border-yours border-l-2 pl-2 text-[13.5px]">
      <span>
        <b className="font-semibold">{leewayWords(leeway, zone, now)}.</b> A move of its own
        {leeway.until && `, before ${near(leeway.until, zone, now)}`}; without it this loses more.
      </span>
    </p>
  );
}

/** What a move is dragged by; its arrow keys put it a place up or down. */
function Grip({ work, number, onMove, drag }: MoveRowProps) {
  return (
    // A real button can't be dragged in every browser.
    <span
      role="button"
      tabIndex={0}
      draggable
      aria-label={`Move ${work.title} up or down, with the arrow keys or by dragging`}
      onDragStart={(event) => drag.start(number - 1, event)}
      onDragEnd={drag.end}
      onKeyDown={(event) => {
        const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
        if (!step) return;
        event.preventDefault();
        onMove?.(number - 1, number - 1 + step);
      }}
      className="no-print absolute top-2 -left-4 z-10 grid h-7 w-4 cursor-grab touch-none place-items-center text-ink-3 opacity-0 focus-visible:opacity-100 group-hover:opacity-100 max-sm:-left-3 max-sm:w-3 max-sm:opacity-70"
    >
      <GripVertical size={14} aria-hidden />
    </span>
  );
}

/** What is done at the school itself, rather than here and handed in. */
const doneThere = (work: Work) => work.byAttempts || work.kind === 'DISCUSSION';

/** Where drops or gates let others stand in for it, a piece of work alone costs less than it brings with the rest. */
function alone(move: PlannedMove, work: Work): string {
  const impact = Number(work.impact ?? 0);
  if (work.score.points !== null || Math.abs(impact - Number(move.gain)) < 0.05) return '';
  return ` Nothing for it alone would cost ${stakeWords(String(impact))}.`;
}

/** All that decided where a move stands. */
function Why({ move, work, reason }: { move: PlannedMove; work: Work; reason: string }) {
  const { id, zone, work: piece, course, mayWrite } = useStudent();
  const now = useNow();
  const next = useShownPlan();
  const { write: correct } = useCorrection(id);
  // Ratings have no percent that could be set beside the gain.
  const byStandards = course(work.courseId)?.standing.kind === 'STANDARDS';
  const rows: [string, React.ReactNode][] = [
    ['Why here', `${reason}.`],
    [
      'When',
      move.sittings
        .map((sitting) => `${near(sitting.start, zone, now)} to ${timeWords(sitting.end, zone)}`)
        .join(', then '),
    ],
    [
      'It saves',
      `${gainWords(move.gain)} of ${course(work.courseId)?.name}, by the course’s own rules, if it is in then.${byStandards ? '' : alone(move, work)}`,
    ],
  ];
  rows.push(['How sure', sureWords(move, zone, now)]);
  if (move.next) {
    rows.push(['Next loss', `${near(move.next.at, zone, now)}: ${countdown(work, zone, now).words}`]);
  }
  if (move.because.opens.length > 0) {
    rows.push([
      'It opens',
      move.because.opens.map((other, place) => (
        <span key={other}>
          {place > 0 && ', '}
          <Link to={`/s/${id}/next/${other}`} className="underline underline-offset-2">
            {piece(other)?.title}
          </Link>
        </span>
      )),
    ]);
  }
  if (next) {
    const titles = (other: number) => piece(other)?.title ?? 'other work';
    rows.push(['Pushed down by', pushedWords(move, next, titles, zone, now)]);
  }
  rows.push(['Why before', <WhyBefore key="before" move={move} />]);
  if (!move.yours) rows.push(['Not yet', lockWords(work) ?? 'It opens before it is planned to be begun.']);
  if (work.effortSaid !== null) {
    rows.push([
      'Minutes',
      <>
        {span(work.effortSaid)} said; {span(work.effortMinutes ?? 0)} by the time you took for the like.{' '}
        {mayWrite && (
          <TextButton
            className="text-[13.5px]"
            onClick={() => void correct({ course: work.courseId, kind: work.kind, refused: true })}
          >
            Leave it as said
          </TextButton>
        )}
      </>,
    ]);
  }
  if (work.minutesSpent > 0 && work.effortMinutes !== null && move.minutes < work.effortMinutes) {
    rows.push(['Spent', `${span(work.minutesSpent)} of ${span(work.effortMinutes)}; the rest is planned.`]);
  }
  if (move.minutesGuessed)
    rows.push(['Minutes', 'Nobody has said how long it takes: half an hour is assumed.']);
  return (
    <dl className="mb-3 ml-[42px] grid grid-cols-[max-content_minmax(0,1fr)] gap-x-4 gap-y-0.5 text-[13.5px]">
      {rows.map(([name, words]) => (
        <div key={name} className="contents">
          <dt className="text-ink-2">{name}</dt>
          <dd>{words}</dd>
        </div>
      ))}
    </dl>
  );
}

export { MoveRow };
