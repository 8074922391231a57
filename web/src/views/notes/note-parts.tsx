import { useState } from 'react';
import { Link } from 'react-router';
import { client, type Schemas, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { noticeChange, noticeFault } from '../../ui/notice';
import { NoteForm } from '../work/own-forms';

type Note = Schemas['NoteView'];
type Form = Schemas['NoteForm'];

/** Writing, changing and removing notes, one at a time. */
function useNotes(add: (form: Form) => Promise<void>) {
  const { id } = useStudent();
  const [writing, setWriting] = useState<Note | 'new' | null>(null);
  const header = () => ({ 'Idempotency-Key': writeKey() });
  const report = async (asked: Promise<{ change: number }>, words: string) => {
    const done = await asked;
    await refreshStudent(id);
    noticeChange(id, done.change, words);
  };
  const change = (note: number, number: number, form: Form) =>
    report(
      take(
        client.PUT('/api/students/{student}/notes/{note}', {
          params: { path: { student: id, note }, header: { ...header(), 'If-Match': `"${number}"` } },
          body: form,
        }),
      ),
      'Changed a note',
    );
  const remove = (note: Note) =>
    report(
      take(
        client.DELETE('/api/students/{student}/notes/{note}', {
          params: { path: { student: id, note: note.id }, header: header() },
        }),
      ),
      'Removed a note',
    ).catch(noticeFault);
  /** @param over the state of the note that it is written over; the one that was opened without it */
  const save = async (form: Form, over?: number) => {
    if (writing === 'new') await add(form);
    else if (writing) await change(writing.id, over ?? writing.number, form);
    setWriting(null);
  };
  return { writing, setWriting, save, remove, report };
}

interface NoteDialogProps {
  notes: ReturnType<typeof useNotes>;
  about: string;
}

function NoteDialog({ notes: { writing, setWriting, save }, about }: NoteDialogProps) {
  return (
    <Dialog
      open={writing !== null}
      onOpenChange={() => setWriting(null)}
      title={writing === 'new' ? 'Add a note' : 'Change the note'}
      about={about}
    >
      {writing === 'new' && <NoteForm onSave={save} />}
      {writing !== null && writing !== 'new' && <NoteForm onSave={save} note={writing} />}
    </Dialog>
  );
}

interface NoteLineProps {
  note: Note;
  /** The work that it is on, where that isn't plain from where it stands. */
  on?: { work: number; title: string } | undefined;
  /** Nothing where it can only be read. */
  notes: ReturnType<typeof useNotes> | undefined;
}

function NoteLine({ note, on, notes }: NoteLineProps) {
  const { id, zone } = useStudent();
  const now = useNow();
  return (
    <>
      <p className="max-w-[72ch] whitespace-pre-line">{note.body}</p>
      <p className="flex flex-wrap items-baseline gap-x-3 text-[13.5px] text-ink-2">
        {on && (
          <Link to={`/s/${id}/work/${on.work}`} className="underline underline-offset-2">
            {on.title}
          </Link>
        )}
        {note.tag && <span className="font-semibold">{note.tag}</span>}
        {near(note.at, zone, now)}
        {notes && (
          <span className="no-print flex gap-3">
            <TextButton onClick={() => notes.setWriting(note)}>Change</TextButton>
            <TextButton onClick={() => void notes.remove(note)}>Remove</TextButton>
          </span>
        )}
      </p>
    </>
  );
}

export { NoteDialog, NoteLine, useNotes };
