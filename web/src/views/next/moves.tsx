import { type KeyboardEvent, memo, useCallback, useMemo, useRef } from 'react';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { hasModifier, isTyping } from '../../lib/keys';
import { useNow } from '../../lib/now';
import { dateWords, localDate, span } from '../../lib/time';
import { TextButton } from '../../ui/button';
import { useDragRows } from '../../ui/drag-rows';
import { Empty } from '../../ui/states';
import { byDay, type DayOfMoves, type Next, wishOfMoving } from './model';
import { MoveRow } from './move-row';
import { wish } from './wish';

interface MovesProps {
  next: Next;
  openWork: number | null;
  onOpen: (work: number) => void;
}

/** Arrow keys and `j`, `k` walk the rows. */
function walk(event: KeyboardEvent<HTMLElement>): void {
  const step = { j: 1, ArrowDown: 1, k: -1, ArrowUp: -1 }[event.key];
  if (!step || event.defaultPrevented || isTyping(event) || hasModifier(event)) return;
  const rows = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-move]')];
  const at = rows.findIndex((row) => row.contains(document.activeElement));
  const row = rows[Math.min(rows.length - 1, Math.max(0, at + step))];
  row?.querySelector<HTMLElement>('[data-open]')?.focus();
  event.preventDefault();
}

/** The moves by day, in the plan's order; dragged, they say what is wanted, and the plan follows. */
const Moves = memo(function Moves({ next, openWork, onOpen }: MovesProps) {
  const { id, work, zone, mayWrite } = useStudent();
  const days = useMemo(() => byDay(next, zone).filter((day) => day.moves.length > 0), [next, zone]);
  const shown = useRef(next);
  shown.current = next;
  // The same function whatever the plan is, so that rows that stay as they are aren't drawn again.
  const move = useCallback(
    (from: number, to: number) => {
      const wanted = wishOfMoving(shown.current, zone, from, to);
      const title = work(shown.current.moves[from]?.work ?? 0)?.title ?? '';
      if (wanted) wish(id, wanted.work, wanted.wish, `Moved ${title}`);
    },
    [zone, id, work],
  );
  const [rows, mark] = useDragRows(move);
  if (days.length === 0) {
    return (
      <Empty title="Nothing is left to plan">
        {next.left.length > 0
          ? 'There are no free hours for what is yours. Say when you are free, or give today some time.'
          : 'Nothing is yours to move just now.'}
      </Empty>
    );
  }
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the keys walk the rows, which are buttons of their own
    <div onKeyDown={walk}>
      {days.map((day) => (
        <section key={day.date} aria-label={dateWords(day.date)} className="mt-5 first:mt-0">
          <DayHead day={day} />
          <ol className="border-line border-t">
            {day.moves.map(({ move: one, number }) => {
              const piece = work(one.work);
              return (
                piece && (
                  <MoveRow
                    key={one.work}
                    move={one}
                    number={number}
                    work={piece}
                    open={openWork === one.work}
                    narrow={openWork !== null}
                    onOpen={onOpen}
                    onMove={mayWrite ? move : null}
                    drag={rows}
                    mark={mark(number - 1)}
                  />
                )
              );
            })}
          </ol>
        </section>
      ))}
    </div>
  );
});

function DayHead({ day }: { day: DayOfMoves }) {
  const { zone, mayWrite } = useStudent();
  const [, setParams] = useAddress();
  const today = localDate(useNow(), zone) === day.date;
  const sit = () =>
    setParams((before) => {
      before.set('sit', 'today');
      return before;
    });
  return (
    <div className="mb-1.5 flex items-baseline justify-between gap-3 text-[14px] text-ink-2">
      <h2>
        <span className="mr-1.5 font-[680] text-ink">{today ? 'Today' : dateWords(day.date)}</span>
        {span(day.minutes)} planned of {span(day.free)} free
        {day.minutes > day.free && `, ${span(day.minutes - day.free)} over the end`}
      </h2>
      {today && mayWrite && (
        <TextButton onClick={sit}>
          {day.moves.length === 1 ? 'Sit down to it' : `Sit down to these ${day.moves.length}`}
        </TextButton>
      )}
    </div>
  );
}

export { Moves };
