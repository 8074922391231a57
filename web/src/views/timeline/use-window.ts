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

const FIRST_WIDTH = 1130;
/** As wide as the usual days are made for; where there is less room, fewer are shown. */
const USUAL_WIDTH = 640;
/** Half a day of room on either side of all time, so that its edges can be seen. */
const MARGIN = DAY / 2;
const SETTLE = 250;
/** Pixels from which on a press is a drag. */
const DRAG = 5;
/** What is drawn is drawn anew after so many pixels of moving. */
const GRID = 240;
/** Shares of the width on either side for which lanes are laid out, too, so that a little moving moves no rows. */
const AROUND = 0.2;

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

/**
 * Time across the page, scrolled by the box itself. The place is read from the address, and written to it once one rests.
 *
 * @param gutter pixels on the left that stay
 */
export function useTimeWindow(timeline: Timeline, gutter: number): TimeWindow {
  const { zone } = useStudent();
  const [params, setParams] = useAddress();
  const minute = useMinute();
  const place = useMemo(() => readPlace(params, zone), [params, zone]);
  const box = useRef<HTMLDivElement>(null);
  const width = Math.max(120, useWidth(box, FIRST_WIDTH + gutter) - gutter);
  const first = timeline.days[0];
  const last = timeline.days.at(-1);
  const start = (first ? ms(first.starts) : minute) - MARGIN;
  const end = (last ? ms(last.ends) : minute) + MARGIN;
  const named = spotOf(params);
  const usual = params.has('days') ? 1 : Math.min(1, width / USUAL_WIDTH);
  // Null while it is as the address says.
  const [span, setSpan] = useState<number | null>(null);
  const whole = end - start;
  const seen = Math.min(Math.max(span ?? place.span * usual, DAY), whole);
  const scale = width / seen;
  const length = whole * scale;

  const centre = useRef<number>(place.at ?? minute);
  const written = useRef<string | null>(null);
  // The next scroll is one that was asked for, and written already: the edges of time may have cut it short.
  const led = useRef(false);
  const anchor = useRef<{ at: number; x: number } | null>(null);
  const [spot, setSpot] = useState({ left: 0, top: 0, height: window.innerHeight });
  // The instant at the left edge for which rows are made.
  const [rest, setRest] = useState(() => (place.at ?? minute) - seen / 2);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);

  const x = useCallback((at: number) => (at - start) * scale, [start, scale]);

  const write = useCallback(
    (to: { at: number | null; span: number }) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(
        () =>
          setParams(
            (before) => {
              const next = writePlace(before, to, zone);
              written.current = spotOf(next);
              return next;
            },
            { replace: true },
          ),
        SETTLE,
      );
    },
    [setParams, zone],
  );
  useEffect(() => () => clearTimeout(timer.current), []);

  // A place that the address names, and that wasn't written from here, is gone to.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only the address moves the window by itself
  useLayoutEffect(() => {
    if (named === written.current) return;
    centre.current = place.at ?? minute;
    anchor.current = null;
    setSpan(null);
    if (box.current) box.current.scrollLeft = (centre.current - start) * scale - width / 2;
  }, [named]);

  // Nearer or further, the instant under the pointer stays under it; else the middle does.
  useLayoutEffect(() => {
    const element = box.current;
    if (!element) return;
    const held = anchor.current ?? { at: centre.current, x: width / 2 };
    anchor.current = null;
    element.scrollLeft = (held.at - start) * scale - held.x;
  }, [scale, start, width]);

  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const onScroll = () => {
      if (element.clientWidth === 0) return;
      const middle = start + (element.scrollLeft + width / 2) / scale;
      const moved = Math.abs(middle - centre.current) * scale > 1;
      centre.current = middle;
      if (moved && !led.current) write({ at: middle, span: seen });
      const next = {
        left: Math.floor(element.scrollLeft / GRID) * GRID,
        top: Math.floor(element.scrollTop / GRID) * GRID,
        height: element.clientHeight,
      };
      led.current = false;
      // Moving goes on while what comes into sight is made ready; the rows follow a frame later.
      startTransition(() =>
        setSpot((before) =>
          before.left === next.left && before.top === next.top && before.height === next.height
            ? before
            : next,
        ),
      );
      requestAnimationFrame(() => {
        const edge = start + element.scrollLeft / scale;
        startTransition(() => setRest((before) => (Math.abs(before - edge) > seen * AROUND ? edge : before)));
      });
      clearTimeout(resting);
      resting = setTimeout(() => startTransition(() => setRest(start + element.scrollLeft / scale)), SETTLE);
    };
    let resting: ReturnType<typeof setTimeout> | undefined;
    onScroll();
    element.addEventListener('scroll', onScroll, { passive: true });
    return () => {
      clearTimeout(resting);
      element.removeEventListener('scroll', onScroll);
    };
  }, [start, scale, width, seen, write]);

  const zoom = useCallback(
    (factor: number, from?: number) => {
      const element = box.current;
      if (!element) return;
      const pixels = from ?? width / 2;
      anchor.current = { at: start + (element.scrollLeft + pixels) / scale, x: pixels };
      const next = Math.min(Math.max(seen * factor, DAY), whole);
      centre.current = anchor.current.at + (width / 2 - pixels) * (next / width);
      setSpan(next);
      write({ at: centre.current, span: next });
    },
    [start, scale, seen, whole, width, write],
  );
  const home = useCallback(() => {
    centre.current = minute;
    anchor.current = null;
    led.current = true;
    if (box.current) box.current.scrollLeft = (minute - start) * scale - width / 2;
    write({ at: null, span: seen });
  }, [minute, start, scale, width, seen, write]);

  const laid = useMemo(
    () => ({ left: x(rest) - width * AROUND, right: x(rest) + width * (1 + AROUND), edge: x(rest) }),
    [x, rest, width],
  );

  return {
    box,
    gutter,
    length,
    pixelsADay: DAY * scale,
    x,
    drawn: {
      left: spot.left - GRID,
      right: spot.left + 2 * GRID + width,
      top: spot.top - GRID,
      bottom: spot.top + 2 * GRID + spot.height,
    },
    laid,
    width,
    zoom,
    home,
  };
}

