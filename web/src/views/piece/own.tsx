import { useState } from 'react';
import { Link } from 'react-router';
import type { Detail } from '../../api/client';
import { useStudent } from '../../frame/student';
import { Button, TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { NoteDialog, NoteLine, useNotes } from '../notes/note-parts';
import { EffortForm, PercentForm, writeTogether } from '../work/own-forms';
import { Part } from './part';

/** Notes of one's own. Nobody but the student and its guardians sees them. */
function Notes({ detail }: { detail: Detail }) {
  const { id, mayWrite } = useStudent();
  const { work, notes } = detail;
  const own = useNotes((form) =>
    writeTogether(id, [work.id], { note: form }, `Added a note to ${work.title}`),
  );
  if (notes.length === 0 && !mayWrite) return null;
  return (
    <Part
      title="My notes"
      id="notes"
      aside={mayWrite && <TextButton onClick={() => own.setWriting('new')}>Add a note</TextButton>}
    >
      {notes.length === 0 ? (
        <p className="text-[14px] text-ink-2">None yet.</p>
      ) : (
        <>
          <ul className="flex flex-col gap-3">
            {notes.map((note) => (
              <li key={note.id}>
                <NoteLine note={note} notes={mayWrite ? own : undefined} />
              </li>
            ))}
          </ul>
          <Link
            to={`/s/${id}/notes?work=${work.id}`}
            className="no-print mt-2 inline-block text-[14px] text-ink-2 underline underline-offset-2"
          >
            Print them
          </Link>
        </>
      )}
      <NoteDialog notes={own} about={work.title} />
    </Part>
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
      {' '}
      <TextButton onClick={() => setAsking(true)} className="text-[13.5px] text-ink-2">
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
        {asking && (
          <PercentForm
            now={ownPercent}
            field="expected.percent"
            hint="Empty: what your scores so far say"
            save="Expect this"
            onSave={save}
          />
        )}
      </Dialog>
    </>
  );
}

/** The student's own figure of what preparing for it will bring. */
function OwnPreparing({ detail: { work, worth } }: { detail: Detail }) {
  const { id, mayWrite } = useStudent();
  const [asking, setAsking] = useState(false);
  if (!mayWrite) return null;
  const save = async (percent: string | null) => {
    await writeTogether(
      id,
      [work.id],
      { preparing: { percent } },
      `Set what preparing brings for ${work.title}`,
    );
    setAsking(false);
  };
  return (
    <>
      <Button
        look="quiet"
        className="!h-6 !px-1.5 text-[13.5px] underline underline-offset-2"
        onClick={() => setAsking(true)}
      >
        {worth.ownPreparing ? 'my own figure' : 'I think otherwise'}
      </Button>
      <Dialog open={asking} onOpenChange={setAsking} title="What preparing will bring" about={work.title}>
        {asking && (
          <PercentForm
            now={worth.ownPreparing ? worth.preparing : null}
            field="preparing.percent"
            hint="Empty: half of it"
            save="Count on this"
            onSave={save}
          />
        )}
      </Dialog>
    </>
  );
}

export { Notes, OwnEffort, OwnExpected, OwnPreparing };
