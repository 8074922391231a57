import { useQuery } from '@tanstack/react-query';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { type Course, client, Refused, type Schemas, take, writeKey } from '../../../api/client';
import { useStudent } from '../../../frame/student';
import { figureWords } from '../../../lib/readings';
import { span } from '../../../lib/time';
import { Button } from '../../../ui/button';
import { useWrite } from '../../../ui/use-write';
import { writeChange } from '../../../ui/write-change';
import { plain, type WhatIf } from './model';

interface GoalPanelProps {
  course: Course;
  whatIf: WhatIf;
  /** Work whose score can change it. */
  open: readonly number[];
}

/** What a target takes, on all that is open or on one piece of work, and which work would carry it with the least effort. */
const GoalPanel = memo(function GoalPanel({ course, whatIf, open }: GoalPanelProps) {
  const { id, work, mayWrite } = useStudent();
  const [typed, setTyped] = useState(course.aim.target ?? '');
  const [on, setOn] = useState('');
  const target = typed.trim().replace(',', '.');
  const asks = /^\d{1,7}(\.\d{1,4})?$/.test(target);
  const answer = useQuery({
    queryKey: ['student', id, 'target', course.id, target, on, JSON.stringify(whatIf)],
    enabled: asks && mayWrite,
    retry: false,
    queryFn: ({ signal }) =>
      take(
        client.POST('/api/students/{student}/courses/{course}/grade/target', {
          params: { path: { student: id, course: course.id } },
          body: { whatIf, target, on: on === '' ? null : Number(on) },
          signal,
        }),
      ),
  });
  const { write: setGoal } = useWrite(() =>
    writeChange(
      id,
      client.PUT('/api/students/{student}/courses/{course}/aim', {
        params: { path: { student: id, course: course.id }, header: { 'Idempotency-Key': writeKey() } },
        body: { importance: course.aim.importance, target: asks ? target : null },
      }),
      `Set the goal of ${course.name}`,
    ),
  );
  if (!mayWrite) return null;
  const unit = course.standing.kind === 'STANDARDS' ? 'of 4' : '%';
  return (
    <section aria-labelledby="target" className="no-print mb-6">
      <h2 id="target" className="font-[680] text-[16px]">
        What does it take?
      </h2>
      <div className="mt-1.5 flex items-center gap-2">
        <label htmlFor="target-figure" className="text-[14px] text-ink-2">
          To reach
        </label>
        <input
          id="target-figure"
          inputMode="decimal"
          value={typed}
          placeholder={course.standing.kind === 'STANDARDS' ? '3.5' : '80'}
          onChange={(event) => setTyped(event.target.value)}
          className="h-9 w-20 rounded border border-line bg-paper px-2 text-right text-[16px]"
        />
        <span className="text-ink-2">{unit}</span>
        {asks && target !== (course.aim.target ?? '') && (
          <Button className="ml-auto h-9" onClick={() => void setGoal()}>
            Make it my goal
          </Button>
        )}
      </div>
      <label className="mt-2 flex items-center gap-2 text-[14px] text-ink-2">
        on
        <select
          value={on}
          onChange={(event) => setOn(event.target.value)}
          className="h-8 min-w-0 flex-1 rounded border border-line bg-paper px-1.5 text-ink"
        >
          <option value="">all that has no score yet</option>
          {open.map((piece) => (
            <option key={piece} value={piece}>
              {work(piece)?.title}
            </option>
          ))}
        </select>
      </label>
      <div aria-live="polite" className="mt-2 min-h-10">
        {answer.error instanceof Refused && <p className="text-[14px] text-loss">{answer.error.words}</p>}
        {asks && answer.data && <Answer answer={answer.data} course={course} on={on} />}
      </div>
    </section>
  );
});

interface AnswerProps {
  answer: Schemas['TargetView'];
  course: Course;
  /** The piece of work that it is asked of; empty for all that is open. */
  on: string;
}

/** What it takes, or why it can't be had. */
function Answer({ answer, course, on }: AnswerProps) {
  const { work } = useStudent();
  const { percent, why, atMost, carry } = answer;
  return (
    <>
      {percent !== null && (
        <p>
          <b className="font-[720] text-[20px] text-yours">{plain(percent)} %</b> at least on{' '}
          {on === '' ? 'each of them' : work(Number(on))?.title}.
        </p>
      )}
      {why && <p className="text-[14px] text-ink-2">{why}</p>}
      {percent === null && !why && (
        <p>
          <b className="font-[680] text-loss">Out of reach</b>
          {atMost !== null && `: ${figureWords(atMost, course.standing)} is the most it can come to.`}
        </p>
      )}
      {percent !== null && carry === null && on === '' && (
        <p className="text-[14px] text-ink-2">What is expected of them now wouldn’t reach it.</p>
      )}
      {carry && carry.length > 0 && <Carry pieces={carry} />}
      {carry?.length === 0 && (
        <p className="text-[14px] text-done">It is reached with what is there already.</p>
      )}
    </>
  );
}

/** The work that would reach it with the least effort. */
function Carry({ pieces }: { pieces: NonNullable<Schemas['TargetView']['carry']> }) {
  const { id, work } = useStudent();
  return (
    <div className="mt-2 text-[14px]">
      <p className="text-ink-2">
        Least effort, each at what is expected of it:{' '}
        {span(pieces.reduce((sum, piece) => sum + piece.minutes, 0))}
      </p>
      <ul className="mt-0.5">
        {pieces.map((piece) => (
          <li key={piece.work} className="flex justify-between gap-3 border-line-2 border-t py-0.5">
            <Link to={`/s/${id}/work/${piece.work}`} className="min-w-0 truncate hover:underline">
              {work(piece.work)?.title}
            </Link>
            <span className="shrink-0 text-ink-2">{span(piece.minutes)}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

export { GoalPanel };
