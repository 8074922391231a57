import { ChevronDown } from 'lucide-react';
import { type ComponentProps, useState } from 'react';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Menu, MenuItem } from '../../ui/menu';
import { useWrite } from '../../ui/use-write';
import { EditManyForm } from './edit-many';
import { type Deed, EffortForm, NoteForm, writeTogether } from './own-forms';

interface ChosenBarProps {
  works: readonly Work[];
  onAll: () => void;
  onMore: (works: readonly number[]) => void;
  onDone: () => void;
}

const ASKED = {
  effort: 'Effort of',
  note: 'A note on',
  edit: 'Change',
} as const;

/** "Quiz 4" and "Quiz 12" are of one name. */
function nameOf(title: string): string {
  return title.replace(/\d+/, '…');
}

/** What repeats with the chosen work: of its course and kind, the same title but for a number. None where all are chosen. */
function seriesOf(chosen: readonly Work[], all: readonly Work[]): Work[] {
  const [first] = chosen;
  if (!first || !/\d/.test(first.title)) return [];
  const alike = (work: Work) =>
    work.courseId === first.courseId &&
    work.kind === first.kind &&
    nameOf(work.title) === nameOf(first.title);
  const series = all.filter(alike);
  return chosen.every(alike) && series.length > chosen.length ? series : [];
}

/** A button that opens a menu. */
function MenuButton({ children, ...button }: ComponentProps<typeof Button>) {
  return (
    <Button {...button}>
      {children}
      <ChevronDown size={13} aria-hidden />
    </Button>
  );
}

interface AskedDialogProps {
  asking: keyof typeof ASKED | null;
  works: readonly Work[];
  together: (deed: Deed, words: string) => Promise<void>;
  onClose: () => void;
}

/** What has to be typed before it is done to all of them. */
function AskedDialog({ asking, works, together, onClose }: AskedDialogProps) {
  const many = count(works.length, 'piece');
  return (
    <Dialog
      open={asking !== null}
      onOpenChange={onClose}
      title={asking ? `${ASKED[asking]} ${many} of work` : ''}
    >
      {asking === 'effort' && (
        <EffortForm
          onSave={(minutes) => together({ effort: { minutes } }, `Set the effort of ${many} of work`)}
        />
      )}
      {asking === 'note' && (
        <NoteForm onSave={(note) => together({ note }, `Added a note to ${many} of work`)} />
      )}
      {asking === 'edit' && (
        <EditManyForm works={works} onSave={(edit) => together({ edit }, `Changed ${many} of work`)} />
      )}
    </Dialog>
  );
}

/** What can be done to several pieces of work at once: one request, one undo. */
function ChosenBar({ works, onAll, onMore, onDone }: ChosenBarProps) {
  const { id, board } = useStudent();
  const [asking, setAsking] = useState<keyof typeof ASKED | null>(null);
  const unread = works.some((work) => work.feedback.unread > 0);
  const back = works.filter((work) => work.stage === 'TURNED_IN').length;
  const many = count(works.length, 'piece');
  const series = seriesOf(works, board.works);
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
  const { write, writing: busy } = useWrite(([deed, words]: [Deed, string]) => together(deed, words));
  const tried = (deed: Deed, words: string) => void write([deed, words]);
  const done = (when: NonNullable<Deed['done']>['when']) =>
    tried({ done: { when } }, 'Recorded what was handed in elsewhere');
  const none = works.length === 0 || busy;
  return (
    <section
      aria-label="Chosen work"
      className="no-print flex shrink-0 flex-wrap items-center gap-2 border-ink border-t bg-raised px-5 py-2 max-sm:px-3"
    >
      <p role="status" className="mr-2 font-semibold">
        {busy ? 'Writing …' : `${works.length} chosen`}
      </p>
      <Button onClick={onAll}>All that are shown</Button>
      {series.length > 1 && (
        <Button onClick={() => onMore(series.map((work) => work.id))}>
          All {series.length} of “{nameOf(series[0]?.title ?? '')}”
        </Button>
      )}
      <Menu trigger={<MenuButton disabled={none}>Handed in elsewhere</MenuButton>}>
        <MenuItem onSelect={() => done('AT_ITS_DUE')}>On time, each at its due</MenuItem>
        <MenuItem onSelect={() => done('LATE')}>Late, within a day of its due</MenuItem>
        <MenuItem onSelect={() => done('NOW')}>Just now</MenuItem>
      </Menu>
      <Button
        disabled={none || back === 0}
        title="With the teacher no longer, though its score isn’t known"
        onClick={() => tried({ back: true }, 'Recorded what has come back')}
      >
        {back > 0 ? `${back} ${back === 1 ? 'has' : 'have'} come back` : 'It has come back'}
      </Button>
      <Button disabled={none} onClick={() => setAsking('edit')}>
        Change
      </Button>
      <Menu trigger={<MenuButton disabled={none}>More</MenuButton>}>
        <MenuItem onSelect={() => setAsking('effort')}>Set effort</MenuItem>
        <MenuItem onSelect={() => setAsking('note')}>Add a note</MenuItem>
        {unread && (
          <MenuItem onSelect={() => tried({ read: true }, `Marked feedback on ${many} of work as read`)}>
            Mark read
          </MenuItem>
        )}
        <MenuItem onSelect={() => tried({ remove: true }, `Removed ${many} of work`)}>Remove</MenuItem>
      </Menu>
      <Button look="quiet" className="ml-auto" onClick={onDone}>
        Let go
      </Button>
      <AskedDialog asking={asking} works={works} together={together} onClose={() => setAsking(null)} />
    </section>
  );
}

export { ChosenBar };
