import { Pin } from 'lucide-react';
import { type KeyboardEvent, type PointerEvent, useState } from 'react';
import { useStudent } from '../../frame/student';
import { moment } from '../../lib/time';
import type { PlannedMove } from './model';
import { nail } from './wish';

const MINUTE = 60_000;
const QUARTER = 15;
const DAY = 24 * 60;
const DRAG_PIXELS = 4;
/** A line of a day with the space below it. */
const LINE_PIXELS = 32;

const STEPS: Record<string, number> = {
  ArrowLeft: -QUARTER,
  ArrowRight: QUARTER,
  ArrowUp: -DAY,
  ArrowDown: DAY,
};

interface SittingBlockProps {
  move: PlannedMove;
  number: number;
  /** When this sitting begins: dragged, the whole move is nailed where it is dropped. */
  start: string;
  label: string;
  /** Where it lies on the line of its day, in percent. */
  left: string;
  width: string;
  /** Minutes that the whole line stands for. */
  span: number;
  wide: boolean;
  onOpen: (work: number) => void;
}

/**
 * Follows the pointer until it is let go: along the line by quarters of an hour, down and up by days.
 *
 * @param span minutes that the line stands for
 */
function dragOver(
  event: PointerEvent<HTMLButtonElement>,
  span: number,
  deeds: { on: (minutes: number) => void; drop: (minutes: number) => void },
): void {
  const line = event.currentTarget.parentElement?.getBoundingClientRect().width ?? 0;
  if (line === 0) return;
  const from = { x: event.clientX, y: event.clientY };
  let to = 0;
  const onMove = (now: globalThis.PointerEvent) => {
    const x = now.clientX - from.x;
    const y = now.clientY - from.y;
    if (to === 0 && Math.hypot(x, y) < DRAG_PIXELS) return;
    const along = Math.round(((x / line) * span) / QUARTER) * QUARTER;
    to = along + Math.round(y / LINE_PIXELS) * DAY;
    deeds.on(to);
  };
  const onUp = () => {
    window.removeEventListener('pointermove', onMove);
    window.removeEventListener('pointerup', onUp);
    deeds.drop(to);
  };
  window.addEventListener('pointermove', onMove);
  window.addEventListener('pointerup', onUp);
}

/** A sitting on the line of its day. Dragged, or moved by the arrow keys and dropped by Enter, it is nailed to that hour. */
function SittingBlock(props: SittingBlockProps) {
  const { move, number, start, label, left, width, span, wide, onOpen } = props;
  const { id, zone, work, mayWrite } = useStudent();
  const [shift, setShift] = useState(0);
  const [dragged, setDragged] = useState(false);
  const at = new Date(start).getTime() + shift * MINUTE;
  const drop = (to: number) => {
    setShift(0);
    if (to !== 0) {
      nail(
        id,
        { work: move.work, title: work(move.work)?.title ?? '' },
        new Date(start).getTime() + to * MINUTE,
        zone,
      );
    }
  };
  const onPointerDown = (event: PointerEvent<HTMLButtonElement>) => {
    // A finger on it scrolls the page; there the move's menu nails it.
    if (!mayWrite || event.button !== 0 || event.pointerType === 'touch') return;
    dragOver(event, span, {
      on: (to) => {
        setDragged(true);
        setShift(to);
      },
      drop,
    });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    if (mayWrite && step) setShift(shift + step);
    else if (shift !== 0 && event.key === 'Enter') drop(shift);
    else if (shift !== 0 && event.key === 'Escape') setShift(0);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const days = Math.round(shift / DAY);
  return (
    <button
      type="button"
      title={`${number}: ${work(move.work)?.title}`}
      aria-label={
        shift === 0 ? label : `${work(move.work)?.title}: ${moment(new Date(at).toISOString(), zone)}`
      }
      data-nailed={move.nailed !== null}
      onPointerDown={onPointerDown}
      onKeyDown={onKeyDown}
      onBlur={() => setShift(0)}
      onClick={() => {
        if (dragged) setDragged(false);
        else onOpen(move.work);
      }}
      className="absolute inset-y-0.5 overflow-hidden border-paper border-l bg-ink text-center text-[12px] text-paper leading-[24px] hover:bg-yours data-[nailed=true]:border-yours data-[nailed=true]:border-l-4"
      style={{
        left: `calc(${left} + ${((shift - days * DAY) / span) * 100}%)`,
        width,
        ...(days === 0 ? {} : { transform: `translateY(${days * LINE_PIXELS}px)` }),
        ...(shift === 0 ? {} : { zIndex: 10, background: 'var(--yours)' }),
      }}
    >
      {wide && (
        <>
          {move.nailed && <Pin size={10} aria-hidden className="inline" />}
          {number}
        </>
      )}
    </button>
  );
}

export { SittingBlock };
