import { useId } from 'react';
import type { Schemas, Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { partWord } from '../../lib/course-parts';
import { KIND_WORDS } from '../../lib/words';
import { Button } from '../../ui/button';
import { Select, TextField } from '../../ui/field';
import { useFormWrite } from '../../ui/use-form-write';
import { Evidence } from './evidence';

type Edit = Schemas['WorkEdit'];

interface EditManyFormProps {
  works: readonly Work[];
  onSave: (edit: Edit) => Promise<void>;
}

/** What is typed; empty texts leave it as it is. */
const UNTOUCHED = {
  courseId: '',
  title: '',
  kind: '',
  category: '',
  unit: '',
  required: '',
  possible: '',
  dueDay: '',
  dueTime: '',
  effortMinutes: '',
  address: '',
  extra: '',
  standards: [] as string[],
};

/** @param evidence whether all of them are in one course by standards */
function editOf(typed: typeof UNTOUCHED, evidence: boolean): Edit {
  return {
    courseId: typed.courseId ? Number(typed.courseId) : null,
    title: typed.title || null,
    kind: (typed.kind || null) as Edit['kind'],
    category: typed.category || null,
    unit: typed.unit || null,
    required: typed.required ? typed.required === 'yes' : null,
    possible: typed.possible || null,
    dueDay: typed.dueDay || null,
    dueTime: typed.dueDay && typed.dueTime ? `${typed.dueTime}:00` : null,
    effortMinutes: typed.effortMinutes ? Number(typed.effortMinutes) : null,
    address: typed.address || null,
    extra: typed.extra ? typed.extra === 'yes' : null,
    standards: evidence && typed.standards.length > 0 ? typed.standards : null,
    clear: [],
  };
}

/** What is to be otherwise of several pieces of work; what stays empty stays as it is in each. */
function EditManyForm({ works, onSave }: EditManyFormProps) {
  const { board, course: courseOf } = useStudent();
  const categories = useId();
  const courseAfter = (moved: string) => {
    const all = [...new Set(moved ? [Number(moved)] : works.map((work) => work.courseId))];
    return all.length === 1 ? courseOf(all[0] ?? 0) : undefined;
  };
  const { form, field, submit, writing } = useFormWrite(
    UNTOUCHED,
    (typed) => onSave(editOf(typed, partWord(courseAfter(typed.courseId)) === 'Standard')),
    'edit.',
  );
  const known = [...new Set(board.works.map((work) => work.category ?? ''))].filter(Boolean);
  const course = courseAfter(form.watch('courseId'));
  const word = partWord(course);
  const names = word ? (course?.parts ?? []) : known;
  return (
    <form onSubmit={submit} className="grid grid-cols-2 gap-3.5">
      <p className="col-span-2 text-[14px] text-ink-2">
        What stays empty stays as it is. What you set isn’t overwritten by what a file or a link tells later.
      </p>
      <Select label="Course" {...field('courseId')}>
        <option value="">as it is</option>
        {board.courses.map((course) => (
          <option key={course.id} value={course.id}>
            {course.name}
          </option>
        ))}
      </Select>
      <Select label="Kind" {...field('kind')}>
        <option value="">as it is</option>
        {Object.entries(KIND_WORDS).map(([kind, words]) => (
          <option key={kind} value={kind}>
            {words}
          </option>
        ))}
      </Select>
      <TextField label="Points possible" inputMode="decimal" {...field('possible')} />
      <TextField label="Effort in minutes" type="number" min={1} max={6000} {...field('effortMinutes')} />
      <TextField label="Due on" type="date" {...field('dueDay')} />
      <TextField label="at" type="time" readOnly={!form.watch('dueDay')} {...field('dueTime')} />
      <Select label="Required" {...field('required')}>
        <option value="">as it is</option>
        <option value="yes">required</option>
        <option value="no">optional</option>
      </Select>
      <Select label="Extra credit" {...field('extra')}>
        <option value="">as it is</option>
        <option value="yes">extra credit</option>
        <option value="no">counts as usual</option>
      </Select>
      <TextField label="Unit" maxLength={120} {...field('unit')} />
      {word !== 'Standard' && (
        <TextField label="Category" list={categories} maxLength={120} {...field('category')} />
      )}
      <datalist id={categories}>
        {names.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <TextField
        frame={word === 'Standard' ? '' : 'col-span-2'}
        label="Where it is done"
        type="url"
        placeholder="https://"
        {...field('address')}
      />
      {word === 'Standard' && <Evidence standards={names} field={form.register('standards')} />}
      {works.length === 1 && (
        <TextField frame="col-span-2" label="Title" maxLength={300} {...field('title')} />
      )}
      <div className="col-span-2 flex justify-end gap-2">
        <Button look="main" type="submit" disabled={writing}>
          Save the changes
        </Button>
      </div>
    </form>
  );
}

export { EditManyForm };
