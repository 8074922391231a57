import { Link } from 'react-router';
import type { Course } from '../../api/client';
import { useStudent } from '../../frame/student';
import { ASSUMED_LATE } from '../../lib/words';

/** Which of these courses count late work by a rule that nobody has said, and the way to say it. */
function LateAssumed({ courses }: { courses: readonly Course[] }) {
  const { id, mayWrite } = useStudent();
  const assumed = courses.filter((course) => course.lateAssumed);
  if (assumed.length === 0) return null;
  return (
    <p className="mt-2 max-w-[80ch] text-[14px] text-ink-2">
      Nobody has said what being late costs in {assumed.map((course) => course.name).join(', ')}. Work that is
      late and has no score is counted with {ASSUMED_LATE}.{' '}
      {mayWrite && (
        <Link to={`/s/${id}/start?step=late`} className="font-semibold text-ink underline underline-offset-2">
          Say it
        </Link>
      )}
    </p>
  );
}

export { LateAssumed };
