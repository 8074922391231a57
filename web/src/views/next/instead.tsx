import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { shorterQuery, swapQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { TextButton } from '../../ui/button';
import { insteadWords, type PlannedMove } from './model';
import { useShownPlan } from './shown-plan';

/** What is said of a choice: what it would cost, or that it is being reckoned, or why it can't be. */
function useWords(
  asked: ReturnType<typeof swapQuery> | ReturnType<typeof shorterQuery>,
  on: boolean,
): string {
  const { zone, work, course } = useStudent();
  const now = useNow();
  const answer = useQuery({ ...asked, enabled: on });
  if (answer.isError) return answer.error.message;
  if (!answer.data) return 'is being reckoned…';
  const titles = (id: number) => work(id)?.title ?? 'other work';
  return insteadWords(answer.data, titles, (id) => course(id)?.name ?? 'a course', zone, now);
}

/** Why this comes before that: choose the other, and it is said what the other way round would cost. */
function WhyBefore({ move }: { move: PlannedMove }) {
  const { id, work } = useStudent();
  const next = useShownPlan();
  const [other, setOther] = useState(0);
  const words = useWords(swapQuery(id, other, move.work), other > 0);
  const place = next?.moves.findIndex((one) => one.work === move.work) ?? -1;
  const later = next?.moves.slice(place + 1) ?? [];
  if (later.length === 0) return 'It is the last.';
  return (
    <>
      <select
        aria-label={`What would it cost to do something else before ${work(move.work)?.title}?`}
        value={other}
        onChange={(event) => setOther(Number(event.target.value))}
        className="max-w-full rounded border border-line bg-raised px-1 py-0.5"
      >
        <option value={0}>Choose another move</option>
        {later.map((one) => (
          <option key={one.work} value={one.work}>
            {work(one.work)?.title}
          </option>
        ))}
      </select>
      {other > 0 && (
        <span className="block" aria-live="polite">
          {work(other)?.title} first {words}
        </span>
      )}
    </>
  );
}

/** What an hour less today would cost, answered in place. */
function HourLess() {
  const { id } = useStudent();
  const [asked, setAsked] = useState(false);
  const words = useWords(shorterQuery(id, 60), asked);
  return asked ? (
    <output className="block max-w-[300px] text-right text-[13px] text-ink-2 max-sm:text-left">
      An hour less today {words}
    </output>
  ) : (
    <TextButton onClick={() => setAsked(true)}>An hour less?</TextButton>
  );
}

export { HourLess, WhyBefore };
