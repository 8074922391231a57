import { Link } from 'react-router';
import { useStudent } from '../../frame/student';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { GRADED_WORDS } from '../courses/course-form';

/** How each course makes its grade, and of how much of its work the points are known. */
function GradesStep({ onDone }: { onDone: () => void }) {
  const { id, board } = useStudent();
  return (
    <div className="flex flex-col gap-3">
      <p className="max-w-[68ch] text-ink-2">
        Points can be read in with a table, set for several pieces of work at once in Work, or typed with a
        score (“17/20”). What has none is planned by its due, and gains nothing that could be told.
      </p>
      <ul className="max-w-[760px] text-[14px]">
        {board.courses.map((course) => {
          const works = board.works.filter((work) => work.courseId === course.id);
          const known = works.filter((work) => work.score.possible !== '0').length;
          const words = GRADED_WORDS.find(([kind]) => kind === course.standing.kind)?.[1].split(':')[0];
          return (
            <li key={course.id} className="flex flex-wrap items-center gap-x-3 border-line-2 border-t py-1.5">
              <CourseMark colour={course.colour} className="h-4" />
              <span className="min-w-0 flex-1 basis-48 font-semibold">{course.name}</span>
              <span className="text-ink-2">
                {words}; points of {known} of {count(works.length, 'piece', 'pieces')} known
              </span>
              <Link to={`/s/${id}/standing/${course.id}/rules`} className="underline underline-offset-2">
                Its rules
              </Link>
              <Link to={`/s/${id}/work?course=${course.id}`} className="underline underline-offset-2">
                Its work
              </Link>
            </li>
          );
        })}
      </ul>
      <Button look="quiet" className="h-9 w-fit" onClick={onDone}>
        That’s all
      </Button>
    </div>
  );
}

export { GradesStep };
