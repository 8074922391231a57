import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Course } from '../../api/client';
import { meanQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useLastVisit } from '../../lib/last-visit';
import {
  figureWords,
  READING_ABOUT,
  READING_WORDS,
  READINGS,
  type Reading,
  readingOf,
  type Standing,
} from '../../lib/readings';
import { TextButton } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { Empty } from '../../ui/states';
import { signed } from './course/model';
import { LateAssumed } from './late-assumed';
import { PrintedStanding } from './printed-standing';
import { type Domain, percentDomain, Scale, ScaleKey } from './scale';

const COLUMNS =
  'md:grid md:grid-cols-[minmax(200px,1.2fr)_minmax(180px,1.9fr)_repeat(6,minmax(58px,72px))_minmax(64px,92px)_44px] md:items-center md:gap-x-3';

/** All courses, each a line with its readings side by side and on one scale. */
function StandingView() {
  const { board, id } = useStudent();
  const percent = percentDomain(board.courses.map((course) => course.standing));
  const before = useLastVisit(
    `standing.${id}`,
    Object.fromEntries(
      board.courses.map((one) => [one.id, readingOf(one.standing, 'SO_FAR')?.figure ?? null]),
    ),
  );
  if (board.courses.length === 0) {
    return (
      <Empty title="There is no course here yet">Where a course stands is shown once there is one.</Empty>
    );
  }
  return (
    <div className="flex-1 overflow-auto print:overflow-visible">
      <PrintedStanding />
      <div className="mx-auto w-full max-w-[1500px] px-5 py-4 max-sm:px-3 print:hidden">
        <header className="mb-3 flex flex-wrap items-baseline justify-between gap-x-8 gap-y-2">
          <h1 className="font-bold text-[20px] tracking-[-0.01em]">Where each course stands</h1>
          <span className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
            <ScaleKey />
            <TextButton onClick={() => window.print()}>Print all courses</TextButton>
          </span>
        </header>
        <div
          aria-hidden
          className={`${COLUMNS} hidden border-line border-b pb-1.5 text-[13px] text-ink-2 max-md:!hidden`}
        >
          <span className="col-span-2" />
          {READINGS.map((reading) => (
            <span key={reading} className="text-right leading-tight" title={READING_ABOUT[reading]}>
              {READING_WORDS[reading]}
            </span>
          ))}
          <span>Letter</span>
          <span />
        </div>
        <ul>
          {board.courses.map((course) => (
            <CourseLine
              key={course.id}
              course={course}
              percent={percent}
              before={before?.figures[course.id] ?? null}
            />
          ))}
        </ul>
        <LateAssumed courses={board.courses} />
        <TermMean />
        <Explained />
      </div>
    </div>
  );
}

interface CourseLineProps {
  course: Course;
  percent: Domain;
  /** What it came to so far at the last visit; null where that isn't known. */
  before: string | null;
}

/** What moved since the last visit, in words; nothing where nothing did. */
function movedWords(before: string | null, now: string | null): string {
  if (before === null || now === null || before === now) return '';
  return `${signed(Number(now) - Number(before))} since your last visit`;
}

function CourseLine({ course, percent, before }: CourseLineProps) {
  const { id } = useStudent();
  const { standing } = course;
  return (
    <li className={`${COLUMNS} border-line-2 border-b py-2.5`}>
      <div className="min-w-0">
        <h2 className="flex min-w-0 items-center font-bold">
          <CourseMark colour={course.colour} className="mr-2" />
          <Link
            to={`/s/${id}/standing/${course.id}`}
            className="truncate hover:underline"
            title={`How the grade of ${course.name} comes about`}
          >
            {course.name}
          </Link>
        </h2>
        <p className="pl-3 text-[13.5px] text-ink-2 leading-snug">
          {[about(course), movedWords(before, readingOf(standing, 'SO_FAR')?.figure ?? null)]
            .filter(Boolean)
            .join(' · ')}
        </p>
      </div>
      <div className="max-md:my-1">
        <Scale standing={standing} percent={percent} target={course.aim.target} />
      </div>
      {standing.kind === 'COMPLETION' ? <Completion standing={standing} /> : <Figures standing={standing} />}
      <Link
        to={`/s/${id}/standing/${course.id}/rules`}
        className="text-[14px] underline underline-offset-2 max-md:mt-1 max-md:inline-block"
        aria-label={`Rules of ${course.name}`}
      >
        Rules
      </Link>
    </li>
  );
}

function about({ teacher, standing }: Course): string {
  const day = standing.gradingDay;
  const graded = day ? `grades ${day.charAt(0)}${day.slice(1).toLowerCase()}s` : '';
  return [teacher, graded].filter(Boolean).join(' · ');
}

