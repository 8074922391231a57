import { type PointerEvent, useEffect, useRef, useState } from 'react';
import { useLocation } from 'react-router';
import { useAddress } from '../lib/address';
import { useNow } from '../lib/now';
import { instantIn } from '../lib/time';
import { readPlace, writePlace } from '../lib/timeline-place';
import { useStudent } from './student';

const DAY = 24 * 60 * 60_000;

interface Brush {
  /** Whether the view below shows time, so that the tideline steers it. */
  steers: boolean;
  /** Goes to a day of the view below. */
  goTo: (day: string) => void;
  /** Of a cell: dragging from one to another shows the days between them. */
  cell: (index: number) => { onPointerDown: (event: PointerEvent) => void; onPointerEnter: () => void };
  /** The cells that are being dragged over, from and to; null while none are. */
  over: readonly [from: number, to: number] | null;
  /** What the view below shows, in cells from the left end; null where it shows none of it. */
  frame: { from: number; to: number } | null;
  /** Whether the click that ends a drag is none. */
  wasDragged: () => boolean;
}

/** The tideline as the handle of the timeline below it. */
function useBrush(): Brush {
  const { id, board, zone } = useStudent();
  const { pathname } = useLocation();
  const [params, setParams] = useAddress();
  const now = useNow();
  const [over, setOver] = useState<readonly [number, number] | null>(null);
  const started = useRef<number | null>(null);
  const dragged = useRef(false);
  const steers = pathname.startsWith(`/s/${id}/timeline`);
  const place = readPlace(params, zone);
  const first = board.tide[0]?.day;
  const start = first ? new Date(instantIn(`${first}T00:00`, zone) ?? now).getTime() : now;
  const middle = place.at ?? now;
  const from = (middle - place.span / 2 - start) / DAY;
  const to = (middle + place.span / 2 - start) / DAY;
  const cells = board.tide.length;
  const frame =
    steers && place.mode === 'lanes' && to > 0 && from < cells
      ? { from: Math.max(0, from), to: Math.min(cells, to) }
      : null;

  const latest = useRef(over);
  latest.current = over;
  useEffect(() => {
    if (!steers) return;
    const up = () => {
      started.current = null;
      const days = latest.current;
      setOver(null);
      if (!days) return;
      const [a, b] = [Math.min(...days), Math.max(...days)];
      if (a === b) return;
      dragged.current = true;
      setParams((before) =>
        writePlace(
          before,
          { mode: 'lanes', at: start + ((a + b + 1) / 2) * DAY, span: (b - a + 1) * DAY },
          zone,
        ),
      );
    };
    window.addEventListener('pointerup', up);
    return () => window.removeEventListener('pointerup', up);
  }, [steers, start, zone, setParams]);

  return {
    steers,
    goTo: (day) => {
      const noon = instantIn(`${day}T12:00`, zone);
      if (noon !== null)
        setParams((before) => writePlace(before, { at: new Date(noon).getTime() }, zone), { replace: true });
    },
    cell: (index) => ({
      onPointerDown: (event) => {
        if (!steers || event.button !== 0) return;
        dragged.current = false;
        started.current = index;
      },
      onPointerEnter: () => {
        if (started.current !== null) setOver([started.current, index]);
      },
    }),
    over,
    frame,
    wasDragged: () => {
      const was = dragged.current;
      dragged.current = false;
      return was;
    },
  };
}

/** Which days the view below shows, as two ends on the strip. */
function TideFrame({ brush, cells }: { brush: Brush; cells: number }) {
  const { frame, over } = brush;
  const shown = over ? { from: Math.min(...over), to: Math.max(...over) + 1 } : frame;
  if (!shown) return null;
  return (
    <span
      aria-hidden
      className="pointer-events-none absolute inset-y-0 z-10 border-yours border-x-[3px] bg-yours/10"
      style={{ left: `${(shown.from / cells) * 100}%`, width: `${((shown.to - shown.from) / cells) * 100}%` }}
    />
  );
}

export type { Brush };
export { TideFrame, useBrush };
