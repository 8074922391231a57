import { Ellipsis } from 'lucide-react';
import { type FormEvent, type ReactNode, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Work } from '../../api/client';
import { placeOf } from '../../frame/open-at-school';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { instantIn, localDate, localTime, span, timeWords } from '../../lib/time';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { Menu, MenuItem, MenuRule, MenuSub } from '../../ui/menu';
import { EffortForm, writeTogether } from '../work/own-forms';
import type { PlannedMove } from './model';
import { startTimer } from './timer';
import { nail, wish } from './wish';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

interface MoveMenuProps {
  move: Pick<
    PlannedMove,
    'work' | 'first' | 'before' | 'notBefore' | 'nailed' | 'minutes' | 'minutesGuessed'
  > &
    Partial<Pick<PlannedMove, 'sittings'>>;
  work: Work;
  onOpen: (work: number) => void;
}

/** What one may want of a move, whatever the plan says. A list has many of these, so each is made when it is asked for. */
function MoveMenu(props: MoveMenuProps) {
  const [asked, setAsked] = useState(false);
  const trigger = (
    <button
      type="button"
      aria-label={`What to do with ${props.work.title}`}
      aria-haspopup="menu"
      onClick={asked ? undefined : () => setAsked(true)}
      className="grid h-7 w-7 place-items-center rounded text-ink-2 hover:bg-line-2 hover:text-ink"
    >
      <Ellipsis size={16} aria-hidden />
    </button>
  );
  return asked ? <Asked {...props} trigger={trigger} /> : trigger;
}

function Asked({ move, work, onOpen, trigger }: MoveMenuProps & { trigger: ReactNode }) {
  const { id, zone } = useStudent();
  const now = useNow();
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const [nailing, setNailing] = useState(false);
  const later = (at: number, words: string) =>
    wish(
      id,
      work.id,
      { kind: 'LATER', notBefore: new Date(at).toISOString() },
      `${work.title} waits ${words}`,
    );
  const wished = move.first || move.before !== null || move.notBefore !== null || move.nailed !== null;
  return (
    <>
      <Menu align="end" defaultOpen trigger={trigger}>
        {work.hasPlace && (
          <MenuItem onSelect={() => window.open(placeOf(id, work.id), '_blank', 'noopener,noreferrer')}>
            Open it at the school
          </MenuItem>
        )}
        <MenuItem onSelect={() => startTimer(id, work.id, work.title)}>
          Start it, with the clock running
        </MenuItem>
        <MenuItem onSelect={() => onOpen(work.id)}>Open it</MenuItem>
        <MenuRule />
        {!move.first && (
          <MenuItem onSelect={() => wish(id, work.id, { kind: 'FIRST' }, `${work.title} comes first`)}>
            Put it first
          </MenuItem>
        )}
        <MenuItem onSelect={() => later(nextMorning(now, zone), 'until tomorrow')}>Not today</MenuItem>
        <MenuSub label="Put it off">
          <MenuItem onSelect={() => later(now + 2 * HOUR, 'for 2 hours')}>For 2 hours</MenuItem>
          <MenuItem onSelect={() => later(now + 3 * DAY, 'for 3 days')}>For 3 days</MenuItem>
          <MenuItem onSelect={() => later(now + 7 * DAY, 'for a week')}>For a week</MenuItem>
        </MenuSub>
        <MenuItem onSelect={() => setNailing(true)}>Nail it to an hour</MenuItem>
        {wished && (
          <MenuItem onSelect={() => wish(id, work.id, { kind: 'NONE' }, `${work.title} is left to the plan`)}>
            Leave it to the plan again
          </MenuItem>
        )}
        <MenuRule />
        <MenuItem onSelect={() => setAsking(true)}>It takes me longer, or less</MenuItem>
        <MenuItem onSelect={() => void navigate(`/s/${id}/next/${work.id}?step=hand-in`)}>
          I already did that elsewhere
        </MenuItem>
      </Menu>
      {nailing && <NailDialog move={move} work={work} onDone={() => setNailing(false)} />}
      {asking && (
        <Dialog open onOpenChange={setAsking} title="How long it takes you" about={work.title}>
          <EffortForm
            onSave={async (minutes) => {
              await writeTogether(id, [work.id], { effort: { minutes } }, `Set the effort of ${work.title}`);
              setAsking(false);
            }}
          />
        </Dialog>
      )}
    </>
  );
}

/** The hour at which a move is done, whatever the plan says of the rest. */
function NailDialog({ move, work, onDone }: Pick<MoveMenuProps, 'move' | 'work'> & { onDone: () => void }) {
  const { id, zone } = useStudent();
  const now = useNow();
  const planned = new Date(move.nailed ?? move.sittings?.[0]?.start ?? now + HOUR).getTime();
  const [day, setDay] = useState(localDate(planned, zone));
  const [time, setTime] = useState(localTime(planned, zone));
  const hour = instantIn(`${day}T${time}`, zone);
  const at = hour === null ? now : new Date(hour).getTime();
  const end = at + move.minutes * 60_000;
  const fault =
    hour === null
      ? 'There is no such hour that day. Choose another.'
      : end <= now
        ? 'That is past. Choose a later hour.'
        : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (fault) return;
    nail(id, { work: work.id, title: work.title }, at, zone);
    onDone();
  };
  return (
    <Dialog open onOpenChange={onDone} title="Nail it to an hour" about={work.title}>
      <form onSubmit={submit} className="flex flex-col gap-3.5">
        <div className="flex gap-3">
          <TextField
            label="Day"
            type="date"
            required
            value={day}
            onChange={(event) => setDay(event.target.value)}
            fault={fault}
          />
          <TextField
            label="From"
            type="time"
            required
            value={time}
            onChange={(event) => setTime(event.target.value)}
          />
        </div>
        <p className="text-[14px] text-ink-2">
          {span(move.minutes)}, until {timeWords(new Date(end).toISOString(), zone)}. The plan works round it,
          free hours or not, and says what that costs.
        </p>
        <div className="flex justify-end gap-2">
          <Button look="quiet" onClick={onDone}>
            Cancel
          </Button>
          <Button look="main" type="submit">
            Nail it
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

/** When the next local day begins. Days with a change of the clocks have 23 or 25 hours, so the midnight is looked for. */
function nextMorning(now: number, zone: string): number {
  const today = localDate(now, zone);
  let at = Math.ceil(now / (15 * 60_000)) * 15 * 60_000;
  while (localDate(at, zone) === today) at += 15 * 60_000;
  return at;
}

export { MoveMenu };
