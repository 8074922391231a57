/** A row that is dragged, and the one it is over; places count from 0. */
export interface Drag {
  from: number;
  over: number | null;
}

/** What a place looks like while one is dragged. */
export type DragMark = 'dragged' | 'above' | 'below' | null;

/** Where the dragged row would come to stand beside a place, or that it is the one. */
export function markOf(drag: Drag | null, at: number): DragMark {
  if (!drag) return null;
  if (drag.from === at) return 'dragged';
  return drag.over !== at ? null : drag.from > at ? 'above' : 'below';
}
