import clsx from 'clsx';
import { type FormEvent, useState } from 'react';
import { client, Refused, type Schemas, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { Button } from '../../ui/button';
import { COURSE_COLOURS, CourseMark } from '../../ui/course-mark';
import { Dialog } from '../../ui/dialog';
import { Select, TextField } from '../../ui/field';
import { noticeChange, noticeFault } from '../../ui/notice';

type Form = Schemas['CourseForm'];
type TermCourse = Schemas['TermCourse'];

export const GRADED_WORDS: readonly (readonly [NonNullable<Form['graded']>, string])[] = [
  ['POINTS', 'Points: all points earned of all points possible'],
  ['WEIGHTED', 'Weighted categories'],
  ['STANDARDS', 'Standards, rated 0 to 4'],
  ['COMPLETION', 'Completion: all required work done'],
];

interface CourseDialogProps {
  open: boolean;
  onClose: () => void;
  /** The course to change; without it one is added. */
  course?: TermCourse | undefined;
  /** Of which a new one is a copy. */
  like?: TermCourse | undefined;
}

/** A course, added or changed. */
function CourseDialog({ open, onClose, course, like }: CourseDialogProps) {
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => !next && onClose()}
      title={course ? `Change ${course.name}` : like ? `A course like ${like.name}` : 'Add a course'}
    >
      {open && <CourseForm onClose={onClose} course={course} like={like} />}
    </Dialog>
  );
}

function CourseForm({ onClose, course, like }: Omit<CourseDialogProps, 'open'>) {
  const { id, board, zone } = useStudent();
  const [form, setForm] = useState<Form>({
    name: course?.name ?? '',
    shortName: course && course.shortName !== course.name ? course.shortName : '',
    teacher: course?.teacher ?? like?.teacher ?? '',
    teacherEmail: course?.teacherEmail ?? like?.teacherEmail ?? '',
    zone: course?.zone ?? like?.zone ?? zone,
    colour: course?.colour ?? COURSE_COLOURS[board.courses.length % COURSE_COLOURS.length] ?? 'umber',
    graded: null,
    rulesOf: like?.id ?? null,
  });
  const set = (part: Partial<Form>) => setForm({ ...form, ...part });
  const [key] = useState(writeKey);
  const [fault, setFault] = useState<Refused | null>(null);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setFault(null);
    const body = { ...form, teacherEmail: form.teacherEmail || null, shortName: form.shortName || null };
    try {
      const done = await take(
        course
          ? client.PUT('/api/students/{student}/courses/{course}', {
              params: {
                path: { student: id, course: course.id },
                header: { 'If-Match': `"${course.version}"`, 'Idempotency-Key': key },
              },
              body,
            })
          : client.POST('/api/students/{student}/courses', {
              params: { path: { student: id }, header: { 'Idempotency-Key': key } },
              body,
            }),
      );
      await refreshStudent(id);
      noticeChange(id, done.change, `${course ? 'Changed' : 'Added'} the course ${form.name}`);
      onClose();
    } catch (error) {
      if (error instanceof Refused && error.status === 422) setFault(error);
      else noticeFault(error);
    }
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="grid grid-cols-2 gap-3.5">
      <TextField
        frame="col-span-2"
        label="Name"
        required
        autoFocus
        maxLength={120}
        value={form.name}
        onChange={(event) => set({ name: event.target.value })}
        fault={fault?.of('name')}
      />
      <TextField
        label="Short name"
        hint="For narrow places"
        maxLength={40}
        value={form.shortName ?? ''}
        onChange={(event) => set({ shortName: event.target.value })}
        fault={fault?.of('shortName')}
      />
      <TextField
        label="Teacher"
        maxLength={120}
        value={form.teacher ?? ''}
        onChange={(event) => set({ teacher: event.target.value })}
        fault={fault?.of('teacher')}
      />
      <TextField
        label="The teacher's address"
        type="email"
        hint="For messages to the teacher"
        maxLength={254}
        value={form.teacherEmail ?? ''}
        onChange={(event) => set({ teacherEmail: event.target.value })}
        fault={fault?.of('teacherEmail')}
      />
      <TextField
        label="Time zone"
        hint="Dues are meant in this zone"
        required
        value={form.zone}
        onChange={(event) => set({ zone: event.target.value })}
        fault={fault?.of('zone')}
      />
      {!course && (
        <Select
          frame="col-span-2"
          label="How it is graded"
          value={form.rulesOf ? `as ${form.rulesOf}` : (form.graded ?? '')}
          onChange={(event) => {
            const value = event.target.value;
            set(
              value.startsWith('as ')
                ? { rulesOf: Number(value.slice(3)), graded: null }
                : { rulesOf: null, graded: (value || null) as Form['graded'] },
            );
          }}
        >
          <option value="">not known yet</option>
          {GRADED_WORDS.map(([kind, words]) => (
            <option key={kind} value={kind}>
              {words}
            </option>
          ))}
          {board.courses.map((other) => (
            <option key={other.id} value={`as ${other.id}`}>
              By the same rules as {other.name}
            </option>
          ))}
        </Select>
      )}
      <fieldset className="col-span-2">
        <legend className="mb-1 font-semibold text-[13.5px]">Colour</legend>
        <div className="flex flex-wrap gap-1.5">
          {COURSE_COLOURS.map((colour) => (
            <label
              key={colour}
              title={colour}
              className={clsx(
                'grid size-9 cursor-pointer place-items-center rounded border has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-yours',
                form.colour === colour ? 'border-ink bg-paper' : 'border-line',
              )}
            >
              <input
                type="radio"
                name="colour"
                aria-label={colour}
                checked={form.colour === colour}
                onChange={() => set({ colour })}
                className="sr-only"
              />
              <CourseMark colour={colour} className="h-5 w-1.5" />
            </label>
          ))}
        </div>
      </fieldset>
      <div className="col-span-2 mt-1 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Leave it
        </Button>
        <Button look="main" type="submit">
          {course ? 'Save the course' : 'Add the course'}
        </Button>
      </div>
    </form>
  );
}

export { CourseDialog };
