import { useVirtualizer } from '@tanstack/react-virtual';
import {
  type CSSProperties,
  type KeyboardEvent,
  type PointerEvent,
  type RefObject,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { useStudent } from '../../frame/student';
import { useKeptScroll } from '../../lib/kept-scroll';
import { hasModifier, isTyping } from '../../lib/keys';
import type { Sort, SortKey } from '../../lib/narrow';
import { useWidth } from '../../lib/width';
import { COLUMNS, type Column, columnsFor, type Layout, TIGHT } from './columns';
import type { Line } from './model';
import { useScoring } from './scoring';
import { GroupRow, WorkRow } from './work-row';

const ROW = 33;
const TWO_LINES = 58;
const GROUP = 38;
const NARROW = 620;
const WIDE = 1280;

interface WorkTableProps {
  lines: readonly Line[];
  shown: number;
  /** Milliseconds since the epoch, stepping by the minute. */
  now: number;
  openWork: number | null;
  onOpen: (work: number, step?: string) => void;
  layout: Layout | null;
  onLayout: (layout: Layout) => void;
  sort: Sort | null;
  onSort: (sort: Sort | null) => void;
  /** The rows that are chosen; null while none are being chosen. */
  chosen: ReadonlySet<number> | null;
  /** @param range from the one chosen before to this one */
  onChoose: (works: readonly number[], range?: boolean) => void;
  /** Is given what goes to the score of a row above or below. */
  goToScore: { current: (work: number, step: number) => void };
}

/** A virtual table: one tab stop, arrows or j and k inside, Enter opens. */
function WorkTable(props: WorkTableProps) {
  const { lines, shown, now, openWork, onOpen, layout, chosen, onChoose } = props;
  const student = useStudent();
  const scroll = useRef<HTMLDivElement>(null);
  useKeptScroll(scroll);
  const width = useWidth(scroll, WIDE);
  const narrow = width < NARROW;
  const scoring = useScoring() !== null;
  const columns = useMemo(
    () => (narrow ? [] : withScore(columnsFor(width, layout), scoring)),
    [narrow, width, layout, scoring],
  );
  const rows = useDrawnRows(lines, scroll, narrow);
  const { stop, move, setActive } = useWalkedRows(props, scroll, (index) =>
    rows.scrollToIndex(index, { align: 'auto' }),
  );

  return (
    <div
      ref={scroll}
      role="grid"
      tabIndex={-1}
      aria-label={`Work, ${shown} of ${student.board.counts.total}`}
      aria-rowcount={lines.length + 1}
      onKeyDown={(event) => walked(event, stop, move, props)}
      data-tight={!narrow && !layout && width < TIGHT}
      className="group/work no-print relative min-h-0 flex-1 overflow-auto outline-none"
      style={{ '--tracks': tracks(columns, chosen !== null) } as CSSProperties}
    >
      {!narrow && (
        <Head
          columns={columns}
          choosing={chosen !== null}
          sort={props.sort}
          onSort={props.onSort}
          onResize={(key, pixels) =>
            props.onLayout({
              keys: columns.map((column) => column.key),
              widths: { ...layout?.widths, [key]: pixels },
            })
          }
        />
      )}
      <div role="rowgroup" className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((item) => {
          const line = lines[item.index];
          if (!line) return null;
          const place = { start: item.start, size: item.size, rowIndex: item.index + 2 };
          return line.kind === 'group' ? (
            <GroupRow key={item.key} group={line.group} chosen={chosen} onChoose={onChoose} {...place} />
          ) : (
            <WorkRow
              key={item.key}
              work={line.work}
              student={student}
              now={now}
              columns={columns}
              open={line.work.id === openWork}
              stop={item.index === stop}
              chosen={chosen ? chosen.has(line.work.id) : null}
              onChoose={onChoose}
              onOpen={onOpen}
              onFocus={setActive}
              {...place}
            />
          );
        })}
      </div>
    </div>
  );
}

/** A key in the table: to another row, or something done with the one that has the tab stop. */
function walked(
  event: KeyboardEvent,
  stop: number,
  move: (from: number, step: number) => void,
  { lines, chosen, onOpen, onChoose }: WorkTableProps,
): void {
  const line = lines[stop];
  if (hasModifier(event) || line?.kind !== 'work') return;
  if (event.key === 'ArrowDown') move(stop, 1);
  else if (event.key === 'ArrowUp') move(stop, -1);
  else if (event.key === 'Home') move(-1, 1);
  else if (event.key === 'End') move(lines.length, -1);
  else if (event.key === 'Enter') onOpen(line.work.id);
  else if (event.key === 'e') onOpen(line.work.id, 'hand-in');
  else if (event.key === 'x' || (event.key === ' ' && chosen)) onChoose([line.work.id], event.shiftKey);
  else return;
  event.preventDefault();
}

/** Only the rows that are in sight are drawn. */
function useDrawnRows(lines: readonly Line[], scroll: RefObject<HTMLDivElement | null>, narrow: boolean) {
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroll.current,
    estimateSize: (index) => (lines[index]?.kind === 'group' ? GROUP : narrow ? TWO_LINES : ROW),
    getItemKey: (index) => {
      const line = lines[index];
      return line?.kind === 'work' ? line.work.id : `group ${line?.group.key}`;
    },
    overscan: 6,
    useFlushSync: false,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the sizes change with the layout
  useEffect(() => rows.measure(), [narrow, lines]);
  return rows;
}

