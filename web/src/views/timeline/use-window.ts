import {
  type RefObject,
  startTransition,
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { useMinute } from '../../lib/now';
import { readPlace, spotOf, writePlace } from '../../lib/timeline-place';
import { useWidth } from '../../lib/width';
import { DAY, ms, type Stretch, type Timeline } from './model';
import {
  drawnOf,
  type Frame,
  laidOf,
  looking,
  moveWindow,
  scaleOf,
  scrollOf,
  type WindowAction,
  type WindowState,
} from './window-model';

const FIRST_WIDTH = 1130;
/** As wide as the usual days are made for; where there is less room, fewer are shown. */
const USUAL_WIDTH = 640;
/** Half a day of room on either side of all time, so that its edges can be seen. */
const MARGIN = DAY / 2;
const SETTLE = 250;

/** The part of all time that is on screen, and the ways to move in it. */
export interface TimeWindow {
  /** The box that scrolls; its left gutter shows no time. */
  box: RefObject<HTMLDivElement | null>;
  gutter: number;
  /** Pixels of all time. */
  length: number;
  pixelsADay: number;
  /** Pixels of an instant from the start of all time. */
  x: (at: number) => number;
  /** What has to be drawn: in pixels, with room around it. */
  drawn: { left: number; right: number; top: number; bottom: number };
  /** The pixels that lanes are laid out for: what is seen, and a little around it. */
  laid: Stretch;
  /** The visible width. */
  width: number;
  zoom: (factor: number, anchor?: number) => void;
  /** Goes back to now. */
  home: () => void;
}

/** All time of a timeline, as it is looked through at a width. */
function useFrame(timeline: Timeline, width: number, span: number, usual: boolean, now: number): Frame {
  const first = timeline.days[0];
  const last = timeline.days.at(-1);
  const start = (first ? ms(first.starts) : now) - MARGIN;
  const end = (last ? ms(last.ends) : now) + MARGIN;
  const seen = usual ? span * Math.min(1, width / USUAL_WIDTH) : span;
  return useMemo(() => ({ start, end, width, usual: seen }), [start, end, width, seen]);
}

/** Writes a place into the address once it has rested. @returns how, and whether what it says was written from here */
function useSaid(zone: string) {
  const [params, setParams] = useAddress();
  const written = useRef<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const say = useCallback(
    (to: { at: number | null; span: number }) => {
      clearTimeout(timer.current);
      const write = (before: URLSearchParams) => {
        const next = writePlace(before, to, zone);
        written.current = spotOf(next);
        return next;
      };
      timer.current = setTimeout(() => setParams(write, { replace: true }), SETTLE);
    },
    [setParams, zone],
  );
  return { params, say, written };
}

/**
 * Time across the page, scrolled by the box itself. The place is read from the address, and written to it once one rests.
 *
 * @param gutter pixels on the left that stay
 */
export function useTimeWindow(timeline: Timeline, gutter: number): TimeWindow {
  const { zone } = useStudent();
  const minute = useMinute();
  const { params, say, written } = useSaid(zone);
  const place = useMemo(() => readPlace(params, zone), [params, zone]);
  const box = useRef<HTMLDivElement>(null);
  const width = Math.max(120, useWidth(box, FIRST_WIDTH + gutter) - gutter);
  const frame = useFrame(timeline, width, place.span, !params.has('days'), minute);
  const [shown, move, state] = useMoves(place.at ?? minute, frame, say);
  const { start, end } = frame;
  const { span, jumps } = shown;

  // A place that the address names, and that wasn't written from here, is gone to.
  const named = spotOf(params);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only the address moves the window by itself
  useLayoutEffect(() => {
    if (named !== written.current) move({ type: 'named', at: place.at ?? minute });
  }, [named]);

  // Nearer or further, the instant under the pointer stays under it; else the middle does.
  const scale = useMemo(() => scaleOf(span, frame), [span, frame]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a jump goes to the same scale
  useLayoutEffect(() => {
    if (!box.current) return;
    box.current.scrollLeft = scrollOf(state.current, frame);
    move({ type: 'placed' });
  }, [scale, frame, jumps, move, state]);

  useScrolls(box, move);

  const zoom = useCallback(
    (factor: number, from?: number) =>
      move({ type: 'zoomed', factor, from: from ?? null, left: box.current?.scrollLeft ?? 0 }),
    [move],
  );
  const home = useCallback(() => move({ type: 'home', at: minute }), [move, minute]);
  const laid = useMemo(() => laidOf(shown.edge, span, frame), [shown.edge, span, frame]);
  return {
    box,
    gutter,
    length: scale(end),
    pixelsADay: scale(start + DAY),
    x: scale,
    drawn: drawnOf(shown.spot, width),
    laid,
    width,
    zoom,
    home,
  };
}

type Shown = Pick<WindowState, 'span' | 'edge' | 'spot' | 'jumps'>;

/** Where one looks. What it comes to is drawn only where that differs: most scrolls draw nothing. */
function useMoves(at: number, frame: Frame, say: (to: NonNullable<WindowState['said']>) => void) {
  const state = useRef<WindowState | null>(null);
  state.current ??= looking(at, frame, window.innerHeight);
  const [shown, setShown] = useState<Shown>(state.current);
  const latest = useRef({ frame, say });
  // Once it stands on the page: a drawing that was begun and isn't there yet has another width than what is scrolled.
  useLayoutEffect(() => {
    latest.current = { frame, say };
  }, [frame, say]);
  const move = useCallback((action: WindowAction) => {
    const before = state.current as WindowState;
    const after = moveWindow(before, action, latest.current.frame);
    state.current = after;
    if (after.said && after.said !== before.said) latest.current.say(after.said);
    const same =
      after.span === before.span &&
      after.edge === before.edge &&
      after.spot === before.spot &&
      after.jumps === before.jumps;
    if (same) return;
    // Moving goes on while what comes into sight is made ready; the rows follow a frame later.
    if (action.type === 'scrolled' || action.type === 'followed') startTransition(() => setShown(after));
    else setShown(after);
  }, []);
  return [shown, move, state as RefObject<WindowState>] as const;
}

/** Tells of each scroll of the box, a frame after it, and once it rests. */
function useScrolls(box: RefObject<HTMLDivElement | null>, move: (action: WindowAction) => void): void {
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let resting: ReturnType<typeof setTimeout> | undefined;
    const onScroll = () => {
      if (element.clientWidth === 0) return;
      move({
        type: 'scrolled',
        left: element.scrollLeft,
        top: element.scrollTop,
        height: element.clientHeight,
      });
      const follow = (rests: boolean) => move({ type: 'followed', left: element.scrollLeft, rests });
      requestAnimationFrame(() => follow(false));
      clearTimeout(resting);
      resting = setTimeout(() => follow(true), SETTLE);
    };
    onScroll();
    element.addEventListener('scroll', onScroll, { passive: true });
    return () => {
      clearTimeout(resting);
      element.removeEventListener('scroll', onScroll);
    };
  }, [box, move]);
}
