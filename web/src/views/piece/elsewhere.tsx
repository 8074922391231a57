import { type FormEvent, useState } from 'react';
import { client, type Detail, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { localDate, localTime } from '../../lib/time';
import { Button, TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextArea, TextField } from '../../ui/field';
import { writePiece } from '../../ui/write-piece';
import { AlongField, formOf, useAlong } from './along';

/** Work done on paper or handed in elsewhere, by the student's own word: when, where, and pictures of it. */
function Elsewhere({ detail }: { detail: Detail }) {
  const { mayWrite } = useStudent();
  const [open, setOpen] = useState(false);
  if (!detail.mayRecord || !mayWrite) return null;
  return (
    <>
      <TextButton onClick={() => setOpen(true)} className="self-start text-ink-2">
        It went in on paper, or elsewhere
      </TextButton>
      <Dialog
        open={open}
        onOpenChange={setOpen}
        title="Record a hand-in made elsewhere"
        about={`${detail.work.title}. It counts as handed in by your own word: the teacher’s list may say otherwise until it is graded.`}
      >
        {open && <ElsewhereForm detail={detail} onDone={() => setOpen(false)} />}
      </Dialog>
    </>
  );
}

function ElsewhereForm({ detail, onDone }: { detail: Detail; onDone: () => void }) {
  const { id } = useStudent();
  const now = useNow();
  const [key] = useState(writeKey);
  const [day, setDay] = useState(() => localDate(now, detail.zone));
  const [time, setTime] = useState(() => localTime(now, detail.zone));
  const [note, setNote] = useState('');
  const photos = useAlong(detail.photos);
  const [faults, setFaults] = useState<Record<string, string>>({});
  const [busy, setBusy] = useState(false);
  const { work } = detail;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const asked = client.POST('/api/students/{student}/works/{work}/hand-ins/elsewhere', {
      params: {
        path: { student: id, work: work.id },
        header: { 'If-Match': `"${work.version}"`, 'Idempotency-Key': key },
      },
      body: { day, time, note, photos: null },
      bodySerializer: () => formOf({ day, time, note }, 'photos', photos.files),
    });
    const written = await writePiece(id, work.id, asked, `Recorded ${work.title} as handed in elsewhere`);
    setBusy(false);
    if (written.done) onDone();
    else if (written.fault) {
      setFaults(Object.fromEntries(written.fault.faults.map((fault) => [fault.field, fault.message])));
    }
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3.5">
      <div className="flex gap-3">
        <TextField
          frame="flex-1"
          label="Day"
          type="date"
          required
          value={day}
          onChange={(event) => setDay(event.target.value)}
          fault={faults.day || undefined}
        />
        <TextField
          frame="w-32"
          label="Time"
          type="time"
          required
          value={time}
          onChange={(event) => setTime(event.target.value)}
        />
      </div>
      <TextArea
        label="Where, and to whom"
        required
        maxLength={1000}
        value={note}
        onChange={(event) => setNote(event.target.value)}
        fault={faults.note || undefined}
      />
      <AlongField
        label="Photos of it"
        accept=".jpg,.jpeg,.png,.webp"
        hint="May stay empty; at most six, 10 MB each. They stay with the receipt."
        along={photos}
        fault={faults.photos || faults.file}
      />
      <Button look="main" type="submit" disabled={busy || photos.busy || !note.trim()} className="self-end">
        Record it as handed in
      </Button>
    </form>
  );
}

export { Elsewhere };