/** Which row has the tab stop, and what walks to others: arrows, j and k, and the scores that are written down. */
function useWalkedRows(
  { lines, openWork, onOpen, goToScore }: WorkTableProps,
  scroll: RefObject<HTMLDivElement | null>,
  scrollTo: (index: number) => void,
) {
  const [active, setActive] = useState<number | null>(null);
  const wanted = useRef<number | null>(null);
  // A row that was walked to takes the focus as soon as it is on screen.
  useEffect(() => {
    if (wanted.current === null) return;
    const row = scroll.current?.querySelector<HTMLElement>(`[data-work="${wanted.current}"]`);
    if (!row) return;
    wanted.current = null;
    row.focus({ preventScroll: true });
  });

  const firstWork = lines.findIndex((line) => line.kind === 'work');
  const index = lines.findIndex((line) => line.kind === 'work' && line.work.id === (active ?? openWork));
  const stop = index < 0 ? firstWork : index;

  const goTo = (next: number) => {
    const line = lines[next];
    if (line?.kind !== 'work') return;
    setActive(line.work.id);
    wanted.current = line.work.id;
    scrollTo(next);
    if (openWork !== null) onOpen(line.work.id);
  };
  const move = (from: number, step: number) => {
    let next = from + step;
    while (lines[next]?.kind === 'group') next += step;
    goTo(next);
  };
  useRowKeys(stop, move);
  goToScore.current = (work, step) => {
    let next = lines.findIndex((line) => line.kind === 'work' && line.work.id === work) + step;
    while (lines[next]?.kind === 'group') next += step;
    const line = lines[next];
    if (line?.kind !== 'work') return;
    scrollTo(next);
    const focus = () => {
      const field = scroll.current?.querySelector<HTMLInputElement>(`[data-work="${line.work.id}"] input`);
      field?.focus();
      return field;
    };
    // At once, so that no key of who types on is lost; a row that isn't drawn yet comes with the next frame.
    if (!focus()) requestAnimationFrame(focus);
  };
  return { stop, move, setActive };
}

/** Scores can be written down only where they stand. */
function withScore(columns: readonly Column[], scoring: boolean): readonly Column[] {
  const score = COLUMNS.find((column) => column.key === 'score');
  if (!scoring || !score || columns.some((column) => column.key === 'score')) return columns;
  return [...columns.slice(0, 2), score, ...columns.slice(2)];
}

function tracks(columns: readonly Column[], choosing: boolean): string {
  return [...(choosing ? ['20px'] : []), ...columns.map((column) => column.track)].join(' ');
}

interface HeadProps {
  columns: readonly Column[];
  choosing: boolean;
  sort: Sort | null;
  onSort: (sort: Sort | null) => void;
  onResize: (column: string, pixels: number) => void;
}

/** A click on a head sorts by it, a second turns it round, a third lets the helpful order have its way again. */
function Head({ columns, choosing, sort, onSort, onResize }: HeadProps) {
  const turn = (key: SortKey) => {
    if (sort?.key !== key) onSort({ key, down: false });
    else onSort(sort.down ? null : { key, down: true });
  };
  return (
    <div role="row" aria-rowindex={1} tabIndex={-1} className="work-head work-cells">
      {choosing && (
        <span role="columnheader" tabIndex={-1}>
          <span className="sr-only">Chosen</span>
        </span>
      )}
      {columns.map((column) => {
        const sorted = column.sort !== undefined && sort?.key === column.sort ? sort : null;
        return (
          <span
            key={column.key}
            role="columnheader"
            tabIndex={-1}
            data-end={column.end}
            aria-sort={sorted ? (sorted.down ? 'descending' : 'ascending') : undefined}
            className="group/head !relative"
          >
            {column.sort ? (
              <button
                type="button"
                onClick={() => column.sort && turn(column.sort)}
                className="truncate hover:text-ink"
              >
                {column.head}
                {sorted && <span aria-hidden> {sorted.down ? '↓' : '↑'}</span>}
              </button>
            ) : (
              <span className="truncate">{column.head}</span>
            )}
            <Edge onResize={(pixels) => onResize(column.key, pixels)} />
          </span>
        );
      })}
    </div>
  );
}

const LEAST = 36;

/** The right edge of a head, by which its column is made wider or narrower. By keys it is done in the columns dialog. */
function Edge({ onResize }: { onResize: (pixels: number) => void }) {
  const onPointerDown = (event: PointerEvent<HTMLSpanElement>) => {
    const head = event.currentTarget.parentElement;
    if (!head) return;
    event.preventDefault();
    const { left } = head.getBoundingClientRect();
    const move = (to: globalThis.PointerEvent) => onResize(Math.max(LEAST, Math.round(to.clientX - left)));
    const up = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
  };
  return (
    <span
      aria-hidden
      onPointerDown={onPointerDown}
      className="absolute inset-y-1 right-0 w-1.5 cursor-col-resize border-line border-r opacity-0 group-hover/head:opacity-100"
    />
  );
}

/** j and k walk the rows from anywhere on the page. */
function useRowKeys(stop: number, move: (from: number, step: number) => void): void {
  const latest = useRef({ stop, move });
  latest.current = { stop, move };
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (isTyping(event) || hasModifier(event)) return;
      const inTable = document.activeElement?.closest('[role="grid"]') !== null;
      if (event.key === 'j') latest.current.move(inTable ? latest.current.stop : latest.current.stop - 1, 1);
      else if (event.key === 'k') latest.current.move(latest.current.stop, -1);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

export { WorkTable };
