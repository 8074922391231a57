import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { recordsQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { count, sentence } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';

type Two = Schemas['TwoRecordsView'];

/** All work of which two systems say different things: what explains it, what hangs on it, and what to do. */
function TwoRecords() {
  const { id } = useStudent();
  const records = useQuery(recordsQuery(id)).data;
  if (!records || (records.differing.length === 0 && records.agreeing === 0)) return null;
  return (
    <section aria-labelledby="two-records">
      <h2 id="two-records" className="border-line border-b pb-1.5 font-bold text-[17px]">
        Where two records disagree{' '}
        <span className="font-normal text-[14px] text-ink-2">
          {records.differing.length === 0 ? 'nowhere' : records.differing.length};{' '}
          {count(records.agreeing, 'piece of work has', 'pieces of work have')} both alike
        </span>
      </h2>
      <ul>
        {records.differing.map((two) => (
          <OneWork key={`${two.work} ${two.book}`} two={two} />
        ))}
      </ul>
    </section>
  );
}

function OneWork({ two }: { two: Two }) {
  const { id, work, course } = useStudent();
  const piece = work(two.work);
  if (!piece) return null;
  return (
    <li className="grid gap-x-6 gap-y-1 border-line-2 border-b py-2.5 md:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
      <div className="min-w-0">
        <p className="flex items-center">
          <CourseMark colour={course(piece.courseId)?.colour ?? 'slate'} className="mr-2" />
          <Link to={`/s/${id}/work/${two.work}`} className="min-w-0 truncate font-[680] hover:underline">
            {piece.title}
          </Link>
        </p>
        <dl className="mt-0.5 grid grid-cols-[auto_1fr] gap-x-3 text-[13.5px] text-ink-2">
          <dt>Navlo</dt>
          <dd>{two.here}</dd>
          <dt>{two.book}</dt>
          <dd>{two.there}</dd>
        </dl>
      </div>
      <div className="text-[14px]">
        {two.disagreements.map((one) => (
          <p key={one.words}>
            <b className="font-[680]">{sentence(one.words)}</b> {one.because && `${sentence(one.because)} `}
            {sentence(one.advice)}
          </p>
        ))}
      </div>
    </li>
  );
}

export { TwoRecords };
