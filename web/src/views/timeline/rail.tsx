import type { Bar } from './model';

const COLOUR: Record<Bar['work']['move'], string> = {
  YOURS: 'var(--yours)',
  TEACHERS: 'var(--wait)',
  SETTLED: 'var(--done)',
  NOT_YET: 'var(--ink-3)',
  OUT_OF_REACH: 'var(--loss)',
};

/** How far along its rail the work is: nothing begun, begun, handed in, back. */
const FAR: Record<Bar['work']['stage'], number> = {
  NOT_OPEN: 0,
  ASSIGNED: 0,
  DRAFT: 1 / 3,
  SENT_BACK: 1 / 3,
  TURNED_IN: 2 / 3,
  RETURNED: 1,
  EXCUSED: 0,
};

/** Height of a rail with its tail. */
const RAIL = 12;
const MID = 6;
/** Height of a tail where everything is kept. */
const TALL = 9;

interface RailProps {
  bar: Bar;
  x: (at: number) => number;
  /** Pixels at which its drawing begins. */
  left: number;
  width: number;
  /** The plan's sittings of this work. */
  sittings: readonly { from: number; to: number }[];
}

/**
 * A line from opening to due, thick as far as the work has come; past the due a stair that falls with what is kept, to the
 * last instant at which it is taken; beside it the room that an extension or tokens would give.
 */
function Rail({ bar, x, left, width, sittings }: RailProps) {
  const at = (instant: number) => Math.round((x(instant) - left) * 10) / 10;
  const colour = COLOUR[bar.work.move];
  const [from, end] = [at(bar.from), at(bar.railEnd)];
  const far = bar.work.move === 'YOURS' && bar.work.stage === 'RETURNED' ? 1 : FAR[bar.work.stage];
  const reached = from + (end - from) * far;
  const dashes = bar.work.stage === 'NOT_OPEN' ? '2 3' : bar.unsaid && far === 0 ? '5 3' : undefined;
  return (
    <svg width={Math.max(1, width)} height={RAIL + 4} aria-hidden className="absolute bottom-0 left-0">
      <path d={`M${from} ${MID} H${end}`} stroke={colour} strokeWidth="2" strokeDasharray={dashes} />
      {far > 0 && <path d={`M${from} ${MID} H${reached}`} stroke={colour} strokeWidth="5" />}
      {bar.work.stage === 'SENT_BACK' && (
        <path d={`M${reached + 6} 1 L${reached - 4} ${MID} L${reached + 6} 11 Z`} fill="var(--loss)" />
      )}
      {bar.work.stage === 'EXCUSED' && (
        <path d={`M${end - 14} 11 L${end - 2} 1`} stroke="var(--ink-3)" strokeWidth="1.6" />
      )}
      {!bar.unsaid && <path d={`M${from} 2 v8`} stroke={colour} strokeWidth="1.5" />}
      <Tail bar={bar} at={at} />
      {bar.due !== null && <path d={`M${at(bar.due)} 0 v${RAIL}`} stroke="var(--ink)" strokeWidth="2" />}
      {bar.safeBy !== null && bar.safeBy > bar.from && bar.safeBy < bar.to && (
        <path
          d={`M${at(bar.safeBy) - 4} 0 h8 l-4 6 Z`}
          fill="var(--paper)"
          stroke="var(--wait)"
          strokeWidth="1.4"
        />
      )}
      {sittings.map((sitting) => (
        <rect
          key={sitting.from}
          x={at(sitting.from)}
          y={RAIL + 1}
          width={Math.max(2, at(sitting.to) - at(sitting.from))}
          height="3"
          fill="var(--ink)"
        />
      ))}
    </svg>
  );
}

/** Down from the due, a step for each loss, to the last instant at which anything is kept. */
function stair(bar: Bar, at: (instant: number) => number): string {
  const foot = RAIL - 1;
  const steps = bar.steps.map((step) => {
    const top = foot - Math.max(1.5, step.share * TALL);
    return `L${at(step.from)} ${top} H${at(step.to)}`;
  });
  const [first] = bar.steps;
  return first ? `M${at(first.from)} ${foot} ${steps.join(' ')} V${foot} Z` : '';
}

function Tail({ bar, at }: { bar: Bar; at: (instant: number) => number }) {
  const { due } = bar;
  if (due === null) return null;
  const last = bar.steps.at(-1);
  return (
    <>
      <path d={stair(bar, at)} fill="var(--loss)" opacity={bar.endless ? 0.22 : 0.34} />
      {last && !bar.endless && (
        <path d={`M${at(last.to)} 1 v${RAIL - 2}`} stroke="var(--loss)" strokeWidth="1.6" />
      )}
      {bar.extended !== null && bar.extended > due && (
        <path
          d={`M${at(due)} 1.5 H${at(bar.extended)} v4`}
          fill="none"
          stroke="var(--wait)"
          strokeWidth="1.5"
          strokeDasharray="3 2"
        />
      )}
      {bar.tokens.map((token, place) => (
        <path
          key={token}
          d={`M${at(place === 0 ? due : (bar.tokens[place - 1] ?? due)) + 1.5} 3.5 H${at(token)} v5`}
          fill="none"
          stroke="var(--wait)"
          strokeWidth="2.5"
        />
      ))}
    </>
  );
}

export { Rail };
