import { Minus, Plus } from 'lucide-react';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useKeptScroll } from '../../lib/kept-scroll';
import { hasModifier, isTyping } from '../../lib/keys';
import { useNow } from '../../lib/now';
import { localDate, moment } from '../../lib/time';
import { useWidth } from '../../lib/width';
import { count } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import type { Next } from '../next/model';
import { AXIS, AXIS_ABROAD, Axis, Ground, Posts, seenWords } from './axis';
import { BarCard } from './bar-card';
import { DayHours } from './day-hours';
import { HOURS, HoursLane } from './hours-lane';
import { type BarDeeds, LaneBars, ROW } from './lane-bars';
import {
  type Bar,
  type Day,
  forgetWidths,
  grainOf,
  type Lane,
  lanesOf,
  MINUTE,
  ms,
  pack,
  type Timeline,
  textWidth,
} from './model';
import { type Mover, useMover } from './moving';
import { type TimeWindow, usePointerMoves, useTimeWindow } from './use-window';
import { abroad, labelEnd } from './words';

const GUTTER = 148;
const GUTTER_NARROW = 84;
const NARROW = 620;
const POSTS = 19;
const LEAST_LANE = 46;
const LANE_TOP = 8;
const SHELF_ROW = 25;
const STEP_IN = 1 / 1.6;
const STEP_OUT = 1.6;
const FONT = '600 13px "Atkinson Hyperlegible Next Variable"';
const FONT_END = '400 13px "Atkinson Hyperlegible Next Variable"';
const LONGEST_LABEL = 520;

interface LanesProps {
  timeline: Timeline;
  shown: readonly Work[];
  next: Next | undefined;
  openWork: number | null;
  onOpen: (work: number) => void;
}

/** A lane with its bars in their rows, and where it stands on the page. */
export interface LaidLane extends Lane {
  placed: ReturnType<typeof pack>['placed'];
  rows: number;
  shelfRows: number;
  top: number;
  height: number;
}

/** The widest that a label can be; what ends it is left away from afar, where rows are worth more than words. */
function labelOf(bar: Bar, far: boolean, zone: string, now: number): { title: string; end: string } {
  return { title: bar.work.title, end: far ? '' : labelEnd(bar, zone, now) };
}

function useLaid(lanes: readonly Lane[], time: TimeWindow, now: number): LaidLane[] {
  const far = grainOf(time.pixelsADay) === 'weeks';
  const { x, width } = time;
  const { laid } = time;
  const font = useFont();
  // biome-ignore lint/correctness/useExhaustiveDependencies: once the font is here all texts are measured anew
  return useMemo(() => {
    const labelWidth = (zone: string) => (bar: Bar) => {
      const { title, end } = labelOf(bar, far, zone, now);
      const words = textWidth(title, FONT) + (end ? textWidth(end, FONT_END) + 10 : 0);
      return Math.min(LONGEST_LABEL, words + 12);
    };
    let top = 0;
    return lanes.map((lane) => {
      const { placed, rows } = pack(lane.bars, x, labelWidth(lane.course.zone), laid);
      const shelfRows = lane.shelf.length === 0 ? 0 : shelfRowsOf(lane.shelf, width);
      const height = Math.max(LEAST_LANE, LANE_TOP + rows * ROW + shelfRows * SHELF_ROW + 6);
      const one = { ...lane, placed, rows, shelfRows, top, height };
      top += height;
      return one;
    });
  }, [lanes, x, width, far, now, laid, font]);
}

/** Whether the font of the page is here; until then texts are measured by another. */
function useFont(): boolean {
  const [here, setHere] = useState(() => document.fonts.check(FONT));
  useEffect(() => {
    if (here) return;
    let gone = false;
    void Promise.all([document.fonts.load(FONT), document.fonts.load(FONT_END)]).then(() => {
      forgetWidths();
      if (!gone) setHere(true);
    });
    return () => {
      gone = true;
    };
  }, [here]);
  return here;
}

function shelfRowsOf(shelf: readonly Work[], width: number): number {
  let rows = 1;
  let used = 110;
  for (const work of shelf) {
    const needs = Math.min(width, textWidth(work.title, FONT) + 30);
    if (used + needs > width) {
      rows++;
      used = 0;
    }
    used += needs;
  }
  return rows;
}

