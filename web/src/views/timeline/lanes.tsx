import { Minus, Plus } from 'lucide-react';
import { type ComponentProps, useMemo, useRef, useState } from 'react';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useKeptScroll } from '../../lib/kept-scroll';
import { useMinute } from '../../lib/now';
import { localDate, moment } from '../../lib/time';
import { useWidth } from '../../lib/width';
import { count } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import type { Next } from '../next/model';
import { AXIS, AXIS_ABROAD, Axis, Ground, POSTS, Posts, seenWords } from './axis';
import { BarCard } from './bar-card';
import { DayHours } from './day-hours';
import { HOURS, HoursLane } from './hours-lane';
import { type LaidLane, labelOf, useLaid } from './laid';
import { type BarDeeds, LaneBars } from './lane-bars';
import { Legend } from './legend';
import { type Bar, type Day, grainOf, lanesOf, ms, type Timeline } from './model';
import { type Mover, useMover } from './moving';
import { useGestures } from './use-gestures';
import { type TimeWindow, useTimeWindow } from './use-window';
import { STEP_IN, STEP_OUT, useTimeKeys, useWalk } from './walk';
import { abroad } from './words';

const GUTTER = 148;
const GUTTER_NARROW = 84;
const NARROW = 620;

interface LanesProps {
  timeline: Timeline;
  shown: readonly Work[];
  next: Next | undefined;
  openWork: number | null;
  onOpen: (work: number) => void;
}

/** A lane a course, time across. */
function Lanes({ timeline, shown, next, openWork, onOpen }: LanesProps) {
  const { board, zone, course } = useStudent();
  const now = useMinute();
  const page = useRef<HTMLDivElement>(null);
  const gutter = useWidth(page, 1280) < NARROW ? GUTTER_NARROW : GUTTER;
  const time = useTimeWindow(timeline, gutter);
  useGestures(time);
  useKeptScroll(time.box);
  const lanes = useMemo(() => lanesOf(board, timeline, shown), [board, timeline, shown]);
  const laid = useLaid(lanes, time, now);
  const mover = useMover(time, now);
  const [pointed, setPointed] = useState<{ bar: Bar; rect: DOMRect } | null>(null);
  const [day, setDay] = useState<Day | null>(null);
  const axis = grainOf(time.pixelsADay) === 'hours' && abroad(timeline.zone, now) ? AXIS_ABROAD : AXIS;
  const sticky = axis + POSTS + HOURS;
  const walk = useWalk(laid, time, sticky, openWork, onOpen);
  const deeds = useDeeds(mover, walk.setActive, setPointed);
  useTimeKeys(time);

  const sittings = useSittings(next);
  const last = laid.at(-1);
  const far = grainOf(time.pixelsADay) === 'weeks';
  const height = sticky + (last ? last.top + last.height : 0);
  const { drawn } = time;
  return (
    <div ref={page} className="relative flex min-h-0 flex-1 flex-col">
      <div
        ref={time.box}
        role="region"
        aria-label="Lanes: a course each, time across"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls can be reached and scrolled by keys
        tabIndex={0}
        onKeyDown={walk.onKeyDown}
        onScroll={() => setPointed(null)}
        className="timeline-box relative min-h-0 flex-1 overflow-auto outline-offset-[-2px]"
      >
        <div className="relative" style={{ width: time.length + gutter, minHeight: '100%', height }}>
          <Ground timeline={timeline} time={time} now={now} height={height} />
          <Axis timeline={timeline} time={time} now={now}>
            <Corner time={time} />
          </Axis>
          <Frame
            timeline={timeline}
            time={time}
            now={now}
            next={next}
            mover={mover}
            top={axis}
            onDay={setDay}
          />
          {laid.map((lane) => (
            <LaneRow
              key={lane.course.id}
              lane={lane}
              gutter={gutter}
              time={time}
              now={now}
              visible={{ top: drawn.top - sticky - lane.top, bottom: drawn.bottom - sticky - lane.top }}
              sittings={sittings}
              stop={walk.stop}
              openWork={openWork}
              pointed={pointed?.bar.work.id ?? null}
              label={(bar) => labelOf(bar, far, lane.course.zone, now)}
              deeds={deeds}
            />
          ))}
          <Ghost mover={mover} time={time} zone={zone} height={height} top={axis} />
        </div>
      </div>
      <p role="status" className="sr-only">
        {mover.words}
      </p>
      <Legend />
      {pointed && !mover.moving && (
        <BarCard {...pointed} course={course(pointed.bar.work.courseId)} now={now} />
      )}
      {day && <DayHours day={day} timeline={timeline} onClose={() => setDay(null)} />}
    </div>
  );
}

