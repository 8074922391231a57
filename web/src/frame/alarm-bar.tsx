import { ChevronDown } from 'lucide-react';
import { useLocation, useNavigate, useParams } from 'react-router';
import { useNow } from '../lib/now';
import { type Signal, signalKey, wayOf } from '../lib/signals';
import { minutesBetween, span } from '../lib/time';
import { sentence } from '../lib/words';
import { Button } from '../ui/button';
import { Menu, MenuItem } from '../ui/menu';
import { useStudent } from './student';

/** The views on which the whole list stands. */
const LISTED = ['next', 'feedback', 'sheet'];

/** What asks for attention, in one line on every view that doesn't list it: the most pressing, and how many more. */
function AlarmBar() {
  const { board, id, mayWrite, work } = useStudent();
  const open = Number(useParams().work ?? 0);
  const here = useLocation().pathname;
  const navigate = useNavigate();
  const now = useNow();
  const [first, ...rest] = board.signals;
  const listed = LISTED.some((view) => here === `/s/${id}/${view}`);
  if (!first || listed || (first.work === open && rest.length === 0)) return null;
  const shown = first.work === open && rest[0] ? rest[0] : first;
  const others = board.signals.filter((signal) => signal !== shown);
  const look = (signal: Signal) => void navigate(wayOf(signal, id, `/s/${id}/work`, mayWrite).to);
  const hot = shown.group === 'ABOUT_TO_BE_LOST';
  const left = shown.until === null ? null : minutesBetween(now, shown.until);
  return (
    <div
      role={hot ? 'alert' : 'status'}
      className={`no-print flex shrink-0 items-center gap-x-3 gap-y-1.5 border-l-4 py-1.5 pr-5 pl-4 max-sm:flex-col max-sm:items-start max-sm:pr-3 max-sm:pb-2.5 ${
        hot ? 'border-loss bg-loss-soft' : 'border-wait bg-wait-soft'
      }`}
    >
      <p className="min-w-0 flex-1">
        <b className="font-bold">{work(shown.work)?.title}:</b> {lower(sentence(shown.words))}
        {hot && left !== null && left > 0 && ` ${span(left)} left.`}
      </p>
      <span className="flex gap-2">
        {others.length > 0 && (
          <Menu
            align="end"
            trigger={
              <Button className="h-[30px]">
                {others.length} more <ChevronDown size={13} aria-hidden />
              </Button>
            }
          >
            {others.map((signal) => (
              <MenuItem key={signalKey(signal)} onSelect={() => look(signal)}>
                <span className="max-w-[56ch]">
                  <b className="font-semibold">{work(signal.work)?.title}:</b> {lower(signal.words)}
                </span>
              </MenuItem>
            ))}
          </Menu>
        )}
        <Button look="main" className="h-[30px]" onClick={() => look(shown)}>
          {wayOf(shown, id, '', mayWrite).words}
        </Button>
      </span>
    </div>
  );
}

function lower(words: string): string {
  return words.charAt(0).toLowerCase() + words.slice(1);
}

export { AlarmBar };
