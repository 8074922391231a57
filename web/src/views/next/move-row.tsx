import clsx from 'clsx';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near, span } from '../../lib/time';
import { countdown } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { StageGlyph } from '../../ui/stage-glyph';
import { TimingBar } from '../../ui/timing-bar';
import { leewayWords, type PlannedMove, points, verb, why, workOf } from './model';
import { MoveMenu } from './move-menu';

interface MoveRowProps {
  move: PlannedMove;
  number: number;
  work: Work;
  open: boolean;
  narrow: boolean;
  onOpen: (work: number) => void;
}

/** One move in a line: what to do, how long, what it saves, when it next loses, and why it stands here. */
const MoveRow = memo(function MoveRow({ move, number, work, open, narrow, onOpen }: MoveRowProps) {
  const { board, zone, course, mayWrite } = useStudent();
  const now = useNow();
  const [unfolded, setUnfolded] = useState(false);
  const Fold = unfolded ? ChevronDown : ChevronRight;
  const late = countdown(work, zone, now);
  const reason = why(move, (id) => workOf(board)(id)?.title ?? 'other work', zone, now);
  return (
    <li data-move={move.work} className={clsx('border-line border-b', open && 'bg-raised')}>
      <div
        className={clsx(
          'grid items-center gap-x-3 py-2 pr-1 max-sm:grid-cols-[24px_minmax(0,1fr)_auto_28px]',
          narrow
            ? 'grid-cols-[30px_minmax(0,1fr)_64px_28px]'
            : 'grid-cols-[30px_minmax(0,1fr)_72px_64px_150px_28px]',
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
            <span className="truncate">
              {course(work.courseId)?.name}. {move.notBefore ? 'You put it off. ' : ''}
              {reason}
            </span>
          </p>
          <p className="text-[13.5px] sm:hidden">
            {span(move.minutes)} · {late.words}
          </p>
        </div>
        <span className={clsx('text-right max-sm:hidden', narrow && 'hidden')}>
          {span(move.minutes)}
          {move.minutesGuessed && <span className="block text-[12.5px] text-ink-3">guessed</span>}
        </span>
        <span className="text-right">
          <b className="font-[680]">{points(move.gain)}</b>
          <span className="block text-[12.5px] text-ink-3">points</span>
        </span>
        <span className={clsx('min-w-0 text-[13.5px] max-sm:hidden', narrow && 'hidden')}>
          <TimingBar countdown={late} stacked />
        </span>
        {mayWrite ? <MoveMenu move={move} work={work} onOpen={onOpen} /> : <span />}
      </div>
      {move.leeway && (
        <p className="mb-2 ml-[42px] flex items-baseline gap-2 border-yours border-l-2 pl-2 text-[13.5px]">
          <span>
            <b className="font-semibold">{leewayWords(move.leeway, zone, now)}.</b> A move of its own, before{' '}
            {near(move.leeway.until, zone, now)}; without it this loses more.
          </span>
        </p>
      )}
      {unfolded && <Why move={move} work={work} reason={reason} />}
    </li>
  );
});

/** All that decided where a move stands. */
function Why({ move, work, reason }: { move: PlannedMove; work: Work; reason: string }) {
  const { board, id, zone } = useStudent();
  const now = useNow();
  const piece = workOf(board);
  const rows: [string, React.ReactNode][] = [
    ['Why here', `${reason}.`],
    [
      'When',
      move.sittings
        .map(
          (sitting) =>
            `${near(sitting.start, zone, now)} to ${near(sitting.end, zone, now).split(' ').at(-1)}`,
        )
        .join(', then '),
    ],
    [
      'It saves',
      `${points(move.gain)} points of the course’s hundred, by the course’s own rules, if it is in then.`,
    ],
  ];
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
  if (!move.yours) rows.push(['Not yet', work.lock ?? 'It opens before it is planned to be begun.']);
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
