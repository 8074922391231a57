import { type DragEvent, useMemo, useRef, useState } from 'react';
import { type Drag, type DragMark, markOf } from '../lib/drag';

/** Shows in a row, by its `data-drag`, where the dragged one would come to stand. */
export const DROP_LINE =
  'data-[drag=above]:before:absolute data-[drag=above]:before:inset-x-0 data-[drag=above]:before:-top-0.5 data-[drag=above]:before:h-[3px] data-[drag=above]:before:bg-yours data-[drag=below]:after:absolute data-[drag=below]:after:inset-x-0 data-[drag=below]:after:-bottom-0.5 data-[drag=below]:after:h-[3px] data-[drag=below]:after:bg-yours';

/** What rows and their grips do; the same functions at each drawing. */
export interface DragRows {
  /** For what a row is dragged by. */
  start: (at: number, event: DragEvent<HTMLElement>) => void;
  /** For each row. */
  over: (at: number, event: DragEvent<HTMLElement>) => void;
  /** For each row: it is dropped there. */
  drop: (event: DragEvent<HTMLElement>) => void;
  /** For what a row is dragged by: dropped, or left where it was. */
  end: () => void;
}

/** Rows that are put in another order by dragging, with the platform's own events. @param onMove from one place to another */
export function useDragRows(
  onMove: (from: number, to: number) => void,
): [DragRows, (at: number) => DragMark] {
  const [drag, setDrag] = useState<Drag | null>(null);
  const latest = useRef({ drag, onMove });
  latest.current = { drag, onMove };
  const rows = useMemo<DragRows>(
    () => ({
      start: (at, event) => {
        event.dataTransfer.effectAllowed = 'move';
        event.dataTransfer.setData('text/plain', String(at + 1));
        const row = event.currentTarget.closest('li');
        if (row) event.dataTransfer.setDragImage(row, 12, 16);
        setDrag({ from: at, over: null });
      },
      over: (at, event) => {
        if (!latest.current.drag) return;
        event.preventDefault();
        setDrag((before) => (!before || before.over === at ? before : { ...before, over: at }));
      },
      drop: (event) => {
        event.preventDefault();
        const { drag: held, onMove: move } = latest.current;
        if (held && held.over !== null && held.over !== held.from) move(held.from, held.over);
        setDrag(null);
      },
      end: () => setDrag(null),
    }),
    [],
  );
  return [rows, (at) => markOf(drag, at)];
}
