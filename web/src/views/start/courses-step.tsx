import { type FormEvent, useState } from 'react';
import { client, once, type Schemas, take } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { COURSE_COLOURS } from '../../ui/course-mark';
import { TextArea } from '../../ui/field';
import { noticeChange, noticeFault } from '../../ui/notice';
import { CourseDialog } from '../courses/course-form';
import { CourseList } from '../courses/course-list';

interface CoursesStepProps {
  courses: readonly Schemas['TermCourse'][];
  onDone: () => void;
}

/** Courses by name, one a line; what more is known of one is said in its own form. */
function CoursesStep({ courses, onDone }: CoursesStepProps) {
  const { id, zone, board } = useStudent();
  const [text, setText] = useState('');
  const [adding, setAdding] = useState(false);
  const names = text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    let at = board.courses.length;
    for (const line of names) {
      const [name = '', ...teacher] = line.split(',').map((part) => part.trim());
      try {
        const done = await once(`course ${line}`, (key) =>
          take(
            client.POST('/api/students/{student}/courses', {
              params: { path: { student: id }, header: { 'Idempotency-Key': key } },
              body: {
                name,
                shortName: null,
                teacher: teacher.join(', ') || null,
                teacherEmail: null,
                zone,
                colour: COURSE_COLOURS[at++ % COURSE_COLOURS.length] ?? 'umber',
                graded: null,
                rulesOf: null,
              },
            }),
          ),
        );
        setText((before) =>
          before
            .split('\n')
            .filter((one) => one.trim() !== line)
            .join('\n'),
        );
        if (line === names.at(-1)) noticeChange(id, done.change, `Added ${count(names.length, 'course')}`);
      } catch (error) {
        noticeFault(error);
        break;
      }
    }
    await refreshStudent(id);
    if (names.length > 0) onDone();
  };
  return (
    <div className="flex flex-col gap-3">
      <CourseList courses={courses} />
      <form onSubmit={(event) => void add(event)} className="flex flex-col items-start gap-2">
        <TextArea
          label="Courses"
          hint="One a line, with its teacher after a comma if you like. Files that you read in bring theirs."
          rows={4}
          value={text}
          placeholder={'Life Drawing, Ms Arden\nMathematics'}
          onChange={(event) => setText(event.target.value)}
          frame="w-full max-w-[480px]"
        />
        <span className="flex flex-wrap gap-2">
          <Button look="main" type="submit" className="h-9" disabled={names.length === 0}>
            {names.length > 1 ? `Add ${names.length} courses` : 'Add the course'}
          </Button>
          <Button className="h-9" onClick={() => setAdding(true)}>
            Say more about one
          </Button>
          <Button look="quiet" className="h-9" onClick={onDone}>
            {courses.length > 0 ? 'That’s all' : 'Later'}
          </Button>
        </span>
      </form>
      <CourseDialog open={adding} onClose={() => setAdding(false)} />
    </div>
  );
}

export { CoursesStep };
