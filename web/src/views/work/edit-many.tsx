import { useId, useState } from 'react';
import type { Schemas, Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { KIND_WORDS } from '../../lib/words';
import { Button } from '../../ui/button';
import { Select, TextField } from '../../ui/field';
import { useWrite } from '../../ui/use-write';

type Edit = Schemas['WorkEdit'];

const NOTHING: Edit = {
  courseId: null,
  title: null,
  kind: null,
  category: null,
  unit: null,
  required: null,
  possible: null,
  dueDay: null,
  dueTime: null,
  effortMinutes: null,
  address: null,
  clear: [],
};

interface EditManyFormProps {
  works: readonly Work[];
  onSave: (edit: Edit) => Promise<void>;
}

/** What is to be otherwise of several pieces of work; what stays empty stays as it is in each. */
function EditManyForm({ works, onSave }: EditManyFormProps) {
  const { board } = useStudent();
  const categories = useId();
  const [edit, setEdit] = useState(NOTHING);
  const set = (part: Partial<Edit>) => setEdit({ ...edit, ...part });
  const known = [...new Set(board.works.map((work) => work.category ?? ''))].filter(Boolean);
  const { write: submit, fault } = useWrite(async () => {
    await onSave(edit);
  }, true);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
      className="grid grid-cols-2 gap-3.5"
    >
      <p className="col-span-2 text-[14px] text-ink-2">
        What stays empty stays as it is. What you set isn’t overwritten by what a file or a link tells later.
      </p>
      <Select
        label="Course"
        value={edit.courseId ?? ''}
        onChange={(event) => set({ courseId: event.target.value ? Number(event.target.value) : null })}
        fault={fault?.of('edit.courseId')}
      >
        <option value="">as it is</option>
        {board.courses.map((course) => (
          <option key={course.id} value={course.id}>
            {course.name}
          </option>
        ))}
      </Select>
      <Select
        label="Kind"
        value={edit.kind ?? ''}
        onChange={(event) => set({ kind: (event.target.value || null) as Edit['kind'] })}
      >
        <option value="">as it is</option>
        {Object.entries(KIND_WORDS).map(([kind, words]) => (
          <option key={kind} value={kind}>
            {words}
          </option>
        ))}
      </Select>
      <TextField
        label="Points possible"
        inputMode="decimal"
        value={edit.possible ?? ''}
        onChange={(event) => set({ possible: event.target.value || null })}
        fault={fault?.of('edit.possible')}
      />
      <TextField
        label="Category"
        list={categories}
        maxLength={120}
        value={edit.category ?? ''}
        onChange={(event) => set({ category: event.target.value || null })}
        fault={fault?.of('edit.category')}
      />
      <datalist id={categories}>
        {known.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <TextField
        label="Due on"
        type="date"
        value={edit.dueDay ?? ''}
        onChange={(event) => set({ dueDay: event.target.value || null })}
        fault={fault?.of('edit.dueDay')}
      />
      <TextField
        label="at"
        type="time"
        disabled={!edit.dueDay}
        value={edit.dueTime?.slice(0, 5) ?? ''}
        onChange={(event) => set({ dueTime: event.target.value ? `${event.target.value}:00` : null })}
        fault={fault?.of('edit.dueTime')}
      />
      <TextField
        label="Effort in minutes"
        type="number"
        min={1}
        max={6000}
        value={edit.effortMinutes ?? ''}
        onChange={(event) => set({ effortMinutes: event.target.value ? Number(event.target.value) : null })}
        fault={fault?.of('edit.effortMinutes')}
      />
      <Select
        label="Required"
        value={edit.required === null ? '' : edit.required ? 'yes' : 'no'}
        onChange={(event) =>
          set({ required: event.target.value === '' ? null : event.target.value === 'yes' })
        }
      >
        <option value="">as it is</option>
        <option value="yes">required</option>
        <option value="no">optional</option>
      </Select>
      <TextField
        label="Unit"
        maxLength={120}
        value={edit.unit ?? ''}
        onChange={(event) => set({ unit: event.target.value || null })}
      />
      <TextField
        label="Where it is done"
        type="url"
        placeholder="https://"
        value={edit.address ?? ''}
        onChange={(event) => set({ address: event.target.value || null })}
        fault={fault?.of('edit.address')}
      />
      {works.length === 1 && (
        <TextField
          frame="col-span-2"
          label="Title"
          maxLength={300}
          value={edit.title ?? ''}
          onChange={(event) => set({ title: event.target.value || null })}
        />
      )}
      <div className="col-span-2 flex justify-end gap-2">
        <Button look="main" type="submit">
          Save the changes
        </Button>
      </div>
    </form>
  );
}

export { EditManyForm };
