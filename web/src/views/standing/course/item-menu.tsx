import { Ellipsis } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { useStudent } from '../../../frame/student';
import { useNow } from '../../../lib/now';
import { instantIn, localDate, localTime } from '../../../lib/time';
import { Button } from '../../../ui/button';
import { Dialog } from '../../../ui/dialog';
import { TextField } from '../../../ui/field';
import { Menu, MenuItem, MenuRule } from '../../../ui/menu';
import type { changed } from './model';

/** Says what isn't so of a piece of work. The same function whatever is shown, so that other rows stay as they are. */
export type Changing = (work: number, what: Parameters<typeof changed>[2]) => void;

const DAY = 86_400_000;
const HAND_IN_DAYS = [1, 2, 3, 7];

interface ItemMenuProps {
  work: number;
  title: string;
  onChange: Changing;
}

/** A table has many of these, so each is made when it is asked for. */
function ItemMenu(props: ItemMenuProps) {
  const { mayWrite } = useStudent();
  const [asked, setAsked] = useState(false);
  if (!mayWrite) return <span />;
  const trigger = (
    <button
      type="button"
      aria-label={`What if, for ${props.title}`}
      aria-haspopup="menu"
      onClick={asked ? undefined : () => setAsked(true)}
      className="no-print grid h-7 w-7 place-items-center rounded text-ink-2 hover:bg-line-2 hover:text-ink"
    >
      <Ellipsis size={16} aria-hidden />
    </button>
  );
  return asked ? <AskedMenu {...props} trigger={trigger} /> : trigger;
}

function AskedMenu({ work, title, onChange, trigger }: ItemMenuProps & { trigger: ReactNode }) {
  const { work: workOf } = useStudent();
  const now = useNow();
  const [choosing, setChoosing] = useState(false);
  const due = workOf(work)?.due ?? null;
  return (
    <>
      <Menu align="end" defaultOpen trigger={trigger}>
        <MenuItem onSelect={() => onChange(work, { excused: true })}>As if it were excused</MenuItem>
        <MenuItem onSelect={() => onChange(work, { handedIn: new Date(now).toISOString() })}>
          As if it were handed in now
        </MenuItem>
        {due && (
          <MenuItem onSelect={() => onChange(work, { handedIn: due })}>
            As if it were handed in at its due
          </MenuItem>
        )}
        {HAND_IN_DAYS.map((days) => (
          <MenuItem
            key={days}
            onSelect={() => onChange(work, { handedIn: new Date(now + days * DAY).toISOString() })}
          >
            As if it were handed in {days === 1 ? 'tomorrow' : `in ${days} days`}
          </MenuItem>
        ))}
        <MenuItem onSelect={() => setChoosing(true)}>As if it were handed in on another day …</MenuItem>
        <MenuRule />
        <MenuItem onSelect={() => onChange(work, { points: null, excused: null, handedIn: null })}>
          As it is
        </MenuItem>
      </Menu>
      <Dialog open={choosing} onOpenChange={setChoosing} title="As if it were handed in then" about={title}>
        <HandInMoment
          first={due && new Date(due).getTime() > now ? due : new Date(now).toISOString()}
          onChoose={(handedIn) => {
            onChange(work, { handedIn });
            setChoosing(false);
          }}
        />
      </Dialog>
    </>
  );
}

function HandInMoment({ first, onChoose }: { first: string; onChoose: (handedIn: string) => void }) {
  const { zone } = useStudent();
  const at = new Date(first).getTime();
  const [typed, setTyped] = useState(`${localDate(at, zone)}T${localTime(at, zone)}`);
  const chosen = instantIn(typed, zone);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (chosen) onChoose(chosen);
      }}
      className="flex flex-col gap-3"
    >
      <TextField
        label="Day and time"
        type="datetime-local"
        required
        value={typed}
        hint="The late penalty of that moment is taken off. Nothing is saved."
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button look="main" type="submit" className="self-end">
        See what it comes to
      </Button>
    </form>
  );
}

export { ItemMenu };
