import { useQuery } from '@tanstack/react-query';
import { client, type Schemas, take, writeKey } from '../../api/client';
import { notesQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { count } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { Empty, Failed, Loading } from '../../ui/states';
import { NoteDialog, NoteLine, useNotes } from './note-parts';

type Note = Schemas['OwnNoteView'];

/** Notes of one's own, by course: those on the whole course first, then those on its works. Prints as it stands. */
function NotesView() {
  const { id, own, board } = useStudent();
  const notes = useQuery({ ...notesQuery(id), enabled: own });
  if (!own)
    return (
      <Empty title={`Notes are ${board.student.name.split(' ')[0]}’s own`}>
        Nobody else sees what a student notes for themselves.
      </Empty>
    );
  if (notes.isError) return <Failed error={notes.error} onRetry={() => void notes.refetch()} />;
  if (!notes.data) return <Loading />;
  return <NoteBook notes={notes.data} />;
}

function NoteBook({ notes }: { notes: readonly Note[] }) {
  const { board, own } = useStudent();
  const [params, setParams] = useAddress();
  const course = Number(params.get('course')) || null;
  const work = Number(params.get('work')) || null;
  const tag = params.get('tag') ?? '';
  const tags = [...new Set(notes.flatMap((note) => (note.tag ? [note.tag] : [])))].sort();
  const shown = notes.filter(
    (note) =>
      (course === null || note.course === course) &&
      (work === null || note.work === work) &&
      (tag === '' || note.tag === tag),
  );
  const set = (name: string, value: string) =>
    setParams((before) => {
      if (value) before.set(name, value);
      else before.delete(name);
      before.delete('work');
      return before;
    });
  const courses = board.courses.filter((one) => course === null || one.id === course);
  const title = work === null ? '' : board.works.find((one) => one.id === work)?.title;
  return (
    <div className="min-h-0 flex-1 overflow-auto print:overflow-visible">
      <div className="mx-auto w-full max-w-[820px] px-5 py-4 max-sm:px-3">
        <header className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
          <h1 className="font-bold text-[20px] tracking-[-0.01em]">
            {own ? 'My notes' : 'Notes'}
            {title && `: ${title}`}
          </h1>
          <p aria-live="polite" className="text-[14px] text-ink-2">
            {shown.length} of {count(notes.length, 'note')}
          </p>
          <span className="no-print ml-auto flex flex-wrap gap-2">
            <Pick
              label="Course"
              value={course === null ? '' : String(course)}
              all="All courses"
              options={board.courses.map((one) => [String(one.id), one.name])}
              onChange={(value) => set('course', value)}
            />
            {tags.length > 0 && (
              <Pick
                label="Tag"
                value={tag}
                all="All tags"
                options={tags.map((one) => [one, one])}
                onChange={(value) => set('tag', value)}
              />
            )}
            <Button onClick={() => window.print()}>Print them</Button>
          </span>
        </header>
        {courses.map((one) => (
          <CourseNotes key={one.id} course={one} notes={shown.filter((note) => note.course === one.id)} />
        ))}
        {board.courses.length === 0 && <Empty title="There is no course to write a note on yet" />}
      </div>
    </div>
  );
}

interface PickProps {
  label: string;
  value: string;
  all: string;
  options: readonly (readonly [value: string, words: string])[];
  onChange: (value: string) => void;
}

function Pick({ label, value, all, options, onChange }: PickProps) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      className="h-8 max-w-[180px] rounded border border-line bg-paper px-2 text-[14px]"
    >
      <option value="">{all}</option>
      {options.map(([option, words]) => (
        <option key={option} value={option}>
          {words}
        </option>
      ))}
    </select>
  );
}

function CourseNotes({ course, notes }: { course: Schemas['CourseView']; notes: readonly Note[] }) {
  const { id, board, mayWrite } = useStudent();
  const own = useNotes((form) =>
    own.report(
      take(
        client.POST('/api/students/{student}/courses/{course}/notes', {
          params: { path: { student: id, course: course.id }, header: { 'Idempotency-Key': writeKey() } },
          body: form,
        }),
      ),
      `Added a note to ${course.name}`,
    ),
  );
  const whole = notes.filter((note) => note.work === null);
  const onWorks = notes.filter((note) => note.work !== null);
  const on = (note: Note) => {
    const work = board.works.find((one) => one.id === note.work);
    return work && { work: work.id, title: work.title };
  };
  return (
    <section className={notes.length === 0 ? 'mb-4 print:hidden' : 'mb-6'}>
      <h2 className="flex items-center gap-2 border-line border-b pb-1 font-bold">
        <CourseMark colour={course.colour} />
        {course.name}
        <span className="font-normal text-ink-2">{notes.length}</span>
        {mayWrite && (
          <TextButton onClick={() => own.setWriting('new')} className="ml-auto font-normal">
            Add a note to the course
          </TextButton>
        )}
      </h2>
      <ul>
        {[...whole, ...onWorks].map((note) => (
          <li key={note.id} className="break-inside-avoid border-line-2 border-b py-2.5">
            <NoteLine note={note} on={on(note)} notes={mayWrite ? own : undefined} />
          </li>
        ))}
      </ul>
      <NoteDialog notes={own} about={course.name} />
    </section>
  );
}

export { NotesView };
