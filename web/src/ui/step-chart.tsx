export interface Level {
  from: number;
  to: number;
  kept: number;
}

interface Mark {
  at: number;
  words: string;
}

interface StepChartProps {
  levels: readonly Level[];
  from: number;
  to: number;
  /** The value at the top. */
  most: number;
  /** Posts with a word under them. */
  marks: readonly Mark[];
  /** A pointer under the line; null for none. */
  pointer: number | null;
}

const WIDTH = 430;
const HEIGHT = 92;
const TOP = 16;
const BASE = 72;
/** Steps and words closer together than this don't get a label each. */
const ROOM = 30;

/** What is kept over time: one level a step, falling. The words beside it say the same. */
function StepChart({ levels, from, to, most, marks, pointer }: StepChartProps) {
  const x = (at: number) => ((at - from) / (to - from)) * WIDTH;
  const y = (kept: number) => BASE - (kept / Math.max(1e-9, most)) * (BASE - TOP);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="my-1 w-full max-w-[430px]" aria-hidden>
      <path d={`M0 ${BASE} H${WIDTH}`} stroke="var(--line)" />
      {levels.map((level) => (
        <g key={level.from}>
          <rect
            x={x(level.from)}
            y={y(level.kept)}
            width={Math.max(1, x(level.to) - x(level.from) - 1)}
            height={Math.max(0, BASE - y(level.kept))}
            fill="var(--yours-soft)"
          />
          <path
            d={`M${x(level.from)} ${y(level.kept)} H${x(level.to)}`}
            stroke="var(--yours)"
            strokeWidth="2"
          />
        </g>
      ))}
      {spaced(levels, (level) => x(level.from)).map((level) => (
        <text key={level.from} x={x(level.from) + 2} y={y(level.kept) - 4} fontSize="12" fill="var(--ink)">
          {Math.round(level.kept * 100) / 100}
        </text>
      ))}
      {marks.map((mark) => (
        <path
          key={mark.words}
          d={`M${x(mark.at)} ${TOP - 12} V${BASE}`}
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      ))}
      {spaced(
        [...marks].sort((a, b) => a.at - b.at),
        (mark) => x(mark.at),
        2 * ROOM,
      ).map((mark) => (
        <text
          key={mark.words}
          x={x(mark.at)}
          y={HEIGHT - 6}
          fontSize="12"
          fill="var(--ink-2)"
          textAnchor={x(mark.at) > WIDTH - 2 * ROOM ? 'end' : x(mark.at) < ROOM ? 'start' : 'middle'}
        >
          {mark.words}
        </text>
      ))}
      {pointer !== null && <path d={`M${x(pointer)} ${BASE + 2} l-4 7 h8 Z`} fill="var(--ink)" />}
    </svg>
  );
}

/** Those that have room for a label, from the left. */
function spaced<T>(items: readonly T[], left: (item: T) => number, room = ROOM): T[] {
  let last = Number.NEGATIVE_INFINITY;
  return items.filter((item) => {
    const fits = left(item) - last >= room;
    if (fits) last = left(item);
    return fits;
  });
}

export { StepChart };