/** A lane a course, time across. */
function Lanes({ timeline, shown, next, openWork, onOpen }: LanesProps) {
  const student = useStudent();
  const { board, zone } = student;
  const now = Math.floor(useNow() / MINUTE) * MINUTE;
  const page = useRef<HTMLDivElement>(null);
  const gutter = useWidth(page, 1280) < NARROW ? GUTTER_NARROW : GUTTER;
  const time = useTimeWindow(timeline, gutter);
  usePointerMoves(time);
  useKeptScroll(time.box);
  const lanes = useMemo(() => lanesOf(board, timeline, shown), [board, timeline, shown]);
  const laid = useLaid(lanes, time, now);
  const mover = useMover(time, next, now);
  const [pointed, setPointed] = useState<{ bar: Bar; rect: DOMRect } | null>(null);
  const [day, setDay] = useState<Day | null>(null);
  const walk = useWalk(laid, time, openWork, onOpen);
  const deeds = useDeeds(mover, walk.setActive, setPointed);
  useTimeKeys(time);

  const sittings = useMemo(() => {
    const all = new Map<number, { from: number; to: number }[]>();
    for (const move of next?.moves ?? []) {
      all.set(
        move.work,
        move.sittings.map((sitting) => ({ from: ms(sitting.start), to: ms(sitting.end) })),
      );
    }
    return all;
  }, [next]);

  const last = laid.at(-1);
  const far = grainOf(time.pixelsADay) === 'weeks';
  const axis = grainOf(time.pixelsADay) === 'hours' && abroad(timeline.zone, now) ? AXIS_ABROAD : AXIS;
  const sticky = axis + POSTS + HOURS;
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
          <div
            className="sticky z-[15] border-line border-b bg-raised"
            style={{ top: axis, width: time.length + gutter }}
          >
            <Posts timeline={timeline} time={time} now={now} />
            <HoursLane
              timeline={timeline}
              time={time}
              next={next}
              mover={mover}
              today={localDate(now, timeline.zone)}
              onDay={setDay}
            />
          </div>
          {laid.map((lane) => (
            <section
              key={lane.course.id}
              aria-label={`${lane.course.name}, ${count(lane.bars.length + lane.shelf.length, 'piece of work', 'pieces of work')}`}
              className="timeline-lane relative border-line border-b"
              style={{ height: lane.height }}
            >
              <LaneHead lane={lane} gutter={gutter} />
              <LaneBars
                lane={lane}
                time={time}
                now={now}
                far={far}
                visible={{ top: drawn.top - sticky - lane.top, bottom: drawn.bottom - sticky - lane.top }}
                sittings={sittings}
                stop={walk.stop}
                openWork={openWork}
                pointed={pointed?.bar.work.id ?? null}
                label={(bar) => labelOf(bar, far, lane.course.zone, now)}
                deeds={deeds}
              />
            </section>
          ))}
          {mover.moving && (
            <Ghost
              at={mover.moving.at}
              x={gutter + time.x(mover.moving.at)}
              zone={zone}
              height={height}
              top={axis}
            />
          )}
        </div>
      </div>
      <p role="status" className="sr-only">
        {mover.words}
      </p>
      <Legend />
      {pointed && !mover.moving && (
        <BarCard
          bar={pointed.bar}
          rect={pointed.rect}
          course={student.course(pointed.bar.work.courseId)}
          now={now}
        />
      )}
      {day && <DayHours day={day} timeline={timeline} onClose={() => setDay(null)} />}
    </div>
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

/** Where something that is being moved would lie. */
function Ghost({
  at,
  x,
  zone,
  height,
  top,
}: {
  at: number;
  x: number;
  zone: string;
  height: number;
  top: number;
}) {
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute top-0 z-[18] border-ink border-l-2 border-dashed"
      style={{ left: x, height }}
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
        onClick={() => time.show(null)}
        className="h-6 rounded border border-line px-1.5 hover:border-ink-3 max-sm:hidden"
      >
        now
      </button>
    </span>
  );
}

/** What the shapes mean, in words. */
function Legend() {
  return (
    <ul className="no-print flex h-[28px] shrink-0 items-center justify-end gap-x-4 border-line border-t bg-raised px-5 text-[13px] text-ink-2 max-lg:hidden">
      <li className="flex items-center gap-1.5">
        <svg width="42" height="12" aria-hidden>
          <path d="M1 6 H38" stroke="var(--yours)" strokeWidth="2" />
          <path d="M1 6 H16" stroke="var(--yours)" strokeWidth="5" />
          <path d="M39 0 v12" stroke="var(--ink)" strokeWidth="2" />
        </svg>
        how far, to its due
      </li>
      <li className="flex items-center gap-1.5">
        <svg width="34" height="12" aria-hidden>
          <rect x="0" y="2" width="11" height="9" fill="var(--loss)" opacity="0.25" />
          <rect x="11" y="5" width="11" height="6" fill="var(--loss)" opacity="0.45" />
          <rect x="22" y="8" width="11" height="3" fill="var(--loss)" opacity="0.65" />
        </svg>
        what is kept when late
      </li>
      <li className="flex items-center gap-1.5">
        <svg width="26" height="12" aria-hidden>
          <path d="M1 2 H24 v5" fill="none" stroke="var(--wait)" strokeWidth="1.5" strokeDasharray="3 2" />
        </svg>
        room to extend
      </li>
      <li className="flex items-center gap-1.5">
        <svg width="10" height="12" aria-hidden>
          <path d="M1 2 h8 l-4 6 Z" fill="var(--paper)" stroke="var(--wait)" strokeWidth="1.4" />
        </svg>
        safe by
      </li>
    </ul>
  );
}

