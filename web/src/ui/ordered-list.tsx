import clsx from 'clsx';
import { ChevronDown, ChevronUp, GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';
import { DROP_LINE, useDragRows } from './drag-rows';

interface OrderedListProps<T> {
  label: string;
  items: readonly T[];
  keyOf: (item: T) => string;
  nameOf: (item: T) => string;
  onOrder: (items: T[]) => void;
  children: (item: T) => ReactNode;
}

/** A list whose order is changed by dragging, or by the two buttons of each row. */
function OrderedList<T>({ label, items, keyOf, nameOf, onOrder, children }: OrderedListProps<T>) {
  const move = (from: number, to: number) => {
    const next = [...items];
    const [item] = next.splice(from, 1);
    if (item === undefined || to < 0 || to >= items.length) return;
    next.splice(to, 0, item);
    onOrder(next);
  };
  const [rows, mark] = useDragRows(move);
  return (
    <ul aria-label={label}>
      {items.map((item, i) => (
        <li
          key={keyOf(item)}
          draggable
          data-drag={mark(i)}
          onDragStart={(event) => rows.start(i, event)}
          onDragOver={(event) => rows.over(i, event)}
          onDrop={rows.drop}
          onDragEnd={rows.end}
          className={clsx(
            'relative flex items-center gap-2 border-line-2 border-b py-1.5 data-[drag=dragged]:bg-yours-soft',
            DROP_LINE,
          )}
        >
          <GripVertical size={15} aria-hidden className="shrink-0 cursor-grab text-ink-3" />
          <div className="min-w-0 flex-1">{children(item)}</div>
          {([-1, 1] as const).map((step) => (
            <button
              key={step}
              type="button"
              disabled={i + step < 0 || i + step >= items.length}
              aria-label={`Move ${nameOf(item)} ${step < 0 ? 'up' : 'down'}`}
              onClick={() => move(i, i + step)}
              className="grid size-7 shrink-0 place-items-center rounded text-ink-2 hover:bg-line-2 disabled:opacity-30"
            >
              {step < 0 ? <ChevronUp size={15} aria-hidden /> : <ChevronDown size={15} aria-hidden />}
            </button>
          ))}
        </li>
      ))}
    </ul>
  );
}

export { OrderedList };
