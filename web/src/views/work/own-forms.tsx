import { type FormEvent, useState } from 'react';
import { client, Refused, type Schemas, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { Button } from '../../ui/button';
import { TextArea, TextField } from '../../ui/field';
import { noticeChange, noticeFault } from '../../ui/notice';

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
      body: { effort: null, expected: null, note: null, wish: null, read: false, ...deed, works: [...works] },
    }),
  );
  await refreshStudent(student);
  noticeChange(student, done.change, words);
}

/** The faults of a form that is being sent, by field. */
function useSending<T>(onSave: (value: T) => Promise<void>) {
  const [fault, setFault] = useState<Refused | null>(null);
  const send = (value: T) => async (event: FormEvent) => {
    event.preventDefault();
    try {
      await onSave(value);
    } catch (error) {
      if (error instanceof Refused && error.status === 422) setFault(error);
      else noticeFault(error);
    }
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
  onSave: (note: Schemas['NoteForm']) => Promise<void>;
  /** The note to change; without it one is added. */
  note?: Schemas['NoteForm'];
}

function NoteForm({ onSave, note }: NoteFormProps) {
  const [form, setForm] = useState(note ?? { tag: '', body: '' });
  const { fault, send } = useSending(onSave);
  return (
    <form onSubmit={(event) => void send(form)(event)} className="flex flex-col gap-3.5">
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
      <Button look="main" type="submit" className="self-end">
        {note ? 'Save the note' : 'Add the note'}
      </Button>
    </form>
  );
}

/** What the student reckons it will bring, in percent, before any penalty. */
function ExpectedForm({
  now,
  onSave,
}: {
  now: string | null;
  onSave: (percent: string | null) => Promise<void>;
}) {
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
        hint="Empty: what your scores so far say"
        fault={fault?.of('expected.percent')}
      />
      <Button look="main" type="submit" className="self-end">
        Expect this
      </Button>
    </form>
  );
}

export { EffortForm, ExpectedForm, NoteForm };
