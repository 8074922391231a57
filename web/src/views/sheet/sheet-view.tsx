import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Work } from '../../api/client';
import { meetingQuery, nextQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { useNow } from '../../lib/now';
import { figureWords, READING_WORDS, readingOf } from '../../lib/readings';
import { addDays, dateWords, localDate, near } from '../../lib/time';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { CourseMark } from '../../ui/course-mark';
import { Failed, Loading } from '../../ui/states';
import { completionWords } from '../standing/model';
import { Agreements } from './agreements';
import {
  ahead,
  bringsWords,
  cameWords,
  expectedOf,
  LACK_WORDS,
  type LackGroup,
  lacking,
  type Meeting,
  passLine,
  SPANS,
  type SpanKey,
  untilWords,
} from './model';

/** The span lives in the address. */
function useSpan(): [SpanKey, (span: SpanKey) => void] {
  const [params, setParams] = useAddress();
  const asked = SPANS.find(([key]) => key === params.get('span'));
  const choose = (span: SpanKey) =>
    setParams(
      (before) => {
        before.set('span', span);
        return before;
      },
      { replace: true },
    );
  return [asked?.[0] ?? '14', choose];
}

/** The sheet for a meeting: one or two printed pages to talk over, and what is agreed there. */
function SheetView() {
  const { id, board, zone } = useStudent();
  const [span, setSpan] = useSpan();
  const today = localDate(new Date(board.now).getTime(), zone);
  const since =
    span === 'term' ? (board.term?.firstDay ?? addDays(today, -28)) : addDays(today, -Number(span));
  const meeting = useQuery({ ...meetingQuery(id, since), placeholderData: keepPreviousData });
  if (meeting.isError) return <Failed error={meeting.error} onRetry={() => void meeting.refetch()} />;
  if (!meeting.data) return <Loading />;
  return (
    <div className="min-h-0 flex-1 overflow-auto print:overflow-visible">
      <div className="mx-auto w-full max-w-[920px] px-5 py-4 max-sm:px-3 print:max-w-none print:p-0">
        <header className="mb-4 flex flex-wrap items-end justify-between gap-x-6 gap-y-3">
          <div>
            <h1 className="font-bold text-[20px] tracking-[-0.01em]">Meeting sheet: {board.student.name}</h1>
            <p className="text-[14px] text-ink-2">
              {dateWords(meeting.data.since)} to {dateWords(meeting.data.until)}
            </p>
          </div>
          <div className="no-print flex flex-wrap items-end gap-x-4 gap-y-2">
            <Choice label="Reaches back" value={span} options={SPANS} onChange={setSpan} />
            <Button look="main" onClick={() => window.print()}>
              Print it
            </Button>
          </div>
        </header>
        <Lacks groups={lacking(board)} />
        <Came meeting={meeting.data} />
        <Ahead />
        <Readings />
        <Agreements agreements={meeting.data.agreements} />
      </div>
    </div>
  );
}

interface PartProps {
  title: string;
  /** How much there is of it. */
  about?: string;
  children: ReactNode;
}

function Part({ title, about, children }: PartProps) {
  return (
    <section className="mb-6 print:mb-1.5 print:text-[10px]">
      <h2 className="flex items-baseline gap-3 border-line border-b pb-1 font-bold text-[16px] print:border-black print:text-[13px]">
        {title}
        {about && <span className="font-normal text-[14px] text-ink-2">{about}</span>}
      </h2>
      {children}
    </section>
  );
}

/** A cell of a row that becomes lines on a narrow page. */
const ROW =
  'grid grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)_minmax(0,1fr)] gap-x-4 border-line-2 border-b py-1.5 text-[14px] break-inside-avoid max-sm:grid-cols-1 print:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)_minmax(0,1fr)] print:py-px print:text-[10px] print:leading-[1.25]';

/** What is missing and why, what it still brings, and until when. */
function Lacks({ groups }: { groups: readonly LackGroup[] }) {
  const { id, zone, course } = useStudent();
  const now = useNow();
  const all = groups.reduce((sum, group) => sum + group.works.length, 0);
  return (
    <Part
      title="What is missing, and why"
      about={all === 0 ? '' : count(all, 'piece of work', 'pieces of work')}
    >
      {all === 0 && (
        <p className="py-2 text-[14px] text-ink-2">Nothing is missing, and nothing was sent back.</p>
      )}
      {groups.map(({ lack, works }) => (
        <div key={lack} data-lack={lack}>
          <h3 className="mt-2.5 mb-0.5 font-semibold text-[13.5px] text-ink-2 print:mt-1 print:mb-0 print:text-[10.5px]">
            {LACK_WORDS[lack]} ({works.length})
          </h3>
          {lack === 'CLOSED' && <Closed works={works} />}
          <ul>
            {(lack === 'CLOSED' ? [] : works).map((work) => (
              <li key={work.id} className={ROW}>
                <Titled work={work.id} courseId={work.courseId} student={id} title={work.title} />
                <span>{bringsWords(work, lack, course(work.courseId))}</span>
                <span className="text-ink-2">
                  {untilWords(work, zone, now) ||
                    (work.due ? `was due ${near(work.due, zone, now)}` : 'no due date')}
                </span>
              </li>
            ))}
          </ul>
        </div>
      ))}
    </Part>
  );
}

/** What nothing can be done about any more, in as little room as can be. */
function Closed({ works }: { works: readonly Work[] }) {
  const { id, zone } = useStudent();
  const now = useNow();
  return (
    <p className="py-1 text-[14px] print:py-px print:text-[10px]">
      {works.map((work, place) => (
        <span key={work.id}>
          {place > 0 && '; '}
          <Link to={`/s/${id}/work/${work.id}`} className="hover:underline">
            {work.title}
          </Link>
          {work.due && <span className="text-ink-2"> (due {near(work.due, zone, now)})</span>}
        </span>
      ))}
    </p>
  );
}

interface TitledProps {
  work: number;
  courseId: number;
  student: number;
  title: string;
}

/** A title that leads to the piece of work, with its course. */
function Titled({ work, courseId, student, title }: TitledProps) {
  const { course } = useStudent();
  const of = course(courseId);
  return (
    <span className="flex min-w-0 items-baseline gap-2">
      {of && <CourseMark colour={of.colour} className="h-3 shrink-0 self-center" />}
      <span className="min-w-0">
        <Link to={`/s/${student}/work/${work}`} className="font-semibold hover:underline">
          {title}
        </Link>
        <span className="block text-[13px] text-ink-2 print:ml-1.5 print:inline print:text-[9.5px]">
          {of?.name}
        </span>
      </span>
    </span>
  );
}

/** What teachers gave back in the span, with their words. */
function Came({ meeting }: { meeting: Meeting }) {
  const { id, zone, work } = useStudent();
  const now = useNow();
  return (
    <Part title="What came back" about={meeting.returned.length > 0 ? String(meeting.returned.length) : ''}>
      {meeting.returned.length === 0 && (
        <p className="py-2 text-[14px] text-ink-2">Nothing came back in this time.</p>
      )}
      <ul>
        {meeting.returned.map((returned) => {
          const of = work(returned.work);
          return of ? (
            <li key={returned.work} data-returned={returned.kind} className={ROW}>
              <Titled work={of.id} courseId={of.courseId} student={id} title={of.title} />
              <span className="tabular-nums">
                <b className="font-semibold">{cameWords(returned, of)}</b>, {near(returned.at, zone, now)}
              </span>
              <span className="text-ink-2">{returned.said && `“${returned.said}”`}</span>
            </li>
          ) : null;
        })}
      </ul>
    </Part>
  );
}

/** The plan and the dues of the next two weeks. */
function Ahead() {
  const { id, board } = useStudent();
  const now = useNow();
  const next = useQuery(nextQuery(id, null));
  const days = next.data ? ahead(board, next.data, now) : [];
  return (
    <Part title="The next two weeks">
      {!next.data && <p className="py-2 text-[14px] text-ink-2">The plan is being made.</p>}
      {next.data && days.length === 0 && (
        <p className="py-2 text-[14px] text-ink-2">Nothing is planned, and nothing is due.</p>
      )}
      <ul>
        {days.map((day) => (
          <li
            key={day.date}
            className="grid grid-cols-[84px_minmax(0,1fr)_minmax(0,1fr)] gap-x-4 border-line-2 border-b py-1.5 text-[14px] break-inside-avoid max-sm:grid-cols-1 print:grid-cols-[70px_minmax(0,1fr)_minmax(0,1fr)] print:py-px print:text-[10px] print:leading-[1.25]"
          >
            <b className="font-semibold">{dateWords(day.date)}</b>
            <span>{day.plan.join('; ')}</span>
            <span className="text-ink-2">{day.due.length > 0 && `Due: ${day.due.join('; ')}`}</span>
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** Where each course stands, against the line that it has to reach. */
function Readings() {
  const { id, board } = useStudent();
  return (
    <Part title="Where each course stands">
      <table className="w-full text-[14px] print:text-[10px]">
        <thead>
          <tr className="text-left text-[13px] text-ink-2">
            <th className="py-1 font-normal">Course</th>
            <th className="py-1 text-right font-normal">{READING_WORDS.SO_FAR}</th>
            <th className="py-1 text-right font-normal">{READING_WORDS.EXPECTED}</th>
            <th className="py-1 pl-4 text-right font-normal max-sm:hidden">Lowest line</th>
            <th className="py-1 pl-4 text-right font-normal">Aim</th>
          </tr>
        </thead>
        <tbody>
          {board.courses.map((course) => {
            const { standing } = course;
            const expected = expectedOf(course);
            return (
              <tr key={course.id} className="border-line-2 border-t align-baseline">
                <th scope="row" className="py-1.5 text-left font-normal print:py-px">
                  <Link to={`/s/${id}/standing/${course.id}`} className="hover:underline">
                    {course.name}
                  </Link>
                  {course.teacher && (
                    <span className="text-[13px] text-ink-2 max-sm:hidden print:hidden">
                      {' '}
                      · {course.teacher}
                    </span>
                  )}
                </th>
                {standing.kind === 'COMPLETION' ? (
                  <td colSpan={2} className="py-1.5 text-right">
                    {completionWords(standing)}
                  </td>
                ) : (
                  <>
                    <td className="py-1.5 text-right tabular-nums">
                      {figureWords(readingOf(standing, 'SO_FAR')?.figure ?? null, standing)}
                    </td>
                    <td
                      data-under={expected.under}
                      className="py-1.5 text-right tabular-nums data-[under=true]:font-semibold data-[under=true]:text-loss"
                    >
                      {expected.words}
                    </td>
                  </>
                )}
                <td className="py-1.5 pl-4 text-right text-ink-2 max-sm:hidden">{passLine(course)}</td>
                <td className="py-1.5 pl-4 text-right tabular-nums">
                  {course.aim.target === null ? '' : figureWords(course.aim.target, standing)}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Part>
  );
}

export { SheetView };
