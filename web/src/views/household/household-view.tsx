import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type ReactNode, useEffect } from 'react';
import { Link } from 'react-router';
import { householdQuery } from '../../api/queries';
import { useAddress } from '../../lib/address';
import { setServerNow, useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { count } from '../../lib/words';
import { Choice } from '../../ui/choice';
import { CourseMark } from '../../ui/course-mark';
import { Empty, Failed, Loading } from '../../ui/states';
import {
  type CourseGlance,
  expectedWords,
  figuresOf,
  headline,
  isShort,
  type Row,
  SPANS,
  type Span,
  sourceWords,
} from './model';

/** It lives in the address. */
function useSpan(): [Span, (span: Span) => void] {
  const [params, setParams] = useAddress();
  const choose = (span: Span) =>
    setParams(
      (before) => {
        if (span === 'TERM') before.set('span', 'term');
        else before.delete('span');
        return before;
      },
      { replace: true },
    );
  return [params.get('span') === 'term' ? 'TERM' : 'PERIOD', choose];
}

/** The students whose work one sees, who needs it most first. */
function HouseholdView() {
  const [span, setSpan] = useSpan();
  const rows = useQuery({ ...householdQuery(span), placeholderData: keepPreviousData });
  const said = rows.data?.now;
  useEffect(() => {
    if (said) setServerNow(said);
  }, [said]);
  if (rows.isError) return <Failed error={rows.error} onRetry={() => void rows.refetch()} />;
  if (!rows.data) return <Loading />;
  const { students } = rows.data;
  if (students.length === 0)
    return (
      <Empty title="No student has accepted you yet">
        When a student does, their work is shown here. You can read it then, and never change it.
      </Empty>
    );
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto max-w-[1180px] px-5 py-5 max-sm:px-3">
        <div className="mb-4 flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
          <div>
            <h1 className="font-[720] text-[21px] leading-tight">Household</h1>
            <p className="mt-0.5 text-[14px] text-ink-2">
              Who needs you most stands first: by what is about to be lost, then by what can still be had.
            </p>
          </div>
          <Choice label="Figures count work of" value={span} options={SPANS} onChange={setSpan} />
        </div>
        <ol>
          {students.map((row) => (
            <StudentRow key={row.id} row={row} />
          ))}
        </ol>
      </div>
    </div>
  );
}

function StudentRow({ row }: { row: Row }) {
  const now = useNow();
  const to = (path: string) => `/s/${row.id}/${path}`;
  return (
    <li
      data-student={row.id}
      className="grid grid-cols-[minmax(0,1fr)_minmax(0,300px)] gap-x-8 gap-y-3 border-line border-t py-4 last:border-b max-md:grid-cols-1"
    >
      <div className="min-w-0">
        <h2 className="flex flex-wrap items-baseline gap-x-2">
          <Link to={to('next')} className="font-[700] text-[18px] hover:underline">
            {row.name}
          </Link>
          <span className="text-[14px] text-ink-2">
            {[row.school, row.term].filter(Boolean).join(', ') || 'no term yet'}
          </span>
          <Link to={to('sheet')} className="ml-auto text-[14px] underline underline-offset-2 max-sm:ml-0">
            Meeting sheet<span className="sr-only"> for {row.name}</span>
          </Link>
        </h2>
        <p className="mt-0.5 text-[15px]">{headline(row, now)}</p>
        <Figures row={row} />
        <Dates row={row} />
      </div>
      <Courses row={row} />
    </li>
  );
}

/** The four kinds of missing stay apart; one press from a figure to its list. */
function Figures({ row }: { row: Row }) {
  return (
    <ul className="mt-3 grid grid-cols-5 gap-x-4 gap-y-2 max-lg:grid-cols-3 max-sm:grid-cols-2">
      {figuresOf(row).map((figure) => (
        <li key={figure.key} data-figure={figure.key}>
          <Link to={`/s/${row.id}/${figure.to}`} className="group block min-h-6">
            <span
              data-hot={figure.hot && figure.count > 0}
              data-none={figure.count === 0}
              className="block font-[720] text-[20px] leading-6 tabular-nums data-[hot=true]:text-loss data-[none=true]:font-normal data-[none=true]:text-ink-3"
            >
              {figure.count}
            </span>
            <span className="block text-[13px] text-ink-2 leading-snug group-hover:underline">
              {figure.words}
              <span className="sr-only">, of {row.name}</span>
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** What comes next, what is new, and how fresh all of it is. */
function Dates({ row }: { row: Row }) {
  const now = useNow();
  const at = (instant: string) => near(instant, row.zone, now);
  return (
    <dl className="mt-3 flex flex-wrap gap-x-6 gap-y-1 text-[14px]">
      <Said name="Next due">
        {row.nextDue ? (
          <Link to={`/s/${row.id}/work/${row.nextDue.work}`} className="hover:underline">
            {row.nextDue.title}, {at(row.nextDue.at)}
          </Link>
        ) : (
          'nothing'
        )}
      </Said>
      <Said name="Nearest close">
        {row.close ? `${row.close.name || 'grading close'}, ${at(row.close.at)}` : 'none known to come'}
      </Said>
      <Said name="New to you">
        {row.fresh > 0 ? (
          <Link to={`/s/${row.id}/next`} className="font-semibold hover:underline">
            {count(row.fresh, 'thing')}
          </Link>
        ) : (
          'nothing'
        )}
      </Said>
      {row.sources.map((source) => (
        <Said key={source.name} name={source.name}>
          <span data-faulty={source.faulty} className="data-[faulty=true]:text-loss">
            {sourceWords(source, row.zone, now)}
          </span>
        </Said>
      ))}
    </dl>
  );
}

function Said({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="flex min-w-0 flex-wrap gap-x-1.5">
      <dt className="text-ink-2">{name}</dt>
      <dd className="min-w-0">{children}</dd>
    </div>
  );
}

/** What is expected of each course, against what is aimed at, and when its teacher last entered a score. */
function Courses({ row }: { row: Row }) {
  return (
    <table className="w-full self-start text-[14px]">
      <thead>
        <tr className="text-left text-[13px] text-ink-2">
          <th className="pb-1 font-normal">Course</th>
          <th className="pb-1 text-right font-normal">Expected</th>
          <th className="pb-1 text-right font-normal">Scored</th>
        </tr>
      </thead>
      <tbody>
        {row.courses.map((course) => (
          <CourseRow key={course.id} course={course} row={row} />
        ))}
      </tbody>
    </table>
  );
}

function CourseRow({ course, row }: { course: CourseGlance; row: Row }) {
  const now = useNow();
  return (
    <tr className="border-line-2 border-t">
      <th scope="row" className="w-full max-w-0 py-1 text-left font-normal">
        <Link
          to={`/s/${row.id}/standing/${course.id}`}
          className="flex min-h-6 items-center gap-2 hover:underline"
        >
          <CourseMark colour={course.colour} className="h-3.5" />
          <span className="truncate">{course.name}</span>
        </Link>
      </th>
      <td className="whitespace-nowrap py-1 pl-3 text-right tabular-nums">
        {expectedWords(course)}
        {isShort(course) && <span className="block text-[12.5px] text-loss">aims at {course.target}</span>}
      </td>
      <td className="whitespace-nowrap py-1 pl-3 text-right text-[13px] text-ink-2">
        {course.scoredAt ? near(course.scoredAt, row.zone, now).replace(/ \d{1,2}:\d\d.*$/, '') : 'never'}
      </td>
    </tr>
  );
}

export { HouseholdView };