/** Wheel with a key held, two fingers, and dragging with the mouse. */
export function usePointerMoves({ box, gutter, zoom }: TimeWindow): void {
  const latest = useRef(zoom);
  latest.current = zoom;
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const onWheel = (event: WheelEvent) => {
      const onAxis = (event.target as Element).closest('[data-axis]') !== null;
      if (!event.ctrlKey && !event.metaKey && !onAxis) return;
      event.preventDefault();
      const from = event.clientX - element.getBoundingClientRect().left - gutter;
      latest.current(Math.exp(event.deltaY * (event.deltaMode === 1 ? 0.05 : 0.003)), Math.max(0, from));
    };
    let pressed: { x: number; y: number } | null = null;
    const fingers = new Map<number, { x: number; y: number }>();
    let apart = 0;
    let dragged: { x: number; y: number; left: number; top: number } | null = null;
    // Once a frame, however often the mouse tells.
    let wanted: { left: number; top: number } | null = null;
    let frame = 0;
    const follow = () => {
      frame = 0;
      if (!wanted) return;
      element.scrollLeft = wanted.left;
      element.scrollTop = wanted.top;
      wanted = null;
    };
    const distance = () => {
      const [a, b] = [...fingers.values()];
      return a && b ? Math.hypot(a.x - b.x, a.y - b.y) : 0;
    };
    const onDown = (event: PointerEvent) => {
      if (event.pointerType === 'touch') {
        fingers.set(event.pointerId, { x: event.clientX, y: event.clientY });
        apart = distance();
        return;
      }
      pressed = { x: event.clientX, y: event.clientY };
      moved = false;
      const grip = (event.target as Element).closest('button,input,[data-grip]');
      if (event.button !== 0 || grip) return;
      dragged = { x: event.clientX, y: event.clientY, left: element.scrollLeft, top: element.scrollTop };
    };
    // A drag that begins on a bar, or on the due of one, doesn't open it.
    const onClick = (event: MouseEvent) => {
      if (event.detail === 0 || !pressed) return;
      if (Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < DRAG) return;
      event.preventDefault();
      event.stopPropagation();
    };
    let moved = false;
    const onMove = (event: PointerEvent) => {
      if (fingers.has(event.pointerId)) {
        fingers.set(event.pointerId, { x: event.clientX, y: event.clientY });
        const now = distance();
        if (apart > 0 && now > 0) {
          const [a, b] = [...fingers.values()];
          const middle = ((a?.x ?? 0) + (b?.x ?? 0)) / 2 - element.getBoundingClientRect().left - gutter;
          latest.current(apart / now, Math.max(0, middle));
        }
        apart = now;
      } else if (dragged) {
        if (!moved && Math.hypot(event.clientX - dragged.x, event.clientY - dragged.y) < DRAG) return;
        if (!moved) {
          moved = true;
          element.setPointerCapture(event.pointerId);
          element.style.cursor = 'grabbing';
        }
        wanted = {
          left: dragged.left - (event.clientX - dragged.x),
          top: dragged.top - (event.clientY - dragged.y),
        };
        frame ||= requestAnimationFrame(follow);
      }
    };
    const onUp = (event: PointerEvent) => {
      fingers.delete(event.pointerId);
      apart = distance();
      if (!dragged) return;
      follow();
      dragged = null;
      element.style.cursor = '';
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    element.addEventListener('pointerdown', onDown);
    element.addEventListener('pointermove', onMove);
    element.addEventListener('pointerup', onUp);
    element.addEventListener('click', onClick, true);
    element.addEventListener('pointercancel', onUp);
    return () => {
      cancelAnimationFrame(frame);
      element.removeEventListener('wheel', onWheel);
      element.removeEventListener('pointerdown', onDown);
      element.removeEventListener('pointermove', onMove);
      element.removeEventListener('pointerup', onUp);
      element.removeEventListener('click', onClick, true);
      element.removeEventListener('pointercancel', onUp);
    };
  }, [box, gutter]);
}