function Figures({ standing }: { standing: Standing }) {
  const letter = readingOf(standing, standing.printed)?.letter;
  const below = readingOf(standing, standing.printed)?.belowLine ?? [];
  return (
    <dl className="contents max-md:grid max-md:grid-cols-3 max-md:gap-2">
      {READINGS.map((reading) => (
        <Figure key={reading} standing={standing} reading={reading} />
      ))}
      <div className="min-w-0 max-md:col-span-3">
        <dt className="text-[13px] text-ink-2 md:sr-only">Letter</dt>
        <dd className="truncate font-bold" title={letter ?? 'No letter'}>
          {letter ?? (
            <span className="font-normal text-ink-3">{standing.letters.length > 0 ? 'none' : '—'}</span>
          )}
        </dd>
        {below.length > 0 && <dd className="text-[13px] text-loss">below the line: {below.join(', ')}</dd>}
      </div>
    </dl>
  );
}

function Figure({ standing, reading }: { standing: Standing; reading: Reading }) {
  const one = readingOf(standing, reading);
  const first = reading === standing.printed;
  const about = `${READING_ABOUT[reading]}; ${one?.counted ?? 0} pieces of work`;
  return (
    <div className="md:text-right" title={first ? `${about}. The school prints this one` : about}>
      <dt className="text-[13px] text-ink-2 md:sr-only">{READING_WORDS[reading]}</dt>
      <dd className={first ? 'font-bold' : 'text-ink-2'}>{figureWords(one?.figure ?? null, standing)}</dd>
    </div>
  );
}

/** What is between the student and the end of the course, in words. */
function Completion({ standing }: { standing: Standing }) {
  const { id } = useStudent();
  const { completion } = standing;
  if (!completion) return null;
  return (
    <div className="text-[14px] md:col-span-7">
      {completion.complete ? (
        <p className="font-bold text-done">Complete</p>
      ) : (
        <ul>
          {completion.below.map((below) => (
            <li key={below.work}>
              <Link to={`/s/${id}/work/${below.work}`} className="underline underline-offset-2">
                {below.title}
              </Link>{' '}
              <span className="text-ink-2">
                wants {Number(below.from)} %,{' '}
                {below.percent === null ? 'not scored yet' : `is at ${Number(below.percent).toFixed(1)} %`}
              </span>
            </li>
          ))}
          {completion.below.length === 0 && (
            <li className="text-ink-2">
              {completion.required - completion.done} pieces of required work are left
            </li>
          )}
        </ul>
      )}
    </div>
  );
}

/** The mean of the term, and what it takes to move it. */
function TermMean() {
  const { id } = useStudent();
  const [typed, setTyped] = useState('');
  const target = typed.trim().replace(',', '.');
  const asks = /^\d{1,3}(\.\d{1,4})?$/.test(target);
  const mean = useQuery({ ...meanQuery(id, asks ? target : null), placeholderData: keepPreviousData });
  if (!mean.data?.expected) return null;
  return (
    <section aria-label="The term’s mean" className="mt-4 flex flex-wrap items-center gap-x-3 gap-y-1">
      <span>
        The mean of the courses with a figure is expected at{' '}
        <b className="font-[680]">{Number(mean.data.expected).toFixed(1)} %</b>.
      </span>
      <label className="no-print flex items-center gap-2 text-[14px] text-ink-2">
        To reach
        <input
          inputMode="decimal"
          placeholder="85"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          className="h-8 w-16 rounded border border-line bg-paper px-2 text-right text-[15px] text-ink"
        />
        %
      </label>
      <span aria-live="polite" className="text-[14px]">
        {asks && mean.data.percent !== null && (
          <>
            it takes <b className="font-[680] text-yours">{Number(mean.data.percent).toFixed(1)} %</b> on all
            that has no score yet, in every course.
          </>
        )}
        {asks && mean.data.percent === null && mean.data.atMost !== null && (
          <>
            <b className="font-[680] text-loss">out of reach</b>: {Number(mean.data.atMost).toFixed(1)} % is
            the most.
          </>
        )}
      </span>
    </section>
  );
}

/** One percent misleads, so there are six; here is what each counts. */
function Explained() {
  return (
    <details className="mt-4 max-w-[80ch] text-[14px]">
      <summary className="font-semibold">What each reading counts</summary>
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {READINGS.map((reading) => (
          <div key={reading} className="contents">
            <dt className="font-semibold">{READING_WORDS[reading]}</dt>
            <dd className="text-ink-2">{READING_ABOUT[reading]}.</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}

export { StandingView };
