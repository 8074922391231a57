import { useState } from 'react';
import { Link } from 'react-router';
import { client, type Detail, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { Button, TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { noticeChange, noticeFault } from '../../ui/notice';
import { EffortForm, ExpectedForm, NoteForm, writeTogether } from '../work/own-forms';
import { Part } from './piece';

type Note = Detail['notes'][number];

/** Notes of one's own. Nobody but the student and its guardians sees them. */
function Notes({ detail }: { detail: Detail }) {
  const { id, mayWrite } = useStudent();
  const [writing, setWriting] = useState<Note | 'new' | null>(null);
  const { work, notes } = detail;
  if (notes.length === 0 && !mayWrite) return null;
  const change = async (asked: Promise<{ change: number }>, words: string) => {
    const done = await asked;
    await refreshStudent(id);
    noticeChange(id, done.change, words);
    setWriting(null);
  };
  const header = () => ({ 'Idempotency-Key': writeKey() });
  const remove = (note: Note) =>
    change(
      take(
        client.DELETE('/api/students/{student}/notes/{note}', {
          params: { path: { student: id, note: note.id }, header: header() },
        }),
      ),
      'Removed a note',
    ).catch(noticeFault);
  const save = async (form: { tag: string | null; body: string }) => {
    if (writing === 'new') {
      await writeTogether(id, [work.id], { note: form }, `Added a note to ${work.title}`);
      setWriting(null);
    } else if (writing) {
      const note = writing.id;
      await change(
        take(
          client.PUT('/api/students/{student}/notes/{note}', {
            params: { path: { student: id, note }, header: header() },
            body: form,
          }),
        ),
        'Changed a note',
      );
    }
  };
  return (
    <Part
      title="My notes"
      id="notes"
      aside={mayWrite && <TextButton onClick={() => setWriting('new')}>Add a note</TextButton>}
    >
      {notes.length === 0 ? (
        <p className="text-[14px] text-ink-2">None yet.</p>
      ) : (
        <ul className="flex flex-col gap-3">
          {notes.map((note) => (
            <NoteLine
              key={note.id}
              note={note}
              onEdit={mayWrite ? () => setWriting(note) : undefined}
              onRemove={() => void remove(note)}
            />
          ))}
        </ul>
      )}
      {notes.length > 0 && (
        <Link
          to={`/s/${id}/notes?work=${work.id}`}
          className="no-print mt-2 inline-block text-[14px] text-ink-2 underline underline-offset-2"
        >
          Print them
        </Link>
      )}
      <Dialog
        open={writing !== null}
        onOpenChange={() => setWriting(null)}
        title={writing === 'new' ? 'Add a note' : 'Change the note'}
        about={work.title}
      >
        {writing === 'new' && <NoteForm onSave={save} />}
        {writing !== null && writing !== 'new' && <NoteForm onSave={save} note={writing} />}
      </Dialog>
    </Part>
  );
}

interface NoteLineProps {
  note: Note;
  onEdit: (() => void) | undefined;
  onRemove: () => void;
}

function NoteLine({ note, onEdit, onRemove }: NoteLineProps) {
  const { zone } = useStudent();
  const now = useNow();
  return (
    <li>
      <p className="whitespace-pre-line">{note.body}</p>
      <p className="flex flex-wrap items-baseline gap-x-3 text-[13.5px] text-ink-2">
        {note.tag && <span className="font-semibold">{note.tag}</span>}
        {near(note.at, zone, now)}
        {onEdit && (
          <span className="no-print flex gap-3">
            <TextButton onClick={onEdit}>Change</TextButton>
            <TextButton onClick={onRemove}>Remove</TextButton>
          </span>
        )}
      </p>
    </li>
  );
}

/** The student's own estimate of how long it takes. */
function OwnEffort({ detail }: { detail: Detail }) {
  const { id, mayWrite } = useStudent();
  const [asking, setAsking] = useState(false);
  const { work } = detail;
  if (!mayWrite) return null;
  const save = async (minutes: number | null) => {
    await writeTogether(id, [work.id], { effort: { minutes } }, `Set the effort of ${work.title}`);
    setAsking(false);
  };
  return (
    <>
      <TextButton onClick={() => setAsking(true)} className="ml-1.5 text-[13.5px] text-ink-2">
        {work.effortMinutes ? (work.ownEffort ? 'my estimate' : 'it takes me longer') : 'how long?'}
      </TextButton>
      <Dialog open={asking} onOpenChange={setAsking} title="How long it takes" about={work.title}>
        {asking && <EffortForm onSave={save} />}
      </Dialog>
    </>
  );
}

/** The student's own figure of what it will bring. */
function OwnExpected({ detail }: { detail: Detail }) {
  const { id, mayWrite } = useStudent();
  const [asking, setAsking] = useState(false);
  const { work, ownPercent } = detail;
  if (!mayWrite) return null;
  const save = async (percent: string | null) => {
    await writeTogether(id, [work.id], { expected: { percent } }, `Set what is expected of ${work.title}`);
    setAsking(false);
  };
  return (
    <>
      <Button
        look="quiet"
        className="!h-6 !px-1.5 text-[13.5px] underline underline-offset-2"
        onClick={() => setAsking(true)}
      >
        {ownPercent === null ? 'I expect otherwise' : 'my own figure'}
      </Button>
      <Dialog open={asking} onOpenChange={setAsking} title="What it will bring" about={work.title}>
        {asking && <ExpectedForm now={ownPercent} onSave={save} />}
      </Dialog>
    </>
  );
}

export { Notes, OwnEffort, OwnExpected };
