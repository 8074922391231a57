import { useQuery } from '@tanstack/react-query';
import { closedBoardQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { figureWords, READING_WORDS } from '../../lib/readings';
import { dateWords, day } from '../../lib/time';
import { scoreWords, stageWord } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { Failed, Loading } from '../../ui/states';

/** A closed term as it ended: its courses with their readings, and all of their work. Nothing of it can be changed here. */
function ClosedBoard({ courses: ids }: { courses: ReadonlySet<number> }) {
  const { id } = useStudent();
  const board = useQuery(closedBoardQuery(id));
  if (board.isError) return <Failed error={board.error} onRetry={() => void board.refetch()} />;
  if (!board.data) return <Loading rows={4} />;
  const { works, zone } = board.data;
  const courses = board.data.courses.filter((course) => ids.has(course.id));
  return (
    <div className="mt-1 mb-3">
      {courses.map((course) => (
        <details key={course.id} className="border-line-2 border-t py-1">
          <summary className="flex cursor-pointer items-center gap-2">
            <CourseMark colour={course.colour} className="h-4" />
            <span className="min-w-0 flex-1 font-semibold">{course.name}</span>
            <span className="text-ink-2">
              {READING_WORDS[course.standing.printed].toLowerCase()}{' '}
              {figureWords(
                course.standing.readings.find((one) => one.reading === course.standing.printed)?.figure ??
                  null,
                course.standing,
              )}
            </span>
          </summary>
          <ul className="mt-1 mb-2 pl-4">
            {works
              .filter((work) => work.courseId === course.id)
              .map((work) => {
                const score = scoreWords(work.score);
                return (
                  <li key={work.id} className="flex gap-3 border-line-2 border-t py-0.5">
                    <span className="min-w-0 flex-1">{work.title}</span>
                    <span className="text-ink-2">
                      {work.dueDay ? dateWords(work.dueDay) : work.due ? day(work.due, zone) : ''}
                    </span>
                    <span className="w-24 text-ink-2">{stageWord(work)}</span>
                    <span className="w-24 text-right">
                      {score.points} {score.of}
                    </span>
                  </li>
                );
              })}
          </ul>
        </details>
      ))}
      {courses.length === 0 && <p className="text-ink-2">It had no courses.</p>}
    </div>
  );
}

export { ClosedBoard };
