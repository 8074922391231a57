import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { Button } from '../../ui/button';
import { draftsNearDue } from './model';

interface AlarmProps {
  /** The piece of work that is open already and says so itself. */
  except: number | null;
  onOpen: (work: number) => void;
}

/** A draft looks done and isn't. Near its due it says so, on top, until it is handed in. */
function Alarm({ except, onOpen }: AlarmProps) {
  const { board, zone, mayWrite } = useStudent();
  const now = useNow();
  const [first, ...rest] = draftsNearDue(board.works).filter((work) => work.id !== except);
  if (!first?.due) return null;
  return (
    <div
      role="alert"
      className="no-print flex shrink-0 items-center gap-x-4 gap-y-1.5 max-sm:flex-col max-sm:items-start max-sm:pb-2.5 border-loss border-l-4 bg-loss-soft py-1.5 pr-5 pl-4 max-sm:pr-3"
    >
      <p className="min-w-0 flex-1">
        <b className="font-bold">Not handed in:</b> {first.title} is a draft and due{' '}
        {near(first.due, zone, now)}.{rest.length > 0 && ` ${rest.length} more like it.`}
      </p>
      <Button look="main" className="h-[30px]" onClick={() => onOpen(first.id)}>
        {mayWrite ? 'Finish the hand-in' : 'Look at it'}
      </Button>
    </div>
  );
}

export { Alarm };
