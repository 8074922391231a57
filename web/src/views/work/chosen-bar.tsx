import { useState } from 'react';
import { toast } from 'sonner';
import { client, take, type Work, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { noticeFault, undo } from '../../ui/notice';
import { type Deed, EffortForm, NoteForm, writeTogether } from './own-forms';

interface ChosenBarProps {
  works: readonly Work[];
  onAll: () => void;
  onDone: () => void;
}

/** What can be done to several pieces of work at once. */
function ChosenBar({ works, onAll, onDone }: ChosenBarProps) {
  const { id } = useStudent();
  const [asking, setAsking] = useState<'effort' | 'note' | null>(null);
  const [busy, setBusy] = useState('');
  const done = works.filter((work) => work.move === 'YOURS' && work.takesDone);
  const unread = works.some((work) => work.feedback.unread > 0);
  const together = async (deed: Deed, words: string) => {
    await writeTogether(
      id,
      works.map((work) => work.id),
      deed,
      words,
    );
    setAsking(null);
    onDone();
  };
  const tried = (deed: Deed, words: string) => together(deed, words).catch(noticeFault);
  const handIn = async () => {
    const changes: number[] = [];
    for (const work of done) {
      setBusy(`Handing in ${changes.length + 1} of ${done.length}`);
      try {
        changes.push((await report(id, work)).change);
      } catch (error) {
        noticeFault(error);
        break;
      }
    }
    setBusy('');
    await refreshStudent(id);
    if (changes.length > 0) {
      toast(`Reported ${count(changes.length, 'piece')} of work as done`, {
        duration: 10_000,
        action: { label: 'Undo', onClick: () => void changes.map((change) => undo(id, change)) },
      });
      onDone();
    }
  };
  const many = count(works.length, 'piece');
  return (
    <section
      aria-label="Chosen work"
      className="no-print flex shrink-0 flex-wrap items-center gap-2 border-ink border-t bg-raised px-5 py-2 max-sm:px-3"
    >
      <p role="status" className="mr-3 font-semibold">
        {busy || `${works.length} chosen`}
      </p>
      <Button onClick={onAll}>All that are shown</Button>
      <Button disabled={works.length === 0} onClick={() => setAsking('effort')}>
        Set effort
      </Button>
      <Button disabled={works.length === 0} onClick={() => setAsking('note')}>
        Add a note
      </Button>
      <Button
        disabled={!unread}
        onClick={() => void tried({ read: true }, `Marked feedback on ${many} of work as read`)}
      >
        Mark read
      </Button>
      <Button
        disabled={done.length === 0 || Boolean(busy)}
        title="Work that is only reported as done"
        onClick={() => void handIn()}
      >
        {done.length > 0 ? `Report ${done.length} as done` : 'Report as done'}
      </Button>
      <Button look="quiet" className="ml-auto" onClick={onDone}>
        Let go
      </Button>
      <Dialog
        open={asking !== null}
        onOpenChange={() => setAsking(null)}
        title={asking === 'effort' ? `Effort of ${many} of work` : `A note on ${many} of work`}
      >
        {asking === 'effort' && (
          <EffortForm
            onSave={(minutes) => together({ effort: { minutes } }, `Set the effort of ${many} of work`)}
          />
        )}
        {asking === 'note' && (
          <NoteForm onSave={(note) => together({ note }, `Added a note to ${many} of work`)} />
        )}
      </Dialog>
    </section>
  );
}

function report(student: number, work: Work) {
  return take(
    client.POST('/api/students/{student}/works/{work}/hand-ins', {
      params: {
        path: { student, work: work.id },
        header: { 'If-Match': `"${work.version}"`, 'Idempotency-Key': writeKey() },
      },
      body: {
        content: work.kind === 'QUIZ' || work.kind === 'TEST' ? 'ATTEMPT' : 'DONE',
        files: [],
        draft: null,
        note: null,
      },
    }),
  );
}

export { ChosenBar };
