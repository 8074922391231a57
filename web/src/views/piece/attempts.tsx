import type { Detail } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { minutesBetween, near, span } from '../../lib/time';
import { Part } from './part';
import { Answers, shownWords } from './words';

const KEPT_WORDS: Record<Detail['material']['kept'], string> = {
  HIGHEST: 'the best counts',
  LATEST: 'the last counts',
  FIRST: 'the first counts',
  MEAN: 'their mean counts',
};

type Attempt = Detail['material']['attempts'][number];

/** Every attempt with its score, the one that counts, and its answers when they can be seen. */
function Attempts({ detail }: { detail: Detail }) {
  const { material, work } = detail;
  const inAttempts = work.byAttempts || material.attempts.length > 1;
  if (material.attempts.length === 0 || !inAttempts) return null;
  return (
    <Part
      title="Attempts"
      id="attempts"
      aside={`${left(work.attemptsUsed, work.attemptsAllowed)} · ${KEPT_WORDS[material.kept]}`}
    >
      <ol className="flex flex-col gap-2.5">
        {material.attempts.map((attempt) => (
          <AttemptLine key={attempt.number} attempt={attempt} possible={work.score.possible} />
        ))}
      </ol>
    </Part>
  );
}

function left(used: number, allowed: number | null): string {
  if (allowed === null) return 'as many as you like';
  return used >= allowed ? 'none left' : `${allowed - used} of ${allowed} left`;
}

function AttemptLine({ attempt, possible }: { attempt: Attempt; possible: string }) {
  const { zone } = useStudent();
  const now = useNow();
  return (
    <li>
      <p className="flex flex-wrap items-baseline gap-x-2.5">
        <b className="font-[680]">{attempt.number}</b>
        <span className="text-[14px] text-ink-2">{when(attempt, zone, now)}</span>
        {attempt.kept && <span className="font-semibold text-[13.5px] text-done">this one counts</span>}
        <span className="ml-auto whitespace-nowrap">
          {attempt.points === null ? (
            <span className="text-[14px] text-ink-2">no score yet</span>
          ) : (
            <>
              <b className="font-[680]">{attempt.points}</b> <span className="text-ink-2">of {possible}</span>
            </>
          )}
        </span>
      </p>
      {attempt.points !== null && (
        <ScoreBar points={attempt.points} possible={possible} kept={attempt.kept} />
      )}
      {attempt.shown && attempt.shown.answers.length > 0 ? (
        <details className="mt-1">
          <summary className="text-[14px] underline underline-offset-2">
            Answers of attempt {attempt.number}: {shownWords(attempt.shown)}
          </summary>
          <Answers shown={attempt.shown} />
        </details>
      ) : (
        attempt.answersAt && (
          <p className="mt-0.5 text-[14px] text-ink-2">
            Its answers can be seen from {near(attempt.answersAt, zone, now)}.
          </p>
        )
      )}
    </li>
  );
}

function ScoreBar({ points, possible, kept }: { points: string; possible: string; kept: boolean }) {
  const share = Number(possible) > 0 ? Math.min(1, Number(points) / Number(possible)) : 0;
  return (
    <div aria-hidden className="mt-1 h-1.5 bg-line-2">
      <div className={kept ? 'h-full bg-done' : 'h-full bg-ink-3'} style={{ width: `${share * 100}%` }} />
    </div>
  );
}

function when(attempt: Attempt, zone: string, now: number): string {
  if (attempt.finishedAt) {
    const took = attempt.begunAt
      ? `, in ${span(minutesBetween(new Date(attempt.begunAt).getTime(), attempt.finishedAt))}`
      : '';
    return `finished ${near(attempt.finishedAt, zone, now)}${took}`;
  }
  if (!attempt.begunAt) return 'its hand-in isn’t known';
  const begun = `begun ${near(attempt.begunAt, zone, now)}`;
  if (!attempt.endsAt) return `${begun}, not finished`;
  const minutes = minutesBetween(now, attempt.endsAt);
  return minutes > 0
    ? `${begun}, ${span(minutes)} left`
    : `${begun}; its time ran out ${near(attempt.endsAt, zone, now)}`;
}

export { Attempts };
