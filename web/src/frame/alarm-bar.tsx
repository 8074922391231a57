import { ChevronDown } from 'lucide-react';
import { useNavigate, useParams } from 'react-router';
import { type Alarm, alarms } from '../lib/alarms';
import { useNow } from '../lib/now';
import { near } from '../lib/time';
import { Button } from '../ui/button';
import { Menu, MenuItem } from '../ui/menu';
import { useStudent } from './student';

const HEADS: Record<Alarm['kind'], string> = {
  draft: 'Not handed in:',
  'sent back': 'Sent back:',
  zero: 'A nought, with a word to it:',
};

/** What can't wait to be seen. It stands on every view until it is dealt with. */
function AlarmBar() {
  const { board, id, mayWrite } = useStudent();
  const open = Number(useParams().work ?? 0);
  const navigate = useNavigate();
  const [first, ...rest] = alarms(board.works).filter(({ work }) => work.id !== open);
  if (!first) return null;
  const look = ({ work, kind }: Alarm) =>
    void navigate(`/s/${id}/work/${work.id}${kind === 'zero' ? '' : '?step=hand-in'}`);
  return (
    <div
      role="alert"
      className="no-print flex shrink-0 items-center gap-x-3 gap-y-1.5 border-loss border-l-4 bg-loss-soft py-1.5 pr-5 pl-4 max-sm:flex-col max-sm:items-start max-sm:pr-3 max-sm:pb-2.5"
    >
      <p className="min-w-0 flex-1">
        <b className="font-bold">{HEADS[first.kind]}</b> <Words alarm={first} />
      </p>
      <span className="flex gap-2">
        {rest.length > 0 && (
          <Menu
            align="end"
            trigger={
              <Button className="h-[30px]">
                {rest.length} more <ChevronDown size={13} aria-hidden />
              </Button>
            }
          >
            {rest.map((alarm) => (
              <MenuItem key={alarm.work.id} onSelect={() => look(alarm)}>
                <span>
                  <b className="font-semibold">{HEADS[alarm.kind]}</b> {alarm.work.title}
                </span>
              </MenuItem>
            ))}
          </Menu>
        )}
        <Button look="main" className="h-[30px]" onClick={() => look(first)}>
          {!mayWrite || first.kind === 'zero'
            ? 'Look at it'
            : first.kind === 'draft'
              ? 'Finish the hand-in'
              : 'Fix it'}
        </Button>
      </span>
    </div>
  );
}

function Words({ alarm: { work, kind } }: { alarm: Alarm }) {
  const { zone } = useStudent();
  const now = useNow();
  const due = work.due ? near(work.due, zone, now) : null;
  if (kind === 'draft') {
    return (
      <>
        {work.title} is a draft{due && ` and due ${due}`}.
      </>
    );
  }
  if (kind === 'zero')
    return (
      <>
        {work.feedback.latestBy} wrote about {work.title}, and you haven’t read it.
      </>
    );
  return (
    <>
      {work.title}, by {work.feedback.latestBy}; you haven’t read why{due && `. Due ${due}`}.
    </>
  );
}

export { AlarmBar };
