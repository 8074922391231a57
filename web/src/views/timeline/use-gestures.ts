import { drag } from 'd3-drag';
import { select } from 'd3-selection';
import { type D3ZoomEvent, zoom, zoomIdentity } from 'd3-zoom';
import { type RefObject, useEffect, useRef } from 'react';
import type { TimeWindow } from './use-window';
import { DRAG_PIXELS } from './window-model';

/** Wheel with a key held or on the axis, two fingers, and dragging with the mouse. */
export function useGestures({ box, gutter, zoom: onZoom }: TimeWindow): void {
  useZooming(box, gutter, onZoom);
  useDragging(box);
  useClicksAfterDrags(box);
}

const isPinch = (event: Event) => 'touches' in event && (event as TouchEvent).touches.length > 1;

function isZoomingWheel(event: Event): boolean {
  if (event.type !== 'wheel') return false;
  const { ctrlKey, metaKey, target } = event as WheelEvent;
  return ctrlKey || metaKey || (target as Element).closest('[data-axis]') !== null;
}

/** Where a gesture is, from the left of the window. */
function middleOf(event: WheelEvent | TouchEvent): number {
  if (!('touches' in event)) return event.clientX;
  const xs = [...event.touches].map((touch) => touch.clientX);
  return xs.reduce((sum, x) => sum + x, 0) / Math.max(1, xs.length);
}

function useZooming(box: RefObject<HTMLDivElement | null>, gutter: number, onZoom: TimeWindow['zoom']): void {
  const latest = useRef(onZoom);
  latest.current = onZoom;
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    // Only the steps matter: the box scrolls by itself, and how near one is lives in the address.
    let before = 1;
    const nearer = zoom<HTMLDivElement, unknown>()
      .filter((event: Event) => isZoomingWheel(event) || isPinch(event))
      .wheelDelta((event) => (-event.deltaY * (event.deltaMode === 1 ? 0.05 : 0.003)) / Math.LN2)
      .on('start', (event: D3ZoomEvent<HTMLDivElement, unknown>) => {
        before = event.transform.k;
      })
      .on('zoom', ({ transform, sourceEvent }: D3ZoomEvent<HTMLDivElement, unknown>) => {
        if (!sourceEvent || transform.k === before) return;
        const from = middleOf(sourceEvent) - element.getBoundingClientRect().left - gutter;
        latest.current(before / transform.k, Math.max(0, from));
        before = transform.k;
      })
      .on('end', () => {
        select(element).property('__zoom', zoomIdentity);
      });
    select(element).call(nearer).on('dblclick.zoom', null);
    return () => {
      select(element).on('.zoom', null);
    };
  }, [box, gutter]);
}

/** The mouse takes hold of time itself; fingers scroll it anyway. */
function useDragging(box: RefObject<HTMLDivElement | null>): void {
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let from: { x: number; y: number; left: number; top: number } | null = null;
    // Once a frame, however often the mouse tells.
    let wanted: { left: number; top: number } | null = null;
    let frame = 0;
    const follow = () => {
      frame = 0;
      if (wanted) element.scrollTo(wanted);
      wanted = null;
    };
    const dragging = drag<HTMLDivElement, unknown>()
      .touchable(false)
      .clickDistance(DRAG_PIXELS)
      .filter(
        (event: MouseEvent) =>
          event.button === 0 && !(event.target as Element).closest('button,input,[data-grip]'),
      )
      .on('start', ({ sourceEvent }: { sourceEvent: MouseEvent }) => {
        from = {
          x: sourceEvent.clientX,
          y: sourceEvent.clientY,
          left: element.scrollLeft,
          top: element.scrollTop,
        };
      })
      .on('drag', ({ sourceEvent }: { sourceEvent: MouseEvent }) => {
        if (!from) return;
        const x = sourceEvent.clientX - from.x;
        const y = sourceEvent.clientY - from.y;
        if (!element.style.cursor && Math.hypot(x, y) < DRAG_PIXELS) return;
        element.style.cursor = 'grabbing';
        wanted = { left: from.left - x, top: from.top - y };
        frame ||= requestAnimationFrame(follow);
      })
      .on('end', () => {
        follow();
        from = null;
        element.style.cursor = '';
      });
    select(element).call(dragging);
    return () => {
      cancelAnimationFrame(frame);
      select(element).on('.drag', null);
    };
  }, [box]);
}

/** A drag that begins on a bar, or on the due of one, doesn't open it. */
function useClicksAfterDrags(box: RefObject<HTMLDivElement | null>): void {
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let pressed: { x: number; y: number } | null = null;
    const onDown = (event: PointerEvent) => {
      pressed = event.pointerType === 'touch' ? null : { x: event.clientX, y: event.clientY };
    };
    const onClick = (event: MouseEvent) => {
      if (event.detail === 0 || !pressed) return;
      if (Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < DRAG_PIXELS) return;
      event.preventDefault();
      event.stopPropagation();
    };
    element.addEventListener('pointerdown', onDown);
    element.addEventListener('click', onClick, true);
    return () => {
      element.removeEventListener('pointerdown', onDown);
      element.removeEventListener('click', onClick, true);
    };
  }, [box]);
}
