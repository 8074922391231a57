import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { count } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { type CourseGlance, expectedWords, figuresOf, type Row, sourceWords } from './model';

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
        {course.belowAim && <span className="block text-[12.5px] text-loss">aims at {course.target}</span>}
      </td>
      <td className="whitespace-nowrap py-1 pl-3 text-right text-[13px] text-ink-2">
        {course.scoredAt ? near(course.scoredAt, row.zone, now).replace(/ \d{1,2}:\d\d.*$/, '') : 'never'}
      </td>
    </tr>
  );
}

export { Courses, Dates, Figures };
