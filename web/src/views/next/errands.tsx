import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { feedbackQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { Button, TextButton } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { askWords, type Errand, leewaySpan } from './model';

/** Up to so many unread are listed without being asked for. */
const FEW = 2;

/** The moves that take a minute and no room in the plan: what has to be asked for or used, and what is unread. */
function Errands({ errands }: { errands: readonly Errand[] }) {
  const { id } = useStudent();
  const [all, setAll] = useState(false);
  const leeway = errands.filter((one) => one.leeway !== null);
  const unread = errands.filter((one) => one.kind === 'READ_FEEDBACK');
  const listed = all || unread.length <= FEW;
  const newest = useNewestFirst(unread, listed && unread.length > 1);
  if (leeway.length + unread.length === 0) return null;
  return (
    <section aria-label="A minute each" className="mb-5">
      <ul className="border-line border-t">
        {leeway.map((errand) => (
          <Line key={errand.work} errand={errand} />
        ))}
        {!listed && (
          <li className="flex items-center gap-3 border-line border-b py-1.5 text-[14px]">
            <span className="min-w-0 flex-1">
              <b className="font-[680]">Read what was said</b> <span className="text-ink-2">·</span>{' '}
              {unread.length} pieces of work, a minute each
            </span>
            <TextButton className="text-[13.5px] text-ink-2 max-sm:hidden" onClick={() => setAll(true)}>
              List them
            </TextButton>
            <Link to={`/s/${id}/feedback`} className="min-h-6 font-semibold underline underline-offset-2">
              Read them
            </Link>
          </li>
        )}
        {listed && newest.map((errand) => <Line key={errand.work} errand={errand} />)}
      </ul>
    </section>
  );
}

/** By when something was last said of each; in the order of the courses until that is known. */
function useNewestFirst(unread: readonly Errand[], wanted: boolean): readonly Errand[] {
  const { id, sees } = useStudent();
  const feedback = useQuery({ ...feedbackQuery(id), enabled: wanted && sees.words });
  return useMemo(() => {
    const latest = new Map<number, string>();
    for (const one of feedback.data?.said ?? []) {
      const before = latest.get(one.work) ?? '';
      if (one.unread && one.at > before) latest.set(one.work, one.at);
    }
    const at = (errand: Errand) => latest.get(errand.work) ?? '';
    return [...unread].sort((one, other) => at(other).localeCompare(at(one)));
  }, [unread, feedback.data]);
}

function Line({ errand }: { errand: Errand }) {
  const { id, zone, course, work, mayWrite } = useStudent();
  const now = useNow();
  const navigate = useNavigate();
  const piece = work(errand.work);
  if (!piece) return null;
  const asks = errand.kind === 'ASK_EXTENSION' && mayWrite;
  const to = errand.leeway ? `/s/${id}/leeway/${piece.id}` : `/s/${id}/next/${piece.id}`;
  return (
    <li className="flex items-center gap-3 border-line border-b py-1.5 pl-[42px] max-sm:pl-1">
      <div className="min-w-0 flex-1">
        <p className="truncate max-sm:whitespace-normal">
          <b className="font-[680]">{errand.leeway ? askWords(errand.leeway) : 'Read what was said'}</b>{' '}
          <span className="text-ink-2">·</span> {piece.title}
        </p>
        <p className="flex min-w-0 items-center gap-2 text-[13.5px] text-ink-2">
          <CourseMark colour={course(piece.courseId)?.colour ?? ''} className="h-3.5" />
          <span className="truncate max-sm:whitespace-normal">
            {course(piece.courseId)?.name}.{' '}
            {errand.leeway
              ? leewaySpan(errand.leeway, zone, now)
              : `${piece.feedback.unread} unread, the last by ${piece.feedback.latestBy ?? 'the teacher'}`}
          </span>
        </p>
      </div>
      <Button className="h-[30px]" onClick={() => void navigate(to)}>
        {asks ? 'Ask for it' : errand.kind === 'READ_FEEDBACK' ? 'Read it' : 'Look at it'}
      </Button>
    </li>
  );
}

export { Errands };
