import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { useStudent } from '../../frame/student';
import { hasModifier, isTyping } from '../../lib/keys';
import { useWidth } from '../../lib/width';
import type { Line } from './model';
import { GroupRow, WorkRow } from './work-row';

const ROW = 33;
const TWO_LINES = 58;
const GROUP = 38;
const NARROW = 620;

interface WorkTableProps {
  lines: readonly Line[];
  shown: number;
  openWork: number | null;
  onOpen: (work: number, step?: string) => void;
}

const HEADS: readonly (readonly [column: string, words: string])[] = [
  ['state', 'State'],
  ['title', 'Work'],
  ['kind', 'Kind'],
  ['due', 'Due'],
  ['effort', 'Effort'],
  ['score', 'Score'],
  ['feedback', 'Feedback'],
  ['files', 'Files'],
  ['attempts', 'Attempts'],
  ['timing', 'Next loss'],
];

/** A virtual table: one tab stop, arrows or j and k inside, Enter opens. */
function WorkTable({ lines, shown, openWork, onOpen }: WorkTableProps) {
  const { board } = useStudent();
  const scroll = useRef<HTMLDivElement>(null);
  const [active, setActive] = useState<number | null>(null);
  const wanted = useRef<number | null>(null);
  const narrow = useWidth(scroll, NARROW) < NARROW;
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroll.current,
    estimateSize: (index) => (lines[index]?.kind === 'group' ? GROUP : narrow ? TWO_LINES : ROW),
    getItemKey: (index) => {
      const line = lines[index];
      return line?.kind === 'work' ? line.work.id : `group ${line?.group.key}`;
    },
    overscan: 12,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the sizes change with the layout
  useEffect(() => rows.measure(), [narrow, lines]);

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
    rows.scrollToIndex(next, { align: 'auto' });
    if (openWork !== null) onOpen(line.work.id);
  };
  const move = (from: number, step: number) => {
    let next = from + step;
    while (lines[next]?.kind === 'group') next += step;
    goTo(next);
  };
  useRowKeys(stop, move);

  const onKeyDown = (event: KeyboardEvent) => {
    const line = lines[stop];
    if (hasModifier(event) || line?.kind !== 'work') return;
    if (event.key === 'ArrowDown') move(stop, 1);
    else if (event.key === 'ArrowUp') move(stop, -1);
    else if (event.key === 'Home') move(-1, 1);
    else if (event.key === 'End') move(lines.length, -1);
    else if (event.key === 'Enter') onOpen(line.work.id);
    else if (event.key === 'e') onOpen(line.work.id, 'hand-in');
    else return;
    event.preventDefault();
  };

  return (
    <div
      ref={scroll}
      role="grid"
      tabIndex={-1}
      aria-label={`Work, ${shown} of ${board.counts.total}`}
      aria-rowcount={lines.length + 1}
      onKeyDown={onKeyDown}
      className="work-table relative min-h-0 flex-1 overflow-auto outline-none print:overflow-visible"
    >
      <div role="row" aria-rowindex={1} tabIndex={-1} className="work-head work-cells">
        {HEADS.map(([column, words]) => (
          <span key={column} role="columnheader" tabIndex={-1} className={`c-${column}`}>
            {words}
          </span>
        ))}
      </div>
      <div role="rowgroup" className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((item) => {
          const line = lines[item.index];
          if (!line) return null;
          const place = { transform: `translateY(${item.start}px)`, height: item.size };
          return line.kind === 'group' ? (
            <GroupRow key={item.key} group={line.group} rowIndex={item.index + 2} style={place} />
          ) : (
            <WorkRow
              key={item.key}
              work={line.work}
              rowIndex={item.index + 2}
              open={line.work.id === openWork}
              stop={item.index === stop}
              narrow={narrow}
              onOpen={onOpen}
              onFocus={setActive}
              style={place}
            />
          );
        })}
      </div>
    </div>
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
