import { type FormEvent, useState } from 'react';
import { client, Refused, type SavedElsewhere, type Schemas, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { BothTexts } from '../../ui/both-texts';
import { Button } from '../../ui/button';
import { TextArea, TextField } from '../../ui/field';
import { noticeChange } from '../../ui/notice';
import { useWrite } from '../../ui/use-write';

/** One deed to some pieces of work; exactly one of them is given. */
export type Deed = Partial<Omit<Schemas['TogetherForm'], 'works'>>;

/** Writes a deed as one change, and reports it with the way to undo it. */
export async function writeTogether(
  student: number,
  works: readonly number[],
  deed: Deed,
  words: string,
): Promise<void> {
  const done = await take(
    client.POST('/api/students/{student}/works/together', {
      params: { path: { student }, header: { 'Idempotency-Key': writeKey() } },
      body: {
        effort: null,
        expected: null,
        preparing: null,
        note: null,
        wish: null,
        edit: null,
        done: null,
        back: false,
        remove: false,
        read: false,
        ...deed,
        works: [...works],
      },
    }),
  );
  await refreshStudent(student);
  noticeChange(student, done.change, words);
}

/** The faults of a form that is being sent, by field. */
function useSending<T extends unknown[]>(onSave: (...values: T) => Promise<void>) {
  const { write, fault } = useWrite((values: T) => onSave(...values), true);
  const send =
    (...values: T) =>
    (event?: FormEvent) => {
      event?.preventDefault();
      return write(values);
    };
  return { fault, send };
}

function EffortForm({ onSave }: { onSave: (minutes: number | null) => Promise<void> }) {
  const [minutes, setMinutes] = useState('');
  const { fault, send } = useSending(onSave);
  return (
    <form
      onSubmit={(event) => void send(minutes === '' ? null : Number(minutes))(event)}
      className="flex flex-col gap-4"
    >
      <TextField
        label="Minutes"
        type="number"
        min={1}
        max={6000}
        autoFocus
        value={minutes}
        onChange={(event) => setMinutes(event.target.value)}
        hint="Empty: what the school says"
        fault={fault?.of('effort.minutes')}
      />
      <Button look="main" type="submit" className="self-end">
        Set the effort
      </Button>
    </form>
  );
}

interface NoteFormProps {
  /** @param over the state of the note that is written over knowingly */
  onSave: (note: Schemas['NoteForm'], over?: number) => Promise<void>;
  /** The note to change; without it one is added. */
  note?: Schemas['NoteForm'];
}

function NoteForm({ onSave, note }: NoteFormProps) {
  const { zone } = useStudent();
  const now = useNow();
  const [form, setForm] = useState(note ?? { tag: '', body: '' });
  const [there, setThere] = useState<SavedElsewhere | null>(null);
  const { fault, send } = useSending(async (given: Schemas['NoteForm'], over?: number) => {
    try {
      await onSave({ tag: given.tag, body: given.body }, over);
    } catch (error) {
      if (!(error instanceof Refused && error.there)) throw error;
      setThere(error.there);
    }
  });
  return (
    <form onSubmit={(event) => void send(form, there?.number)(event)} className="flex flex-col gap-3.5">
      <TextArea
        label="Note"
        required
        autoFocus
        maxLength={20000}
        value={form.body}
        onChange={(event) => setForm({ ...form, body: event.target.value })}
        fault={fault?.of('note.body') ?? fault?.of('body')}
      />
      <TextField
        label="Tag"
        hint="May stay empty."
        maxLength={40}
        value={form.tag ?? ''}
        onChange={(event) => setForm({ ...form, tag: event.target.value })}
        fault={fault?.of('note.tag') ?? fault?.of('tag')}
      />
      {there ? (
        <BothTexts
          mine={form.body}
          there={there}
          savedAt={near(there.at, zone, now)}
          onMine={() => void send(form, there.number)()}
          onTheirs={() => {
            setForm({ ...form, body: there.text });
            void send({ ...form, body: there.text }, there.number)();
          }}
        />
      ) : (
        <Button look="main" type="submit" className="self-end">
          {note ? 'Save the note' : 'Add the note'}
        </Button>
      )}
    </form>
  );
}

interface PercentFormProps {
  now: string | null;
  /** Where the server says what is wrong. */
  field: string;
  hint: string;
  /** The words of the button. */
  save: string;
  onSave: (percent: string | null) => Promise<void>;
}

/** What the student reckons, in percent of the points. */
function PercentForm({ now, field, hint, save, onSave }: PercentFormProps) {
  const [percent, setPercent] = useState(now ?? '');
  const { fault, send } = useSending(onSave);
  return (
    <form
      onSubmit={(event) => void send(percent.trim().replace(',', '.') || null)(event)}
      className="flex flex-col gap-4"
    >
      <TextField
        label="Percent of its points"
        inputMode="decimal"
        autoFocus
        value={percent}
        onChange={(event) => setPercent(event.target.value)}
        hint={hint}
        fault={fault?.of(field)}
      />
      <Button look="main" type="submit" className="self-end">
        {save}
      </Button>
    </form>
  );
}

export { EffortForm, NoteForm, PercentForm };
