import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { client, type Schemas, take, writeKey } from '../../api/client';
import { notesQuery, refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { count } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { Dialog } from '../../ui/dialog';
import { noticeChange, noticeFault } from '../../ui/notice';
import { Empty, Failed, Loading } from '../../ui/states';
import { NoteForm } from '../work/own-forms';

type Note = Schemas['OwnNoteView'];

/** Notes of one's own, by course: those on the whole course first, then those on its works. Prints as it stands. */
function NotesView() {
  const { id } = useStudent();
  const notes = useQuery(notesQuery(id));
  if (notes.isError) return <Failed error={notes.error} onRetry={() => void notes.refetch()} />;
  if (!notes.data) return <Loading />;
  return <NoteBook notes={notes.data} />;
}

function NoteBook({ notes }: { notes: readonly Note[] }) {
  const { board } = useStudent();
  const [params, setParams] = useSearchParams();
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
          <h1 className="font-bold text-[20px] tracking-[-0.01em]">My notes{title && `: ${title}`}</h1>
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
  const [writing, setWriting] = useState<Note | 'new' | null>(null);
  const header = () => ({ 'Idempotency-Key': writeKey() });
  const change = async (asked: Promise<{ change: number }>, words: string) => {
    const done = await asked;
    await refreshStudent(id);
    noticeChange(id, done.change, words);
    setWriting(null);
  };
  const save = (form: Schemas['NoteForm']) =>
    writing === 'new'
      ? change(
          take(
            client.POST('/api/students/{student}/courses/{course}/notes', {
              params: { path: { student: id, course: course.id }, header: header() },
              body: form,
            }),
          ),
          `Added a note to ${course.name}`,
        )
      : change(
          take(
            client.PUT('/api/students/{student}/notes/{note}', {
              params: { path: { student: id, note: (writing as Note).id }, header: header() },
              body: form,
            }),
          ),
          'Changed a note',
        );
  const remove = (note: Note) =>
    change(
      take(
        client.DELETE('/api/students/{student}/notes/{note}', {
          params: { path: { student: id, note: note.id }, header: header() },
        }),
      ),
      'Removed a note',
    ).catch(noticeFault);
  const whole = notes.filter((note) => note.work === null);
  const onWorks = notes.filter((note) => note.work !== null);
  return (
    <section className={notes.length === 0 ? 'mb-4 print:hidden' : 'mb-6'}>
      <h2 className="flex items-center gap-2 border-line border-b pb-1 font-bold">
        <CourseMark colour={course.colour} />
        {course.name}
        <span className="font-normal text-ink-2">{notes.length}</span>
        {mayWrite && (
          <TextButton onClick={() => setWriting('new')} className="ml-auto font-normal">
            Add a note to the course
          </TextButton>
        )}
      </h2>
      <ul>
        {[...whole, ...onWorks].map((note) => (
          <NoteLine
            key={note.id}
            note={note}
            title={board.works.find((work) => work.id === note.work)?.title}
            onEdit={mayWrite ? () => setWriting(note) : undefined}
            onRemove={() => void remove(note)}
          />
        ))}
      </ul>
      <Dialog
        open={writing !== null}
        onOpenChange={() => setWriting(null)}
        title={writing === 'new' ? 'Add a note' : 'Change the note'}
        about={course.name}
      >
        {writing === 'new' && <NoteForm onSave={save} />}
        {writing !== null && writing !== 'new' && <NoteForm onSave={save} note={writing} />}
      </Dialog>
    </section>
  );
}

interface NoteLineProps {
  note: Note;
  title: string | undefined;
  onEdit: (() => void) | undefined;
  onRemove: () => void;
}

function NoteLine({ note, title, onEdit, onRemove }: NoteLineProps) {
  const { id, zone } = useStudent();
  const now = useNow();
  return (
    <li className="break-inside-avoid border-line-2 border-b py-2.5">
      <p className="max-w-[72ch] whitespace-pre-line">{note.body}</p>
      <p className="flex flex-wrap items-baseline gap-x-3 text-[13.5px] text-ink-2">
        {title && (
          <Link to={`/s/${id}/work/${note.work}`} className="underline underline-offset-2">
            {title}
          </Link>
        )}
        {note.tag && <span className="font-semibold">{note.tag}</span>}
        {near(note.at, zone, now)}
        {onEdit && (
          <span className="no-print flex gap-3">
            <TextButton onClick={onEdit}>Change</TextButton>
            <TextButton onClick={onRemove}>Remove</TextButton>
          </span>
        )}
      </p>
    </li>
  );
}

export { NotesView };
