import clsx from 'clsx';
import { useState } from 'react';
import { client, type Schemas, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { Button } from '../../ui/button';
import { COURSE_COLOURS, CourseMark } from '../../ui/course-mark';
import { Dialog } from '../../ui/dialog';
import { Select, TextField } from '../../ui/field';
import { useFormWrite } from '../../ui/use-form-write';
import { writeChange } from '../../ui/write-change';

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

/** What is typed; empty texts are sent as nothing. */
interface Typed {
  name: string;
  shortName: string;
  teacher: string;
  teacherEmail: string;
  zone: string;
  colour: string;
  /** A way to grade, "as 7" for that of course 7, or nothing. */
  like: string;
}

function typedOf(
  { course, like }: Pick<CourseDialogProps, 'course' | 'like'>,
  zone: string,
): Omit<Typed, 'colour'> {
  return {
    name: course?.name ?? '',
    shortName: course && course.shortName !== course.name ? course.shortName : '',
    teacher: course?.teacher ?? like?.teacher ?? '',
    teacherEmail: course?.teacherEmail ?? like?.teacherEmail ?? '',
    zone: course?.zone ?? like?.zone ?? zone,
    like: like ? `as ${like.id}` : '',
  };
}

function formOf({ like, ...typed }: Typed): Form {
  const copied = like.startsWith('as ');
  return {
    ...typed,
    shortName: typed.shortName || null,
    teacherEmail: typed.teacherEmail || null,
    graded: copied || !like ? null : (like as Form['graded']),
    rulesOf: copied ? Number(like.slice(3)) : null,
  };
}

function CourseForm({ onClose, course, like }: Omit<CourseDialogProps, 'open'>) {
  const { id, board, zone } = useStudent();
  const [key] = useState(writeKey);
  const colour = course?.colour ?? COURSE_COLOURS[board.courses.length % COURSE_COLOURS.length] ?? 'umber';
  const { form, field, submit, writing } = useFormWrite<Typed>(
    { ...typedOf({ course, like }, zone), colour },
    async (typed) => {
      const body = formOf(typed);
      await writeChange(
        id,
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
        `${course ? 'Changed' : 'Added'} the course ${typed.name}`,
      );
      onClose();
    },
  );
  return (
    <form onSubmit={submit} className="grid grid-cols-2 gap-3.5">
      <TextField frame="col-span-2" label="Name" required autoFocus maxLength={120} {...field('name')} />
      <TextField label="Short name" hint="For narrow places" maxLength={40} {...field('shortName')} />
      <TextField label="Teacher" maxLength={120} {...field('teacher')} />
      <TextField
        label="The teacher's address"
        type="email"
        hint="For messages to the teacher"
        maxLength={254}
        {...field('teacherEmail')}
      />
      <TextField label="Time zone" hint="Dues are meant in this zone" required {...field('zone')} />
      {!course && (
        <Select frame="col-span-2" label="How it is graded" {...field('like')}>
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
      <Colours value={form.watch('colour')} onChange={(next) => form.setValue('colour', next)} />
      <div className="col-span-2 mt-1 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Leave it
        </Button>
        <Button look="main" type="submit" disabled={writing}>
          {course ? 'Save the course' : 'Add the course'}
        </Button>
      </div>
    </form>
  );
}

function Colours({ value, onChange }: { value: string; onChange: (colour: string) => void }) {
  return (
    <fieldset className="col-span-2">
      <legend className="mb-1 font-semibold text-[13.5px]">Colour</legend>
      <div className="flex flex-wrap gap-1.5">
        {COURSE_COLOURS.map((colour) => (
          <label
            key={colour}
            title={colour}
            className={clsx(
              'grid size-9 cursor-pointer place-items-center rounded border has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-yours',
              value === colour ? 'border-ink bg-paper' : 'border-line',
            )}
          >
            <input
              type="radio"
              name="colour"
              aria-label={colour}
              checked={value === colour}
              onChange={() => onChange(colour)}
              className="sr-only"
            />
            <CourseMark colour={colour} className="h-5 w-1.5" />
          </label>
        ))}
      </div>
    </fieldset>
  );
}

export { CourseDialog };
