import type { ReactNode } from 'react';
import { CartesianGrid, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';

/** How every plot looks: its grid, its axes, its words, and the box that tells a point. */
const LOOK = {
  tick: { fill: 'var(--ink-2)', fontSize: 12 },
  grid: 'var(--line-2)',
  axis: 'var(--line)',
  tip: { background: 'var(--raised)', border: '1px solid var(--line)', fontSize: 13, color: 'var(--ink)' },
} as const;

interface TimePlotProps {
  /** Each with its instant as `at`, in order. */
  points: readonly Record<string, number | null>[];
  /** An instant as the box says it. */
  momentOf: (at: number) => string;
  /** The same for the axis, where there is less room. */
  dayOf: (at: number) => string;
  /** A value with its line, as the box says them. */
  sayValue: (value: number, line: string) => [value: string, line: string];
  /** What the values reach over; by itself from the least to the most. */
  domain?: [number | 'auto', number | 'auto'] | undefined;
  whole?: boolean;
  height: number;
  /** Lines, and what stands behind them. */
  children: ReactNode;
}

/** Lines over time. A table says the same to who can't see it, so that it needs no keys of its own. */
function TimePlot(props: TimePlotProps) {
  const { points, momentOf, dayOf, sayValue, domain, whole, height, children } = props;
  return (
    <div aria-hidden style={{ height }}>
      <ResponsiveContainer width="100%" height="100%">
        <LineChart
          accessibilityLayer={false}
          data={[...points]}
          margin={{ top: 8, right: 8, bottom: 0, left: -24 }}
        >
          <CartesianGrid stroke={LOOK.grid} vertical={false} />
          <XAxis
            dataKey="at"
            type="number"
            domain={['dataMin', 'dataMax']}
            tickFormatter={dayOf}
            tick={LOOK.tick}
            stroke={LOOK.axis}
            minTickGap={44}
          />
          <YAxis
            domain={domain ?? ['auto', 'auto']}
            allowDecimals={!whole}
            tick={LOOK.tick}
            stroke={LOOK.axis}
            width={52}
          />
          <Tooltip
            isAnimationActive={false}
            labelFormatter={(at) => momentOf(Number(at))}
            formatter={(value, line) => sayValue(Number(value), String(line))}
            contentStyle={LOOK.tip}
          />
          {children}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}

/** How every line is drawn. */
const LINE = { strokeWidth: 2, dot: false, isAnimationActive: false } as const;

interface Sample {
  words: string;
  colour: string;
  dash?: string;
  /** It stands upright in the plot. */
  post?: true;
}

/** What the lines of a plot say, each with its dash, so that colour is never alone. */
function PlotKey({ lines }: { lines: readonly Sample[] }) {
  return (
    <p className="mt-1 flex flex-wrap gap-x-4 text-[13px] text-ink-2">
      {lines.map((line) => (
        <span key={line.words} className="flex items-center gap-1.5">
          <svg width="22" height="6" overflow="visible" aria-hidden>
            <path
              d={line.post ? 'M11 -5 V11' : 'M0 3 H22'}
              stroke={line.colour}
              strokeWidth="2"
              strokeDasharray={line.dash}
            />
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

export { LINE, PlotKey, PlotTable, TimePlot };
