import clsx from 'clsx';
import { memo } from 'react';
import { Link } from 'react-router';
import type { Course } from '../../api/client';
import { useStudent } from '../../frame/student';
import { sentence } from '../../lib/words';
import { StageGlyph } from '../../ui/stage-glyph';
import { LANE_TOP, type LaidLane, ROW } from './laid';
import type { Bar, Placed } from './model';
import type { Mover } from './moving';
import { Rail } from './rail';
import type { TimeWindow } from './use-window';
import { useWorkAddress } from './use-work-address';
import { barWords, stateOf } from './words';

/** Of a row, down to the middle of its rail. */
const RAIL_Y = 22;
const GRIP = 10;

interface LaneBarsProps {
  lane: LaidLane;
  time: TimeWindow;
  now: number;
  /** Pixels within the lane that have to be drawn. */
  visible: { top: number; bottom: number };
  sittings: ReadonlyMap<number, readonly { from: number; to: number }[]>;
  /** The one bar that the tab key reaches. */
  stop: number | null;
  openWork: number | null;
  /** The bar that is pointed at or walked to. */
  pointed: number | null;
  label: (bar: Bar) => { title: string; end: string };
  deeds: BarDeeds;
}

/** What can be done with a bar; the same as long as the lanes are on screen. */
export interface BarDeeds {
  focus: (work: number) => void;
  point: (bar: Bar | null, rect: DOMRect | null) => void;
  take: Mover['take'];
  drag: Mover['drag'];
  refuse: Mover['refuse'];
}

const NO_SITTINGS: readonly { from: number; to: number }[] = [];

function LaneBars(props: LaneBarsProps) {
  const { lane, time, now, visible, stop, openWork, sittings, deeds } = props;
  const address = useWorkAddress();
  const { course } = useStudent();
  const { left, right } = time.drawn;
  const drawn = lane.placed.filter((one) => {
    const y = LANE_TOP + one.row * ROW;
    const seen =
      y + ROW >= visible.top &&
      y <= visible.bottom &&
      (one.bar.held || (one.right >= left && one.left <= right));
    return seen || one.bar.work.id === stop;
  });
  return (
    <>
      <Threads lane={lane} time={time} pointed={props.pointed} />
      {drawn.map(({ bar, row, left, right }) => (
        <OneBar
          key={bar.work.id}
          bar={bar}
          row={row}
          left={left}
          right={right}
          x={time.x}
          gutter={time.gutter}
          length={time.length}
          now={now}
          to={address(bar.work.id)}
          course={course(bar.work.courseId)}
          {...props.label(bar)}
          stop={bar.work.id === stop}
          open={bar.work.id === openWork}
          replace={openWork !== null}
          sittings={sittings.get(bar.work.id) ?? NO_SITTINGS}
          deeds={deeds}
        />
      ))}
      {lane.shelf.length > 0 && <Shelf {...props} />}
    </>
  );
}

interface OneBarProps extends Placed {
  x: (at: number) => number;
  gutter: number;
  length: number;
  now: number;
  to: string;
  course: Course | undefined;
  title: string;
  end: string;
  stop: boolean;
  open: boolean;
  replace: boolean;
  sittings: readonly { from: number; to: number }[];
  deeds: BarDeeds;
}

/** Drawn anew only when something of it has changed: hundreds of them stay as they are while time moves. */
const OneBar = memo(function OneBar(props: OneBarProps) {
  const { bar, row, left, right, x, gutter, now, title, end, deeds } = props;
  const top = LANE_TOP + row * ROW;
  const railLeft = x(bar.from) - 8;
  const railWidth = x(bar.to) - railLeft + 10;
  const hot = bar.held || bar.work.missing;
  const words = barWords(bar, props.course, now);
  const box = bar.held
    ? { left: gutter, width: props.length }
    : { left: gutter + left - 8, width: right - left + 18 };
  return (
    <Link
      to={props.to}
      replace={props.replace}
      data-bar={bar.work.id}
      aria-label={`${title} ${end || stateOf(bar)}. ${words.map(sentence).join(' ')}`}
      tabIndex={props.stop ? 0 : -1}
      draggable={false}
      aria-current={props.open ? 'true' : undefined}
      onFocus={(event) => {
        deeds.focus(bar.work.id);
        if (event.currentTarget.matches(':focus-visible')) deeds.point(bar, rectOf(event.currentTarget));
      }}
      onBlur={() => deeds.point(null, null)}
      onMouseEnter={(event) => deeds.point(bar, rectOf(event.currentTarget))}
      onMouseLeave={() => deeds.point(null, null)}
      onKeyDown={(event) => {
        if (event.key !== 'm' || bar.due === null) return;
        event.preventDefault();
        if (bar.work.origin === 'TYPED') deeds.take(dueOf(bar, bar.due));
        else deeds.refuse(bar);
      }}
      className={clsx(
        'timeline-bar absolute block whitespace-nowrap text-[13px] leading-[17px]',
        bar.held && 'pointer-events-none flex',
      )}
      style={{ top, height: ROW - 1, ...box }}
    >
      {bar.held && <span className="shrink-0" style={{ width: Math.max(0, x(now)) }} />}
      <span
        data-label
        className={clsx(
          'pointer-events-auto sticky inline-block truncate pr-1 pl-[8px]',
          bar.held ? 'h-[17px] shrink-0 bg-paper/80' : 'max-w-[520px]',
          hot && 'text-loss',
        )}
        style={bar.held ? { left: gutter, right: 4 } : { left: gutter }}
      >
        <span className={clsx('font-semibold', bar.work.move === 'SETTLED' && 'text-ink-2')}>{title}</span>
        {end && <span className={hot ? '' : 'text-ink-2'}>&ensp;{end}</span>}
      </span>
      <span
        className="pointer-events-auto absolute bottom-0 h-[16px]"
        style={
          bar.held ? { left: railLeft, width: railWidth } : { left: railLeft - left + 8, width: railWidth }
        }
      >
        <Rail bar={bar} x={x} left={railLeft} width={railWidth} sittings={props.sittings} />
        <DueGrip bar={bar} x={x} from={railLeft} deeds={deeds} />
      </span>
    </Link>
  );
});

