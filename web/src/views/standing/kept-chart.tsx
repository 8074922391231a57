import { StepChart } from '../../ui/step-chart';
import type { Trial } from './rules-form';

/** A piece of work to try the rules on. */
export interface Example {
  possible: number;
  earned: number;
  hoursLate: number;
}

const HOUR = 3_600_000;
const BEFORE = 18 * HOUR;
const NO_END = 10 * 24 * HOUR;

/** What is kept of the example by when it is handed in. */
function KeptChart({ trial, example }: { trial: Trial; example: Example }) {
  const due = new Date(trial.exampleDue).getTime();
  const handedIn = due + example.hoursLate * HOUR;
  const edges = trial.steps.map((step) => (step.until === null ? null : new Date(step.until).getTime()));
  const lastEdge = Math.max(due, ...edges.filter((edge) => edge !== null));
  const open = edges.at(-1) === null;
  const reach = open ? Math.max(lastEdge + 2 * 24 * HOUR, due + NO_END / 2) : lastEdge;
  const to = Math.max(reach, handedIn) + 12 * HOUR;
  let from = due - BEFORE;
  const levels = trial.steps.map((step, i) => {
    const level = { from, to: edges[i] ?? to, kept: Number(step.kept) };
    from = level.to;
    return level;
  });
  const marks = [{ at: due, words: 'due' }];
  if (!open && lastEdge > due) marks.push({ at: lastEdge, words: 'not taken after' });
  return (
    <StepChart
      levels={levels}
      from={due - BEFORE}
      to={to}
      most={example.earned}
      marks={marks}
      pointer={handedIn}
    />
  );
}

export { KeptChart };
