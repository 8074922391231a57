import { type FormEvent, useRef, useState } from 'react';
import { type Board, client, Refused, type Schemas, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { kindOf } from '../../lib/lines';
import { readNarrowing } from '../../lib/narrow';
import { KIND_WORDS } from '../../lib/words';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Check, Select, TextArea, TextField } from '../../ui/field';
import { noticeChange, noticeFault } from '../../ui/notice';

type Form = Schemas['WorkForm'];

interface WorkFormDialogProps {
  open: boolean;
  onClose: () => void;
  /** The work to change; without it one is added. */
  edited?: { id: number; version: number; form: Form };
}

/** A piece of work typed in by hand, or changed. */
function WorkFormDialog({ open, onClose, edited }: WorkFormDialogProps) {
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => !next && onClose()}
      title={edited ? 'Change this piece of work' : 'Add a piece of work'}
      {...(edited ? {} : { about: 'Or type it in one line, at the head of Work.' })}
    >
      {open && <WorkForm onClose={onClose} edited={edited} />}
    </Dialog>
  );
}

interface WorkFormProps {
  onClose: () => void;
  edited: WorkFormDialogProps['edited'] | undefined;
}

function WorkForm({ onClose, edited }: WorkFormProps) {
  const { id, board } = useStudent();
  const [params] = useAddress();
  const [form, setForm] = useState<Form>(
    edited?.form ?? blank(narrowedTo(params) ?? board.courses[0]?.id ?? 0),
  );
  const [kindSaid, setKindSaid] = useState(edited !== undefined);
  const [key, setKey] = useState(writeKey);
  const [fault, setFault] = useState<Refused | null>(null);
  const another = useRef(false);
  const set = <K extends keyof Form>(name: K, value: Form[K]) => setForm({ ...form, [name]: value });
  const categories = categoriesOf(board, form.courseId);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setFault(null);
    try {
      const done = await save(id, form, key, edited);
      await refreshStudent(id);
      if (!another.current) onClose();
      noticeChange(id, done.change, edited ? `Changed ${form.title}` : `Added ${form.title}`);
      if (!another.current) return;
      setForm({ ...blank(form.courseId), kind: form.kind, unit: form.unit, category: form.category });
      setKindSaid(true);
      setKey(writeKey());
      document.getElementById('work-title')?.focus();
    } catch (error) {
      if (error instanceof Refused && error.status === 422) setFault(error);
      else noticeFault(error);
    }
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="grid grid-cols-2 gap-3.5">
      <TextField
        frame="col-span-2"
        label="Title"
        id="work-title"
        required
        autoFocus
        maxLength={300}
        value={form.title}
        onChange={(event) => {
          const title = event.target.value;
          setForm({ ...form, title, kind: kindSaid ? form.kind : kindOf(title) });
        }}
        fault={fault?.of('title')}
      />
      <Select
        label="Course"
        value={form.courseId}
        onChange={(event) => set('courseId', Number(event.target.value))}
        fault={fault?.of('courseId')}
      >
        {board.courses.map((course) => (
          <option key={course.id} value={course.id}>
            {course.name}
          </option>
        ))}
      </Select>
      <Select
        label="Kind"
        value={form.kind}
        onChange={(event) => {
          setKindSaid(true);
          set('kind', event.target.value as Form['kind']);
        }}
        fault={fault?.of('kind')}
      >
        {Object.entries(KIND_WORDS).map(([kind, words]) => (
          <option key={kind} value={kind}>
            {words}
          </option>
        ))}
      </Select>
      <TextField
        label="Due on"
        type="date"
        value={form.dueDay ?? ''}
        onChange={(event) => set('dueDay', event.target.value || null)}
        hint="Empty: no due date"
        fault={fault?.of('dueDay')}
      />
      <TextField
        label="at"
        type="time"
        value={form.dueTime?.slice(0, 5) ?? ''}
        onChange={(event) => set('dueTime', event.target.value ? `${event.target.value}:00` : null)}
        hint="Empty: the end of the day"
        fault={fault?.of('dueTime')}
      />
      {(form.dueTime || form.endsTime) && (
        <TextField
          frame="col-start-2"
          label="Ends at"
          type="time"
          value={form.endsTime?.slice(0, 5) ?? ''}
          onChange={(event) => set('endsTime', event.target.value ? `${event.target.value}:00` : null)}
          hint="Only what happens at that time, as an exam does"
          fault={fault?.of('endsTime')}
        />
      )}
      <TextField
        label="Opens on"
        type="date"
        value={form.opensDay ?? ''}
        onChange={(event) => set('opensDay', event.target.value || null)}
        hint="Empty: open now"
        fault={fault?.of('opensDay')}
      />
      <TextField
        label="Unit"
        maxLength={120}
        value={form.unit ?? ''}
        onChange={(event) => set('unit', event.target.value || null)}
        fault={fault?.of('unit')}
      />
      {categories && (
        <TextField
          label="Category"
          maxLength={120}
          list="categories"
          value={form.category ?? ''}
          onChange={(event) => set('category', event.target.value || null)}
          hint={form.category ? undefined : 'Without one it counts nowhere in this course'}
          fault={fault?.of('category')}
        />
      )}
      <datalist id="categories">
        {categories?.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <TextField
        label="Effort in minutes"
        type="number"
        min={1}
        max={6000}
        value={form.effortMinutes ?? ''}
        onChange={(event) => set('effortMinutes', event.target.value ? Number(event.target.value) : null)}
        fault={fault?.of('effortMinutes')}
      />
      <TextField
        label="Points possible"
        inputMode="decimal"
        value={form.possible ?? ''}
        onChange={(event) => set('possible', event.target.value || null)}
        fault={fault?.of('possible')}
      />
      <TextField
        frame="col-span-2"
        label="Where it is done"
        type="url"
        placeholder="https://"
        maxLength={2000}
        value={form.address ?? ''}
        onChange={(event) => set('address', event.target.value || null)}
        fault={fault?.of('address')}
      />
      <TextArea
        frame="col-span-2"
        label="Instructions"
        maxLength={20000}
        value={form.instructions}
        onChange={(event) => set('instructions', event.target.value)}
        fault={fault?.of('instructions')}
      />
      <div className="col-span-2 flex items-center justify-between gap-2">
        <Check
          label="Required"
          checked={form.required}
          onChange={(event) => set('required', event.target.checked)}
        />
        <span className="flex gap-2">
          <Button look="quiet" onClick={onClose}>
            Leave it
          </Button>
          {!edited && (
            <Button
              type="submit"
              onClick={() => {
                another.current = true;
              }}
            >
              Add, and another
            </Button>
          )}
          <Button
            look="main"
            type="submit"
            onClick={() => {
              another.current = false;
            }}
          >
            {edited ? 'Save the changes' : 'Add the work'}
          </Button>
        </span>
      </div>
    </form>
  );
}

