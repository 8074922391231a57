import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import type { Example } from './late-part';
import type { Trial } from './rules-form';

const WIDTH = 400;
const HEIGHT = 92;
const TOP = 16;
const BASE = 72;
const HOUR = 3_600_000;
const BEFORE = 18 * HOUR;
const NO_END = 10 * 24 * HOUR;
/** Steps closer together than this don't get a number each. */
const ROOM = 26;

/** What is kept of the example by when it is handed in: one level a step, from the due on falling. */
function KeptChart({ trial, example }: { trial: Trial; example: Example }) {
  const { zone } = useStudent();
  const now = useNow();
  const due = new Date(trial.exampleDue).getTime();
  const handedIn = due + example.hoursLate * HOUR;
  const edges = trial.steps.map((step) => (step.until === null ? null : new Date(step.until).getTime()));
  const lastEdge = Math.max(due, ...edges.filter((edge) => edge !== null));
  const open = edges.at(-1) === null;
  const end =
    Math.max(open ? Math.max(lastEdge + 2 * 24 * HOUR, due + NO_END / 2) : lastEdge, handedIn) + 12 * HOUR;
  const start = due - BEFORE;
  const x = (at: number) => ((at - start) / (end - start)) * WIDTH;
  const most = Math.max(1, example.earned);
  const y = (kept: number) => BASE - (kept / most) * (BASE - TOP);
  let from = start;
  let labelled = -ROOM;
  const levels = trial.steps.map((step, i) => {
    const to = edges[i] ?? end;
    const level = { from, to, kept: Number(step.kept) };
    from = to;
    return level;
  });
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="my-1 w-full max-w-[400px]" aria-hidden>
      <path d={`M0 ${BASE} H${WIDTH}`} stroke="var(--line)" />
      {levels.map((level) => {
        const left = x(level.from);
        const label = left - labelled >= ROOM;
        if (label) labelled = left;
        return (
          <g key={level.from}>
            <rect
              x={left}
              y={y(level.kept)}
              width={Math.max(1, x(level.to) - left - 1)}
              height={Math.max(0, BASE - y(level.kept))}
              fill="var(--yours-soft)"
            />
            <path d={`M${left} ${y(level.kept)} H${x(level.to)}`} stroke="var(--yours)" strokeWidth="2" />
            {label && (
              <text x={left + 2} y={y(level.kept) - 4} fontSize="12" fill="var(--ink)">
                {Math.round(level.kept * 100) / 100}
              </text>
            )}
          </g>
        );
      })}
      <path d={`M${x(due)} ${TOP - 12} V${BASE}`} stroke="var(--ink)" strokeWidth="1.5" />
      <text x={x(due)} y={HEIGHT - 6} fontSize="12" fill="var(--ink-2)" textAnchor="middle">
        due
      </text>
      {!open && (
        <text
          x={Math.min(x(lastEdge) + 30, WIDTH)}
          y={HEIGHT - 6}
          fontSize="12"
          fill="var(--ink-2)"
          textAnchor="end"
        >
          {lastEdge > due ? 'not taken after' : ''}
        </text>
      )}
      <path d={`M${x(handedIn)} ${BASE + 2} l-4 7 h8 Z`} fill="var(--ink)">
        <title>{near(new Date(handedIn).toISOString(), zone, now)}</title>
      </path>
    </svg>
  );
}

export { KeptChart };