interface FrameProps extends Omit<ComponentProps<typeof HoursLane>, 'today'> {
  now: number;
  /** Pixels from the top of the box at which it stays. */
  top: number;
}

/** What stays above the lanes: closes and days off, and the hours. */
function Frame({ now, top, ...hours }: FrameProps) {
  const { timeline, time } = hours;
  return (
    <div
      className="sticky z-[15] border-line border-b bg-raised"
      style={{ top, width: time.length + time.gutter }}
    >
      <Posts timeline={timeline} time={time} now={now} />
      <HoursLane {...hours} today={localDate(now, timeline.zone)} />
    </div>
  );
}

/** When each piece of work is planned to be worked on. */
function useSittings(next: Next | undefined) {
  return useMemo(() => {
    const all = new Map<number, { from: number; to: number }[]>();
    for (const move of next?.moves ?? []) {
      all.set(
        move.work,
        move.sittings.map((sitting) => ({ from: ms(sitting.start), to: ms(sitting.end) })),
      );
    }
    return all;
  }, [next]);
}

function LaneRow({ gutter, ...bars }: ComponentProps<typeof LaneBars> & { gutter: number }) {
  const { lane } = bars;
  return (
    <section
      aria-label={`${lane.course.name}, ${count(lane.bars.length + lane.shelf.length, 'piece of work', 'pieces of work')}`}
      className="timeline-lane relative border-line border-b"
      style={{ height: lane.height }}
    >
      <LaneHead lane={lane} gutter={gutter} />
      <LaneBars {...bars} />
    </section>
  );
}

/** Always the same object, so that bars needn't be drawn anew for it. */
function useDeeds(
  mover: Mover,
  focus: (work: number) => void,
  setPointed: (to: { bar: Bar; rect: DOMRect } | null) => void,
): BarDeeds {
  const latest = useRef({ mover, focus, setPointed });
  latest.current = { mover, focus, setPointed };
  return useMemo(
    () => ({
      focus: (work) => latest.current.focus(work),
      point: (bar, rect) => latest.current.setPointed(bar && rect ? { bar, rect } : null),
      take: (what) => latest.current.mover.take(what),
      drag: (what, event) => latest.current.mover.drag(what, event),
      refuse: (bar) => latest.current.mover.refuse(bar),
    }),
    [],
  );
}

function LaneHead({ lane, gutter }: { lane: LaidLane; gutter: number }) {
  const works = [...lane.bars.map((bar) => bar.work), ...lane.shelf];
  const yours = works.filter((work) => work.move === 'YOURS').length;
  return (
    <div
      className="sticky left-0 z-10 border-line border-r bg-paper px-3 py-2 text-[14px] leading-tight max-sm:px-1.5"
      style={{ width: gutter, height: lane.height - 1 }}
    >
      <h2 className="font-[680]">
        <CourseMark colour={lane.course.colour} className="mr-1.5 align-[-3px]" />
        {gutter < GUTTER ? lane.course.shortName : lane.course.name}
      </h2>
      <p className="mt-0.5 text-[13px] text-ink-2">
        {works.length}
        {yours > 0 && `, ${yours} yours`}
      </p>
    </div>
  );
}

interface GhostProps {
  mover: Mover;
  time: TimeWindow;
  zone: string;
  height: number;
  top: number;
}

/** Where something that is being moved would lie. */
function Ghost({ mover, time, zone, height, top }: GhostProps) {
  if (!mover.moving) return null;
  const { at } = mover.moving;
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute top-0 z-[18] border-ink border-l-2 border-dashed"
      style={{ left: time.gutter + time.x(at), height }}
    >
      <span className="sticky block w-max bg-ink px-1.5 text-[13px] text-paper" style={{ top }}>
        {moment(new Date(at).toISOString(), zone)}
      </span>
    </div>
  );
}

/** Nearer, further, and back to now. */
function Corner({ time }: { time: TimeWindow }) {
  const step = 'grid size-6 shrink-0 place-items-center rounded border border-line hover:border-ink-3';
  return (
    <span className="flex items-center justify-between gap-1">
      <button type="button" aria-label="Further" onClick={() => time.zoom(STEP_OUT)} className={step}>
        <Minus size={13} aria-hidden />
      </button>
      <span className="whitespace-nowrap max-sm:hidden">{seenWords(time)}</span>
      <button type="button" aria-label="Nearer" onClick={() => time.zoom(STEP_IN)} className={step}>
        <Plus size={13} aria-hidden />
      </button>
      <button
        type="button"
        aria-label="Here and now"
        onClick={() => time.home()}
        className="h-6 rounded border border-line px-1.5 hover:border-ink-3 max-sm:hidden"
      >
        now
      </button>
    </span>
  );
}

export { Lanes };