/** The course that the page is narrowed to, if it is one. */
function narrowedTo(params: URLSearchParams): number | null {
  const courses = readNarrowing(params).courses;
  return courses.length === 1 ? (courses[0] ?? null) : null;
}

function blank(courseId: number): Form {
  return {
    courseId,
    title: '',
    kind: 'ASSIGNMENT',
    unit: null,
    category: null,
    required: true,
    opensDay: null,
    dueDay: null,
    dueTime: null,
    endsTime: null,
    possible: null,
    effortMinutes: null,
    address: null,
    instructions: '',
  };
}

/** The categories that work of a weighted course names so far; null where the course has none. */
function categoriesOf(board: Board, course: number): string[] | null {
  if (board.courses.find((one) => one.id === course)?.standing.kind !== 'WEIGHTED') return null;
  const names = board.works.filter((work) => work.courseId === course).map((work) => work.category ?? '');
  return [...new Set(names)].filter(Boolean);
}

function save(student: number, body: Form, key: string, edited: WorkFormDialogProps['edited']) {
  return edited
    ? take(
        client.PUT('/api/students/{student}/works/{work}', {
          params: {
            path: { student, work: edited.id },
            header: { 'If-Match': `"${edited.version}"`, 'Idempotency-Key': key },
          },
          body,
        }),
      )
    : take(
        client.POST('/api/students/{student}/works', {
          params: { path: { student }, header: { 'Idempotency-Key': key } },
          body,
        }),
      );
}

export { WorkFormDialog };