const dueOf = ({ work }: Bar, due: number) => ({
  kind: 'due' as const,
  work: work.id,
  title: work.title,
  from: due,
  at: due,
});

interface DueGripProps {
  bar: Bar;
  x: (at: number) => number;
  /** Where the rail begins that it lies on. */
  from: number;
  deeds: BarDeeds;
}

/** The end of a rail, by which a due that was typed in is moved. */
function DueGrip({ bar, x, from, deeds }: DueGripProps) {
  const { due } = bar;
  if (due === null) return null;
  const typed = bar.work.origin === 'TYPED';
  return (
    <span
      aria-hidden
      data-grip
      title={typed ? 'Drag to move the due' : undefined}
      onClick={(event) => event.preventDefault()}
      onPointerDown={(event) => {
        event.preventDefault();
        if (typed) deeds.drag(dueOf(bar, due), event);
        else refuseWhenDragged(event, () => deeds.refuse(bar));
      }}
      className={clsx('absolute inset-y-0', typed && 'cursor-ew-resize')}
      style={{ left: x(due) - from - GRIP / 2, width: GRIP }}
    />
  );
}

/** The label, or else the rail: what the words belong beside. */
function rectOf(bar: HTMLElement): DOMRect {
  return (bar.querySelector('[data-label]') ?? bar).getBoundingClientRect();
}

/** Only who pulls at it is told why it stays. */
function refuseWhenDragged(event: React.PointerEvent, refuse: () => void): void {
  const { clientX } = event;
  const move = (to: PointerEvent) => {
    if (Math.abs(to.clientX - clientX) < 6) return;
    done();
    refuse();
  };
  const done = () => {
    window.removeEventListener('pointermove', move);
    window.removeEventListener('pointerup', done);
  };
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', done);
}

/**
 * What waits for what: a thread from the end of the one to the beginning of the other, while it waits; of the bar that is
 * pointed at, also those that are open by now.
 */
function Threads({ lane, time, pointed }: Pick<LaneBarsProps, 'lane' | 'time' | 'pointed'>) {
  const byWork = new Map(lane.placed.map((one) => [one.bar.work.id, one]));
  const y = (one: Placed) => LANE_TOP + one.row * ROW + RAIL_Y;
  const threads = lane.placed.flatMap((one) =>
    one.bar.told.waitsFor.flatMap((before) => {
      const gate = byWork.get(before);
      if (!gate) return [];
      const from = time.x(gate.bar.railEnd);
      const to = time.x(one.bar.from);
      const bend = Math.max(18, Math.abs(to - from) / 3);
      const shut = one.bar.told.shutBy.includes(before);
      const asked = one.bar.work.id === pointed || before === pointed;
      if (!shut && !asked) return [];
      return [
        {
          key: `${before} ${one.bar.work.id}`,
          asked,
          d: `M${from} ${y(gate)} C${from + bend} ${y(gate)} ${to - bend} ${y(one)} ${to} ${y(one)}`,
        },
      ];
    }),
  );
  if (threads.length === 0) return null;
  return (
    <svg
      aria-hidden
      className="pointer-events-none absolute top-0"
      style={{ left: time.gutter }}
      width={time.length}
      height={lane.height}
    >
      {threads.map(({ key, asked, d }) => (
        <path
          key={key}
          d={d}
          fill="none"
          stroke={asked ? 'var(--ink)' : 'var(--ink-3)'}
          strokeWidth={asked ? 1.8 : 1.1}
          strokeDasharray="4 3"
        />
      ))}
    </svg>
  );
}

/** Work that nothing places in time, with its count: always in sight. */
function Shelf({ lane, time, openWork }: LaneBarsProps) {
  const address = useWorkAddress();
  return (
    <div
      className="absolute right-0 flex"
      style={{ left: time.gutter, top: LANE_TOP + lane.rows * ROW, width: time.length }}
    >
      <ul
        aria-label={`${lane.course.name}: no due date`}
        className="sticky flex flex-wrap items-center gap-x-3 text-[13px] leading-[25px]"
        style={{ left: time.gutter + 8, width: time.width - 12 }}
      >
        <li className="text-ink-2">No due date {lane.shelf.length}</li>
        {lane.shelf.map((work) => (
          <li key={work.id} className="min-w-0">
            <Link
              to={address(work.id)}
              replace={openWork !== null}
              className="inline-flex max-w-full items-center font-semibold hover:underline"
            >
              <StageGlyph stage={work.stage} redo={work.stage === 'RETURNED' && work.move === 'YOURS'} />
              <span className="truncate">{work.title}</span>
              <span className="sr-only">, {stateOf({ work })}</span>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}

export { LaneBars };
