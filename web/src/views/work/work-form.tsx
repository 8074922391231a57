import { type ChangeEvent, useRef, useState } from 'react';
import { type Course, client, type Schemas, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { partWord } from '../../lib/course-parts';
import { isOver, kindOf } from '../../lib/lines';
import { readNarrowing } from '../../lib/narrow';
import { useWall } from '../../lib/now';
import { KIND_WORDS } from '../../lib/words';
import type { Over } from '../../ui/added';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Check, Select, TextArea, TextField } from '../../ui/field';
import { noticeChange } from '../../ui/notice';
import { OverChoice } from '../../ui/over';
import { useFormWrite } from '../../ui/use-form-write';
import { Evidence } from './evidence';

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

/** What is typed: texts, empty for nothing. */
type Typed = Record<TextName, string> &
  Pick<Form, 'kind' | 'required'> & {
    extra: boolean;
    /** Names of those that it is evidence of. */
    standards: string[];
    /** Of work that is added when it was due already; empty as long as nobody says. */
    over: Over | '';
  };

const TEXTS = [
  'courseId',
  'title',
  'unit',
  'category',
  'opensDay',
  'dueDay',
  'dueTime',
  'endsTime',
  'possible',
  'effortMinutes',
  'address',
  'instructions',
] as const;
type TextName = (typeof TEXTS)[number];

function typedOf(form: Form): Typed {
  const texts = Object.fromEntries(TEXTS.map((name) => [name, String(form[name] ?? '')]));
  return {
    ...(texts as Record<TextName, string>),
    dueTime: form.dueTime?.slice(0, 5) ?? '',
    endsTime: form.endsTime?.slice(0, 5) ?? '',
    kind: form.kind,
    required: form.required,
    over: '',
    extra: form.extra ?? false,
    standards: form.standards ?? [],
  };
}

/** @param course that it is in; what another one asks isn't said of it */
function formOf(typed: Typed, course: Course | undefined): Form {
  const time = (text: string) => (text ? `${text}:00` : null);
  return {
    courseId: Number(typed.courseId),
    title: typed.title,
    kind: typed.kind,
    unit: typed.unit || null,
    category: typed.category || null,
    required: typed.required,
    opensDay: typed.opensDay || null,
    dueDay: typed.dueDay || null,
    dueTime: time(typed.dueTime),
    endsTime: time(typed.endsTime),
    possible: typed.possible || null,
    effortMinutes: typed.effortMinutes ? Number(typed.effortMinutes) : null,
    address: typed.address || null,
    instructions: typed.instructions,
    extra: typed.extra,
    standards: partWord(course) === 'Standard' ? typed.standards : null,
  };
}

/** The form, and what it comes to: added or changed, and another begun where one wants to. */
function useWorkForm({ onClose, edited }: WorkFormProps) {
  const { id, zone, board, course: courseOf } = useStudent();
  const wall = useWall(zone);
  const [params] = useAddress();
  const [key, setKey] = useState(writeKey);
  const another = useRef(false);
  const kindSaid = useRef(edited !== undefined);
  const first = edited?.form ?? blank(narrowedTo(params) ?? board.courses[0]?.id ?? 0);
  const write = useFormWrite<Typed>(typedOf(first), async (typed) => {
    const form = formOf(typed, courseOf(Number(typed.courseId)));
    const done = await save(id, form, typed.over, key, edited);
    await refreshStudent(id);
    if (!another.current) onClose();
    noticeChange(id, done.change, edited ? `Changed ${form.title}` : `Added ${form.title}`);
    if (!another.current) return;
    const { courseId, kind, unit, category } = form;
    write.form.reset(typedOf({ ...blank(courseId), kind, unit, category }));
    kindSaid.current = true;
    setKey(writeKey());
    write.form.setFocus('title');
  });
  const asksOver = ({ dueDay, dueTime, endsTime }: Pick<Typed, 'dueDay' | 'dueTime' | 'endsTime'>) =>
    !edited && dueDay !== '' && endsTime === '' && isOver(dueDay, dueTime, wall);
  write.form.register('over', { validate: (over, typed) => over !== '' || !asksOver(typed) });
  return { ...write, another, kindSaid, asksOver };
}

