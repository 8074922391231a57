import { X } from 'lucide-react';
import { fieldTime } from '../../lib/time';
import type { Span } from './model';

interface TimeBoxProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

function TimeBox({ label, value, onChange }: TimeBoxProps) {
  return (
    <input
      type="time"
      aria-label={label}
      required
      value={value.slice(0, 5)}
      onChange={(event) => onChange(`${event.target.value}:00`)}
      className="h-8 rounded border border-line bg-paper px-1.5 text-[14px]"
    />
  );
}

interface SpanBoxProps {
  /** What the span belongs to: "Monday". */
  of: string;
  span: Span;
  onChange: (change: Partial<Span>) => void;
  onRemove: () => void;
}

/** From one time to another, with a way to take it away. */
function SpanBox({ of, span, onChange, onRemove }: SpanBoxProps) {
  return (
    <span className="flex flex-wrap items-center gap-1 text-[14px]">
      <TimeBox label={`${of} from`} value={span.starts} onChange={(starts) => onChange({ starts })} />–
      <TimeBox label={`${of} to`} value={span.ends} onChange={(ends) => onChange({ ends })} />
      <Remove
        label={`Remove ${fieldTime(span.starts)} to ${fieldTime(span.ends)}, ${of}`}
        onClick={onRemove}
      />
    </span>
  );
}

function Remove({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={label}
      onClick={onClick}
      className="grid size-7 place-items-center rounded text-ink-2 hover:bg-line-2 hover:text-ink"
    >
      <X size={14} aria-hidden />
    </button>
  );
}

export { Remove, SpanBox, TimeBox };
