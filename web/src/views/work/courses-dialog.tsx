import { useState } from 'react';
import { type Course, client, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { Button } from '../../ui/button';
import { COURSE_COLOURS, CourseMark } from '../../ui/course-mark';
import { Dialog } from '../../ui/dialog';
import { noticeChange } from '../../ui/notice';
import { OrderedList } from '../../ui/ordered-list';
import { useWrite } from '../../ui/use-write';

/** The order of the courses and their colours, everywhere. */
function CoursesDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => !next && onClose()}
      title="Order and colours of courses"
      about="Drag a course, or move it with its arrows. It holds in every view."
    >
      {open && <Arrangement onClose={onClose} />}
    </Dialog>
  );
}

function Arrangement({ onClose }: { onClose: () => void }) {
  const { id, board } = useStudent();
  const [courses, setCourses] = useState<readonly Course[]>(board.courses);
  const [key] = useState(writeKey);
  const paint = (course: Course, colour: string) =>
    setCourses(courses.map((one) => (one.id === course.id ? { ...one, colour } : one)));
  const { write: save } = useWrite(async () => {
    const done = await take(
      client.PUT('/api/students/{student}/courses', {
        params: { path: { student: id }, header: { 'Idempotency-Key': key } },
        body: { courses: courses.map((course) => ({ id: course.id, colour: course.colour })) },
      }),
    );
    await refreshStudent(id);
    noticeChange(id, done.change, 'Arranged the courses');
    onClose();
  });
  return (
    <>
      <OrderedList
        label="Courses"
        items={courses}
        keyOf={(course) => String(course.id)}
        nameOf={(course) => course.name}
        onOrder={setCourses}
      >
        {(course) => (
          <span className="flex items-center gap-2">
            <CourseMark colour={course.colour} />
            <span className="min-w-0 flex-1 truncate">{course.name}</span>
            <select
              aria-label={`Colour of ${course.name}`}
              value={course.colour}
              onChange={(event) => paint(course, event.target.value)}
              className="h-7 rounded border border-line bg-paper px-1.5 text-[13.5px]"
            >
              {COURSE_COLOURS.map((colour) => (
                <option key={colour}>{colour}</option>
              ))}
            </select>
          </span>
        )}
      </OrderedList>
      <div className="mt-4 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Leave as it was
        </Button>
        <Button look="main" onClick={() => void save()}>
          Save the arrangement
        </Button>
      </div>
    </>
  );
}

export { CoursesDialog };