/** Nearer, further, back to now, by single keys. */
function useTimeKeys(time: TimeWindow): void {
  const latest = useRef(time);
  latest.current = time;
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (isTyping(event) || hasModifier(event)) return;
      if (event.key === '+' || event.key === '=') latest.current.zoom(STEP_IN);
      else if (event.key === '-') latest.current.zoom(STEP_OUT);
      else if (event.key === 'h') latest.current.show(null);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/** One tab stop among all bars: arrows, or j and k, walk them, across lanes too. */
function useWalk(
  laid: readonly LaidLane[],
  time: TimeWindow,
  openWork: number | null,
  onOpen: (work: number) => void,
) {
  const [active, setActive] = useState<number | null>(null);
  const wanted = useRef<number | null>(null);
  const all = useMemo(
    () =>
      laid.flatMap((lane) =>
        lane.placed.map((one) => ({
          ...one,
          lane,
          y: lane.top + LANE_TOP + one.row * ROW,
          mid: (one.left + one.right) / 2,
        })),
      ),
    [laid],
  );
  const stop =
    all.find((one) => one.bar.work.id === (active ?? openWork)) ?? all.find((one) => one.bar.held) ?? all[0];

  useEffect(() => {
    if (wanted.current === null) return;
    const bar = time.box.current?.querySelector<HTMLElement>(`[data-bar="${wanted.current}"]`);
    if (!bar) return;
    wanted.current = null;
    bar.focus({ preventScroll: true });
  });

  const go = (to: (typeof all)[number] | undefined) => {
    const box = time.box.current;
    if (!to || !box) return;
    setActive(to.bar.work.id);
    wanted.current = to.bar.work.id;
    const head = AXIS + POSTS + HOURS;
    if (to.y < box.scrollTop || to.y + ROW > box.scrollTop + box.clientHeight - head) {
      box.scrollTop = Math.max(0, to.y - (box.clientHeight - head) / 2);
    }
    const inSight = to.left < box.scrollLeft + time.width - 80 && to.right > box.scrollLeft + 40;
    if (!inSight && !to.bar.held) box.scrollLeft = Math.max(0, to.left - time.width / 3);
    if (openWork !== null) onOpen(to.bar.work.id);
  };
  const along = (step: number) => {
    const row = all
      .filter((one) => one.lane.course.id === stop?.lane.course.id)
      .sort((a, b) => a.bar.from - b.bar.from);
    const place = row.findIndex((one) => one.bar.work.id === stop?.bar.work.id);
    go(row[place + step]);
  };
  const across = (down: boolean) => {
    if (!stop) return;
    const ys = [...new Set(all.map((one) => one.y))].sort((a, b) => a - b);
    const y = ys[ys.indexOf(stop.y) + (down ? 1 : -1)];
    go(
      all
        .filter((one) => one.y === y)
        .sort((a, b) => Math.abs(a.mid - stop.mid) - Math.abs(b.mid - stop.mid))[0],
    );
  };
  const latest = useRef({ along });
  latest.current = { along };
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (isTyping(event) || hasModifier(event)) return;
      if (event.key === 'j') latest.current.along(1);
      else if (event.key === 'k') latest.current.along(-1);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  const onKeyDown = (event: KeyboardEvent) => {
    if (hasModifier(event) || !(event.target as Element).closest('[data-bar]')) return;
    if (event.key === 'ArrowRight') along(1);
    else if (event.key === 'ArrowLeft') along(-1);
    else if (event.key === 'ArrowDown') across(true);
    else if (event.key === 'ArrowUp') across(false);
    else return;
    event.preventDefault();
  };
  return { stop: stop?.bar.work.id ?? null, setActive, onKeyDown };
}

export { Lanes, SHELF_ROW };