function WorkForm(props: WorkFormProps) {
  const { onClose, edited } = props;
  const { board } = useStudent();
  const work = useWorkForm(props);
  const { form, field, another, kindSaid } = work;
  const title = form.register('title', {
    onChange: (event: ChangeEvent<HTMLInputElement>) => {
      if (!kindSaid.current) form.setValue('kind', kindOf(event.target.value));
    },
  });
  const kind = form.register('kind', {
    onChange: () => {
      kindSaid.current = true;
    },
  });
  return (
    <form onSubmit={work.submit} className="grid grid-cols-2 gap-3.5">
      <TextField
        frame="col-span-2"
        label="Title"
        required
        autoFocus
        maxLength={300}
        {...title}
        fault={work.faultOf('title')}
      />
      <Select label="Course" {...field('courseId')}>
        {board.courses.map((course) => (
          <option key={course.id} value={course.id}>
            {course.name}
          </option>
        ))}
      </Select>
      <Select label="Kind" {...kind} fault={work.faultOf('kind')}>
        {Object.entries(KIND_WORDS).map(([one, words]) => (
          <option key={one} value={one}>
            {words}
          </option>
        ))}
      </Select>
      <When work={work} />
      <What work={work} />
      <div className="col-span-2 flex items-center justify-between gap-2">
        <span className="flex flex-wrap gap-x-4">
          <Check label="Required" {...form.register('required')} />
          <Check label="Extra credit" {...form.register('extra')} />
        </span>
        <span className="flex gap-2">
          <Button look="quiet" onClick={onClose}>
            Leave it
          </Button>
          {!edited && (
            <Button
              type="submit"
              disabled={work.writing}
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
            disabled={work.writing}
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

interface PartProps {
  work: ReturnType<typeof useWorkForm>;
}

/** When it is due, ends and opens. */
function When({ work: { form, field, asksOver } }: PartProps) {
  const [dueDay, dueTime, endsTime, over] = form.watch(['dueDay', 'dueTime', 'endsTime', 'over']);
  return (
    <>
      <TextField label="Due on" type="date" hint="Empty: no due date" {...field('dueDay')} />
      <TextField label="at" type="time" hint="Empty: the end of the day" {...field('dueTime')} />
      {(dueTime || endsTime) && (
        <TextField
          frame="col-start-2"
          label="Ends at"
          type="time"
          hint="Only what happens at that time, as an exam does"
          {...field('endsTime')}
        />
      )}
      {asksOver({ dueDay, dueTime, endsTime }) && (
        <div className="col-span-2">
          <OverChoice
            many={1}
            of={1}
            value={over || null}
            onChange={(said) => form.setValue('over', said, { shouldValidate: true })}
            unsaid={form.formState.errors.over ? form.formState.submitCount : 0}
          />
        </div>
      )}
      <TextField label="Opens on" type="date" hint="Empty: open now" {...field('opensDay')} />
    </>
  );
}

/** Where it belongs, what it is worth, where it is done, and what is asked. */
function What({ work: { form, field } }: PartProps) {
  const { course: courseOf } = useStudent();
  const [courseId, category] = form.watch(['courseId', 'category']);
  const course = courseOf(Number(courseId));
  const word = partWord(course);
  const parts = course?.parts ?? [];
  return (
    <>
      <TextField label="Unit" maxLength={120} {...field('unit')} />
      {word === 'Category' && (
        <Select
          label="Category"
          hint={category ? undefined : 'Without one it counts nowhere in this course'}
          {...field('category')}
        >
          <option value="">none</option>
          {[...new Set([...parts, category])].filter(Boolean).map((name) => (
            <option key={name} value={name}>
              {name}
            </option>
          ))}
        </Select>
      )}
      {word === 'Standard' && <Evidence standards={parts} field={form.register('standards')} />}
      <TextField label="Effort in minutes" type="number" min={1} max={6000} {...field('effortMinutes')} />
      <TextField
        label="Points possible"
        inputMode="decimal"
        hint={word === 'Standard' ? 'Empty: rated out of 4' : undefined}
        {...field('possible')}
      />
      <TextField
        frame="col-span-2"
        label="Where it is done"
        type="url"
        placeholder="https://"
        maxLength={2000}
        {...field('address')}
      />
      <TextArea frame="col-span-2" label="Instructions" maxLength={20000} {...field('instructions')} />
    </>
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
    extra: false,
    standards: [],
  };
}

function save(
  student: number,
  body: Form,
  over: Typed['over'],
  key: string,
  edited: WorkFormDialogProps['edited'],
) {
  const past = over === '' || over === 'NOT_HANDED_IN' ? {} : { past: over };
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
          params: { path: { student }, query: past, header: { 'Idempotency-Key': key } },
          body,
        }),
      );
}

export { WorkFormDialog };
