import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { setServerNow } from '../../api/clock';
import { householdQuery } from '../../api/queries';
import { useAddress } from '../../lib/address';
import { useNow } from '../../lib/now';
import { Choice } from '../../ui/choice';
import { Empty, Failed, Loading } from '../../ui/states';
import { headline, MANY, type Row, SPANS, type Span, type UnreadStudent, unreadWords } from './model';
import { Courses, Dates, Figures } from './row-parts';
import { StudentsTable } from './students-table';

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
  const { students, unread } = rows.data;
  if (students.length === 0 && unread.length === 0)
    return (
      <Empty alone title="No student has accepted you yet">
        When a student does, their work is shown here. You can read it then, and never change it.
      </Empty>
    );
  const many = students.length >= MANY;
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto max-w-[1180px] px-5 py-5 max-sm:px-3">
        <div className="mb-4 flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
          <div>
            <h1 className="font-[720] text-[21px] leading-tight">{many ? 'Students' : 'Household'}</h1>
            <p className="mt-0.5 text-[14px] text-ink-2">
              Who needs you most stands first: by what is about to be lost, then by what can still be had.
            </p>
          </div>
          <Choice label="Figures count work of" value={span} options={SPANS} onChange={setSpan} />
        </div>
        <Unread students={unread} />
        {many ? (
          <StudentsTable students={students} span={span} />
        ) : (
          <ol>
            {students.map((row) => (
              <StudentRow key={row.id} row={row} />
            ))}
          </ol>
        )}
      </div>
    </div>
  );
}

/** Whose work couldn't be worked out: nobody is left out without a word. */
function Unread({ students }: { students: readonly UnreadStudent[] }) {
  if (students.length === 0) return null;
  return (
    <p role="alert" className="mb-4 border-loss border-l-4 bg-loss-soft px-3 py-1.5 text-[14px]">
      <b className="font-bold">{unreadWords(students)}</b> What stands below holds. Load the page again, and
      tell who runs this Navlo if it stays so.
    </p>
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

export { HouseholdView };
