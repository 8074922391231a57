import { type FormEvent, useState } from 'react';
import { client, type Detail, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { span } from '../../lib/time';
import { Button, TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { writePiece } from '../../ui/write-piece';

const OFFERED = [15, 30, 60, 120] as const;

/** The time really spent on it, beside the estimate. */
function Spent({ detail }: { detail: Detail }) {
  const { mayWrite } = useStudent();
  const [open, setOpen] = useState(false);
  const { minutesSpent, work } = detail;
  const words = minutesSpent > 0 ? `${span(minutesSpent)} spent` : '';
  if (!mayWrite) return words && <span className="text-ink-2"> · {words}</span>;
  return (
    <>
      <span className="text-ink-2">{words && ` · ${words}`}</span>{' '}
      <TextButton onClick={() => setOpen(true)} className="text-[13.5px] text-ink-2">
        {words ? 'add time' : 'time spent?'}
      </TextButton>
      <Dialog open={open} onOpenChange={setOpen} title="Time you spent on it" about={work.title}>
        {open && <SpentForm detail={detail} onDone={() => setOpen(false)} />}
      </Dialog>
    </>
  );
}

function SpentForm({ detail, onDone }: { detail: Detail; onDone: () => void }) {
  const { id } = useStudent();
  const [key] = useState(writeKey);
  const [minutes, setMinutes] = useState('');
  const [fault, setFault] = useState('');
  const { work } = detail;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const asked = client.POST('/api/students/{student}/works/{work}/time-spent', {
      params: { path: { student: id, work: work.id }, header: { 'Idempotency-Key': key } },
      body: { minutes: Number(minutes) },
    });
    const written = await writePiece(id, work.id, asked, `Added ${minutes} min to ${work.title}`);
    if (written.done) onDone();
    else setFault(written.fault?.of('minutes') ?? '');
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3">
      <div className="flex gap-1.5">
        {OFFERED.map((offered) => (
          <Button
            key={offered}
            aria-pressed={minutes === String(offered)}
            onClick={() => setMinutes(String(offered))}
            className="aria-pressed:border-ink"
          >
            {span(offered)}
          </Button>
        ))}
      </div>
      <TextField
        label="Minutes"
        type="number"
        min={1}
        max={6000}
        required
        autoFocus
        value={minutes}
        onChange={(event) => setMinutes(event.target.value)}
        hint={
          detail.minutesSpent > 0 ? `${span(detail.minutesSpent)} so far` : 'Added to what you noted before'
        }
        fault={fault || undefined}
      />
      <Button look="main" type="submit" disabled={!minutes} className="self-end">
        Add the time
      </Button>
    </form>
  );
}

export { Spent };
