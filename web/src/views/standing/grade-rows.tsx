import { Plus, X } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../ui/button';
import { decimal } from './rules-form';

export type Grade = Schemas['GradeSheet'];

export interface RowsProps {
  grade: Grade;
  set: (part: Partial<Grade>) => void;
  fault: (path: string) => string | undefined;
}

export const BOX =
  'h-8 w-full min-w-0 rounded border border-line bg-paper px-2 text-[14px] data-[wrong=true]:border-loss';

interface GridProps {
  /** Tracks of the columns, the last of them for the button that takes a row away. */
  tracks: string;
  heads: readonly string[];
  rows: readonly ReactNode[];
  onRemove: (row: number) => void;
  onAdd: () => void;
  addWords: string;
  fault: string | undefined;
}

/** Rows of small fields under shared heads. */
function Grid({ tracks, heads, rows, onRemove, onAdd, addWords, fault }: GridProps) {
  return (
    <div className="overflow-x-auto">
      {rows.length > 0 && (
        <div
          className="grid min-w-max items-center gap-x-2 gap-y-1.5"
          style={{ gridTemplateColumns: `${tracks} 28px` }}
        >
          {heads.map((head) => (
            <span key={head} className="font-semibold text-[13px]">
              {head}
            </span>
          ))}
          <span />
          {rows.map((row, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a row has no other name than its place
            <div key={i} className="contents">
              {row}
              <button
                type="button"
                aria-label={`Take row ${i + 1} away`}
                onClick={() => onRemove(i)}
                className="grid size-7 place-items-center rounded text-ink-3 hover:bg-line-2 hover:text-ink"
              >
                <X size={14} aria-hidden />
              </button>
            </div>
          ))}
        </div>
      )}
      {fault && <p className="mt-1 font-semibold text-[13px] text-loss">{fault}</p>}
      <Button look="quiet" onClick={onAdd} className="mt-1 -ml-2">
        <Plus size={14} aria-hidden /> {addWords}
      </Button>
    </div>
  );
}

interface CellProps {
  label: string;
  value: string | number;
  wrong: string | undefined;
  onChange: (value: string) => void;
  number?: boolean;
}

function Cell({ label, value, wrong, onChange, number = false }: CellProps) {
  return (
    <input
      aria-label={label}
      aria-invalid={wrong ? true : undefined}
      title={wrong}
      data-wrong={Boolean(wrong)}
      inputMode={number ? 'decimal' : undefined}
      value={value}
      onChange={(event) => onChange(number ? (decimal(event.target.value) ?? '') : event.target.value)}
      className={number ? `${BOX} text-right` : BOX}
    />
  );
}

export function without<T>(list: readonly T[], at: number): T[] {
  return list.filter((_, i) => i !== at);
}

export function replaced<T>(list: readonly T[], at: number, part: Partial<T>): T[] {
  return list.map((one, i) => (i === at ? { ...one, ...part } : one));
}

/** The first fault of a list or of any of its rows. */
export function faultIn(
  fault: RowsProps['fault'],
  list: string,
  rows: number,
  fields: readonly string[],
): string | undefined {
  const own = fault(list);
  if (own) return own;
  for (let i = 0; i < rows; i++) {
    for (const field of fields) {
      const wrong = fault(`${list}[${i}].${field}`);
      if (wrong) return `Row ${i + 1}: ${wrong}`;
    }
  }
  return undefined;
}

export function whole(text: string): number {
  const value = Math.trunc(Number(text));
  return Number.isFinite(value) ? value : 0;
}

export { Cell, Grid };
