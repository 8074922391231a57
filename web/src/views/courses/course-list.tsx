import { MoreHorizontal } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { client, type Schemas, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { count } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { Menu, MenuItem, MenuRule } from '../../ui/menu';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';
import { CourseDialog } from './course-form';

type TermCourse = Schemas['TermCourse'];

/** Courses, each with what can be done to it. */
function CourseList({ courses }: { courses: readonly TermCourse[] }) {
  const { board } = useStudent();
  return (
    <ul>
      {courses.map((course) => {
        const works = board.works.filter((work) => work.courseId === course.id).length;
        return (
          <li key={course.id} className="flex items-center gap-3 border-line-2 border-t py-1">
            <CourseMark colour={course.colour} className="h-5" />
            <span className="min-w-0 flex-1">
              <span className="font-semibold">{course.name}</span>
              {course.teacher && <span className="text-[14px] text-ink-2"> · {course.teacher}</span>}
            </span>
            <span className="text-[14px] text-ink-2">
              {course.closed ? 'closed' : count(works, 'piece of work', 'pieces of work')}
            </span>
            <CourseMenu course={course} />
          </li>
        );
      })}
    </ul>
  );
}

/** What can be done to one course. */
function CourseMenu({ course }: { course: TermCourse }) {
  const { id, mayWrite } = useStudent();
  const navigate = useNavigate();
  const [asking, setAsking] = useState<'change' | 'copy' | null>(null);
  const params = () => ({
    path: { student: id, course: course.id },
    header: { 'If-Match': `"${course.version}"`, 'Idempotency-Key': writeKey() },
  });
  const { write: close } = useWrite((closed: boolean) =>
    writeChange(
      id,
      client.PUT('/api/students/{student}/courses/{course}/closing', { params: params(), body: { closed } }),
      `${closed ? 'Closed' : 'Opened again'} ${course.name}`,
    ),
  );
  const { write: remove } = useWrite(() =>
    writeChange(
      id,
      client.DELETE('/api/students/{student}/courses/{course}', { params: params() }),
      `Removed ${course.name} with its work`,
    ),
  );
  if (!mayWrite) return null;
  return (
    <>
      <Menu
        trigger={
          <button
            type="button"
            aria-label={`More about ${course.name}`}
            className="grid size-7 place-items-center rounded text-ink-2 hover:bg-line-2 hover:text-ink"
          >
            <MoreHorizontal size={16} aria-hidden />
          </button>
        }
      >
        <MenuItem onSelect={() => setAsking('change')}>Change the course</MenuItem>
        {!course.closed && (
          <MenuItem onSelect={() => void navigate(`/s/${id}/standing/${course.id}/rules`)}>
            Its rules
          </MenuItem>
        )}
        <MenuItem onSelect={() => setAsking('copy')}>Add a course like it</MenuItem>
        <MenuRule />
        <MenuItem onSelect={() => close(!course.closed)}>
          {course.closed ? 'Open it again' : 'Close it: out of the counts'}
        </MenuItem>
        <MenuItem onSelect={remove}>Remove it with its work</MenuItem>
      </Menu>
      <CourseDialog
        open={asking !== null}
        onClose={() => setAsking(null)}
        course={asking === 'change' ? course : undefined}
        like={asking === 'copy' ? course : undefined}
      />
    </>
  );
}

export { CourseList, CourseMenu };
