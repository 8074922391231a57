import type { ReactNode } from 'react';

/** How every plot looks: its grid, its axes, its words, and the box that tells a point. */
export const PLOT = {
  tick: { fill: 'var(--ink-2)', fontSize: 12 },
  grid: 'var(--line-2)',
  axis: 'var(--line)',
  tip: { background: 'var(--raised)', border: '1px solid var(--line)', fontSize: 13, color: 'var(--ink)' },
} as const;

interface Sample {
  words: string;
  colour: string;
  dash?: string;
}

/** What the lines of a plot say, each with its dash, so that colour is never alone. */
function PlotKey({ lines }: { lines: readonly Sample[] }) {
  return (
    <p className="mt-1 flex flex-wrap gap-x-4 text-[13px] text-ink-2">
      {lines.map((line) => (
        <span key={line.words} className="flex items-center gap-1.5">
          <svg width="22" height="6" aria-hidden>
            <path d="M0 3 H22" stroke={line.colour} strokeWidth="2" strokeDasharray={line.dash} />
          </svg>
          {line.words}
        </span>
      ))}
    </p>
  );
}

interface PlotTableProps {
  summary: string;
  heads: readonly string[];
  rows: readonly { key: string; cells: readonly string[] }[];
}

/** The table behind a plot, for whoever would rather read it. */
function PlotTable({ summary, heads, rows }: PlotTableProps): ReactNode {
  return (
    <details className="no-print mt-1 text-[13.5px]">
      <summary className="text-ink-2">{summary}</summary>
      <table className="mt-1 w-full">
        <thead className="text-ink-2">
          <tr>
            {heads.map((head, place) => (
              <th key={head} className={place === 0 ? 'text-left font-normal' : 'text-right font-normal'}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.key} className="border-line-2 border-t">
              {row.cells.map((cell, place) =>
                place === 0 ? (
                  <th key={heads[place]} scope="row" className="text-left font-normal">
                    {cell}
                  </th>
                ) : (
                  <td key={heads[place]} className="text-right">
                    {cell}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

export { PlotKey, PlotTable };
