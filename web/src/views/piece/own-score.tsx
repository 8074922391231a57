import { useState } from 'react';
import { client, type Work, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { localDate } from '../../lib/time';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';

interface OwnScoreProps {
  work: Work;
  open: boolean;
  onClose: () => void;
}

/** A score that the student knows, written down with its day. */
function OwnScoreDialog({ work, open, onClose }: OwnScoreProps) {
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => !next && onClose()}
      title="Write down its score"
      about={work.title}
    >
      {open && <OwnScoreForm work={work} onClose={onClose} />}
    </Dialog>
  );
}

function OwnScoreForm({ work, onClose }: Omit<OwnScoreProps, 'open'>) {
  const { id, zone } = useStudent();
  const now = useNow();
  const today = localDate(now, zone);
  const [text, setText] = useState('');
  const [day, setDay] = useState(today);
  const [key] = useState(writeKey);
  const { write: submit, fault: refused } = useWrite(async () => {
    await writeChange(
      id,
      client.POST('/api/students/{student}/works/scores', {
        params: { path: { student: id }, header: { 'Idempotency-Key': key } },
        body: { scores: [{ work: work.id, text, day: day === today ? null : day }] },
      }),
      `Wrote down the score of ${work.title}`,
    );
    onClose();
  }, true);
  const fault = refused?.words ?? '';
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
      className="grid grid-cols-2 gap-3.5"
    >
      <TextField
        label="Score"
        required
        autoFocus
        maxLength={40}
        hint={
          work.score.possible === '0'
            ? 'Like 17/20, or A- or EX'
            : `Of ${work.score.possible}; or 85 %, A-, EX`
        }
        value={text}
        onChange={(event) => setText(event.target.value)}
        fault={fault || undefined}
      />
      <TextField
        label="Came back on"
        type="date"
        max={today}
        value={day}
        onChange={(event) => setDay(event.target.value)}
      />
      <div className="col-span-2 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Leave it
        </Button>
        <Button look="main" type="submit">
          Write it down
        </Button>
      </div>
    </form>
  );
}

export { OwnScoreDialog };
