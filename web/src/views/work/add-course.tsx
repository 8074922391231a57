import clsx from 'clsx';
import { type FormEvent, useState } from 'react';
import { client, Refused, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { Button } from '../../ui/button';
import { COURSE_COLOURS, CourseMark } from '../../ui/course-mark';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { noticeChange, noticeFault } from '../../ui/notice';

/** A course typed in by hand. */
function AddCourseDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onOpenChange={(next) => !next && onClose()} title="Add a course">
      {open && <AddCourseForm onClose={onClose} />}
    </Dialog>
  );
}

function AddCourseForm({ onClose }: { onClose: () => void }) {
  const { id, board, zone } = useStudent();
  const [form, setForm] = useState({
    name: '',
    teacher: '',
    teacherEmail: '',
    zone,
    colour: COURSE_COLOURS[board.courses.length % COURSE_COLOURS.length] ?? 'umber',
  });
  const [key] = useState(writeKey);
  const [fault, setFault] = useState<Refused | null>(null);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setFault(null);
    try {
      const added = await take(
        client.POST('/api/students/{student}/courses', {
          params: { path: { student: id }, header: { 'Idempotency-Key': key } },
          body: { ...form, teacherEmail: form.teacherEmail || null },
        }),
      );
      await refreshStudent(id);
      noticeChange(id, added.change, `Added the course ${form.name}`);
      onClose();
    } catch (error) {
      if (error instanceof Refused && error.status === 422) setFault(error);
      else noticeFault(error);
    }
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3.5">
      <TextField
        label="Name"
        required
        autoFocus
        maxLength={120}
        value={form.name}
        onChange={(event) => setForm({ ...form, name: event.target.value })}
        fault={fault?.of('name')}
      />
      <TextField
        label="Teacher"
        hint="May stay empty."
        maxLength={120}
        value={form.teacher}
        onChange={(event) => setForm({ ...form, teacher: event.target.value })}
        fault={fault?.of('teacher')}
      />
      <TextField
        label="The teacher's address"
        type="email"
        hint="For messages to the teacher. May stay empty."
        maxLength={254}
        value={form.teacherEmail}
        onChange={(event) => setForm({ ...form, teacherEmail: event.target.value })}
        fault={fault?.of('teacherEmail')}
      />
      <TextField
        label="Time zone"
        hint="Dues of this course are meant in this zone."
        required
        value={form.zone}
        onChange={(event) => setForm({ ...form, zone: event.target.value })}
        fault={fault?.of('zone')}
      />
      <fieldset>
        <legend className="mb-1 font-semibold text-[13.5px]">Colour</legend>
        <div className="flex gap-1.5">
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
                onChange={() => setForm({ ...form, colour })}
                className="sr-only"
              />
              <CourseMark colour={colour} className="h-5 w-1.5" />
            </label>
          ))}
        </div>
      </fieldset>
      <div className="mt-1 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Leave it
        </Button>
        <Button look="main" type="submit">
          Add the course
        </Button>
      </div>
    </form>
  );
}

export { AddCourseDialog };
