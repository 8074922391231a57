import type { Detail } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { instantWords } from '../../lib/time';
import { LIMIT_WORDS, sentence } from '../../lib/words';
import { type Level, StepChart } from '../../ui/step-chart';
import { hasCosts } from './model';
import { Part } from './part';

/** What it costs to wait, as a curve and instant by instant. */
function Costs({ detail }: { detail: Detail }) {
  const { zone } = useStudent();
  const now = useNow();
  const { work, worth } = detail;
  if (!hasCosts(detail)) return null;
  return (
    <Part title="What it costs to wait" id="costs">
      <CostCurve detail={detail} now={now} />
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {detail.costs.map((cost) => (
          <div key={cost.at} className="contents">
            <dt className="whitespace-nowrap font-semibold">from {instantWords(cost.at, zone, now)}</dt>
            <dd className="text-ink-2">{costWords(cost, work.score.possible)}</dd>
          </div>
        ))}
      </dl>
      {work.score.possible !== '0' && (
        <p className="mt-1.5 text-[13.5px] text-ink-2">{sentence(worth.policy)}</p>
      )}
    </Part>
  );
}

const HOUR = 3_600_000;

/** What a hand-in keeps of full marks, by when it is made. */
function CostCurve({ detail, now }: { detail: Detail; now: number }) {
  const { costs, work, worth } = detail;
  const last = costs.at(-1);
  if (!last || costs.every((cost) => Number(cost.lost) === 0)) return null;
  // A curve of what was assumed would look like something that is known.
  if (costs.some((cost) => cost.unknown)) return null;
  const reach = new Date(last.at).getTime();
  const to = reach + Math.max(HOUR, (reach - now) * 0.06);
  let kept = costs.reduce((sum, cost) => sum + Number(cost.lost), 0);
  let from = now;
  const levels: Level[] = [];
  for (const cost of costs) {
    const at = new Date(cost.at).getTime();
    if (at > from) levels.push({ from, to: at, kept });
    kept -= Number(cost.lost);
    from = at;
  }
  if (kept > 1e-9) levels.push({ from, to, kept });
  const due = work.dueToCome;
  const marks = [
    { at: due, words: 'due' },
    { at: worth.safeBy?.at ?? null, words: 'safe by' },
    { at: last.limit ? last.at : null, words: LIMIT_WORDS[last.limit ?? 'CLOSES_AT'] },
  ].flatMap(({ at, words }) => {
    const instant = at ? new Date(at).getTime() : 0;
    return instant >= now && instant <= to ? [{ at: instant, words }] : [];
  });
  return (
    <StepChart
      levels={levels}
      from={now}
      to={to}
      most={Number(work.score.possible)}
      marks={marks}
      pointer={null}
    />
  );
}

function costWords(cost: Detail['costs'][number], possible: string): string {
  const lost = Number(cost.lost) > 0 ? `${Number(cost.lost)} of ${possible} points` : '';
  if (cost.limit) {
    return `Nothing is accepted any more: ${LIMIT_WORDS[cost.limit]}${lost ? `, and ${lost} go with it` : ''}.`;
  }
  if (cost.unknown) return 'Late; what that costs isn’t known.';
  return lost ? `${lost} are lost.` : 'Late.';
}

export { Costs };
