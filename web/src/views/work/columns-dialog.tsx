import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { OrderedList } from '../../ui/ordered-list';
import { COLUMNS, type Column, type Layout } from './columns';

interface ColumnsDialogProps {
  open: boolean;
  onClose: () => void;
  layout: Layout | null;
  onLayout: (layout: Layout | null) => void;
}

/** Which columns, in which order, how wide. It is kept on this device. */
function ColumnsDialog({ open, onClose, layout, onLayout }: ColumnsDialogProps) {
  const shown =
    layout?.keys ?? COLUMNS.filter((column) => Number.isFinite(column.from)).map(({ key }) => key);
  const widths = layout?.widths ?? {};
  const rest = COLUMNS.filter((column) => !shown.includes(column.key));
  const columns = shown.flatMap((key) => COLUMNS.find((column) => column.key === key) ?? []);
  const order = (next: readonly Column[]) => onLayout({ keys: next.map(({ key }) => key), widths });
  const size = (key: string, pixels: number) => {
    const { [key]: _, ...others } = widths;
    onLayout({ keys: shown, widths: pixels > 0 ? { ...others, [key]: pixels } : others });
  };
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => !next && onClose()}
      title="Columns"
      about="Which are shown, in which order, how wide. Kept on this device."
    >
      <OrderedList
        label="Columns that are shown"
        items={columns}
        keyOf={(column) => column.key}
        nameOf={(column) => column.head}
        onOrder={order}
      >
        {(column) => (
          <span className="flex items-center gap-3">
            <label className="flex min-w-0 flex-1 items-center gap-2">
              <input
                type="checkbox"
                checked
                disabled={column.key === 'title'}
                onChange={() => order(columns.filter((one) => one !== column))}
                className="size-4 accent-(--ink)"
              />
              {column.head}
            </label>
            <label className="flex items-center gap-1.5 text-[13px] text-ink-2">
              <input
                type="number"
                min={0}
                max={900}
                step={10}
                aria-label={`Width of ${column.head} in pixels; empty for its own`}
                value={widths[column.key] ?? ''}
                placeholder="own"
                onChange={(event) => size(column.key, Number(event.target.value))}
                className="h-7 w-[68px] rounded border border-line bg-paper px-1.5 text-right"
              />
              px
            </label>
          </span>
        )}
      </OrderedList>
      {rest.length > 0 && <p className="mt-3 mb-1 text-[13px] text-ink-2">Not shown</p>}
      {rest.map((column) => (
        <label key={column.key} className="flex items-center gap-2 py-1 pl-[23px]">
          <input
            type="checkbox"
            checked={false}
            onChange={() => order([...columns, column])}
            className="size-4 accent-(--ink)"
          />
          {column.head}
        </label>
      ))}
      <div className="mt-4 flex justify-between gap-2">
        <Button look="quiet" disabled={!layout} onClick={() => onLayout(null)}>
          As they come
        </Button>
        <Button look="main" onClick={onClose}>
          Done
        </Button>
      </div>
    </Dialog>
  );
}

export { ColumnsDialog };
