import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { ChevronDown } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import type { Board, Schemas } from '../../api/client';
import { termsQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { runningTerm, type Term } from '../../frame/terms';
import { UnknownList } from '../../frame/unknown';
import { useAddress } from '../../lib/address';
import { dateWords, fieldTime } from '../../lib/time';
import { count } from '../../lib/words';
import { Failed, Loading } from '../../ui/states';
import { CoursesStep } from './courses-step';
import { GradesStep } from './grades-step';
import { HoursStep } from './hours-step';
import { LateStep } from './late-step';
import { PastTerms } from './past-terms';
import { TermStep } from './term-step';
import { WorkStep } from './work-step';

const STEPS = ['term', 'courses', 'work', 'late', 'grades', 'hours'] as const;
type StepName = (typeof STEPS)[number];

/**
 * The path from nothing to a true first page: the term, its courses, what there is, what waiting costs, the hours. Each step can
 * be left and come back to; what isn't known stays in one short list.
 */
function StartView() {
  const { id, board } = useStudent();
  const terms = useQuery(termsQuery(id));
  const [params, setParams] = useAddress();
  const [looking, setLooking] = useState(false);
  if (terms.isError && !terms.data)
    return <Failed error={terms.error} onRetry={() => void terms.refetch()} />;
  if (!terms.data) return <Loading />;
  const running = runningTerm(terms.data.terms);
  const courses = terms.data.courses.filter((course) => !course.closed);
  const done = doneOf(board, running !== null, courses.length > 0);
  const asked = STEPS.find((step) => step === params.get('step'));
  const open = looking ? 'work' : (asked ?? STEPS.find((step) => !done[step]) ?? null);
  const go = (step: StepName | null) =>
    setParams(
      (before) => {
        if (step) before.set('step', step);
        else before.delete('step');
        return before;
      },
      { replace: true },
    );
  /** On to what is still to be done, from one step on. */
  const next = (from: StepName) =>
    go(STEPS.slice(STEPS.indexOf(from) + 1).find((step) => !done[step]) ?? null);
  const step = (name: StepName, title: string, summary: string, body: ReactNode) => (
    <Step
      key={name}
      number={STEPS.indexOf(name) + 1}
      title={title}
      summary={summary}
      done={done[name]}
      open={open === name}
      onOpen={() => go(open === name ? null : name)}
    >
      {body}
    </Step>
  );
  const bodies = bodiesOf({ board, running, courses, done, next, onBusy: setLooking });
  const finished = STEPS.every((name) => done[name]);
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto max-w-[920px] px-5 py-6 max-sm:px-3">
        <h1 className="font-[720] text-[21px] leading-tight">
          {board.courses.length === 0 ? 'Set up your term' : (running?.name ?? 'Your term')}
        </h1>
        <p className="mt-1 mb-4 max-w-[68ch] text-ink-2">
          {finished
            ? 'All of this is known. It can be changed here at any time.'
            : 'Six short steps, in any order. Leave any of them for later: what isn’t known is said as unknown, and never guessed in silence.'}
        </p>
        <ol className="border-line border-b">
          {bodies.map(([name, title, summary, body]) => step(name, title, summary, body))}
        </ol>
        {board.works.length > 0 && (
          <p className="my-4">
            <Link
              to={`/s/${id}/next`}
              className="inline-flex h-9 items-center rounded border border-ink bg-ink px-4 font-semibold text-[14px] text-paper hover:opacity-90"
            >
              Go to Next
            </Link>
          </p>
        )}
        <UnknownList heading="Not known yet" />
        <PastTerms terms={terms.data.terms} courses={terms.data.courses} />
      </div>
    </div>
  );
}

interface BodiesOf {
  board: Board;
  running: Term | null;
  courses: readonly Schemas['TermCourse'][];
  done: Record<StepName, boolean>;
  next: (from: StepName) => void;
  onBusy: (busy: boolean) => void;
}

/** Of each step its name, its heading, what is known of it in a line, and what is asked in it. */
function bodiesOf({ board, running, courses, done, next, onBusy }: BodiesOf) {
  const bodies: readonly (readonly [StepName, string, string, ReactNode])[] = [
    ['term', 'Term', termWords(running), <TermStep key="term" term={running} onDone={() => next('term')} />],
    [
      'courses',
      'Courses',
      courses.map((course) => course.name).join(', ') || 'none yet',
      <CoursesStep key="courses" courses={courses} onDone={() => next('courses')} />,
    ],
    [
      'work',
      'What there is',
      board.works.length > 0 ? count(board.works.length, 'piece of work', 'pieces of work') : 'nothing yet',
      <WorkStep key="work" onBusy={onBusy} onDone={() => next('work')} />,
    ],
    [
      'late',
      'What late work costs',
      done.late ? 'known in every course' : 'not known in every course',
      <LateStep key="late" onDone={() => next('late')} />,
    ],
    [
      'grades',
      'How the grades are made',
      done.grades ? 'work has its points' : 'what work is worth isn’t known in every course',
      <GradesStep key="grades" onDone={() => next('grades')} />,
    ],
    [
      'hours',
      'When you can work',
      done.hours ? 'as you said' : 'assumed',
      <HoursStep key="hours" onDone={() => next('hours')} />,
    ],
  ];
  return bodies;
}

/** Which steps have nothing left to say. */
function doneOf(board: Board, term: boolean, courses: boolean): Record<StepName, boolean> {
  const unknown = new Set(board.unknown.map((one) => one.what));
  const work = board.works.length > 0;
  return {
    term,
    courses,
    work,
    late: work && !unknown.has('LATE_RULE'),
    grades: work && !unknown.has('POINTS'),
    hours: !board.freeHoursAssumed,
  };
}

function termWords(term: Term | null): string {
  if (!term) return 'not known yet';
  const closes = term.closes.map(
    (close) => `${close.name || 'grading close'} ${dateWords(close.day)} ${fieldTime(close.time)}`,
  );
  return [`${dateWords(term.firstDay)} to ${dateWords(term.lastDay)}`, ...closes].join('; ');
}

interface StepProps {
  number: number;
  title: string;
  summary: string;
  done: boolean;
  open: boolean;
  onOpen: () => void;
  children: ReactNode;
}

function Step({ number, title, summary, done, open, onOpen, children }: StepProps) {
  return (
    <li className="border-line border-t">
      <h2>
        <button
          type="button"
          aria-expanded={open}
          onClick={onOpen}
          className="flex w-full items-baseline gap-3 py-2 text-left"
        >
          <span
            className={clsx(
              'w-5 shrink-0 text-right font-bold tabular-nums',
              done ? 'text-settled' : open ? 'text-yours' : 'text-ink-3',
            )}
          >
            {number}
          </span>
          <span className="shrink-0 font-bold text-[16px]">{title}</span>
          <span className="min-w-0 flex-1 truncate text-[14px] text-ink-2">{summary}</span>
          <span className={clsx('shrink-0 text-[13.5px]', done ? 'text-settled' : 'text-ink-2')}>
            {done ? 'done' : 'to do'}
          </span>
          <ChevronDown size={15} aria-hidden className={clsx('shrink-0 self-center', open && 'rotate-180')} />
        </button>
      </h2>
      {open && <div className="pt-1 pb-5 pl-8 max-sm:pl-0">{children}</div>}
    </li>
  );
}

export { StartView };
