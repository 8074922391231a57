import { useState } from 'react';
import { Link } from 'react-router';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { span } from '../../lib/time';
import { countdown } from '../../lib/words';
import { Button } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { Dialog } from '../../ui/dialog';
import { type DayOfMoves, points, verb, workOf } from './model';
import { soFar, startTimer, useClock } from './timer';

/** Today's moves one after the other, with nothing else to look at. */
function Sitting({ day, onClose }: { day: DayOfMoves; onClose: () => void }) {
  const [moves] = useState(day.moves);
  const [at, setAt] = useState(0);
  const { board } = useStudent();
  const current = moves[at];
  const work = current && workOf(board)(current.move.work);
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={current ? `${at + 1} of ${moves.length}` : 'That was all for today'}
    >
      {current && work ? (
        <One key={current.move.work} move={current.move} work={work} onNext={() => setAt(at + 1)} />
      ) : (
        <div className="flex flex-col gap-4">
          <p>What you noted counts for how long such work takes you. Nothing else is planned for today.</p>
          <Button look="main" className="self-end" onClick={onClose}>
            Back to the moves
          </Button>
        </div>
      )}
    </Dialog>
  );
}

interface OneProps {
  move: DayOfMoves['moves'][number]['move'];
  work: NonNullable<ReturnType<ReturnType<typeof workOf>>>;
  onNext: () => void;
}

function One({ move, work, onNext }: OneProps) {
  const { id, course, zone } = useStudent();
  const clock = useClock();
  const now = useNow();
  const running = clock?.timer.work === work.id ? clock : null;
  const stop = async () => {
    if (!running || (await running.note())) onNext();
  };
  return (
    <div className="flex flex-col gap-5">
      <div>
        <p className="flex items-center gap-2 text-[14px] text-ink-2">
          <CourseMark colour={course(work.courseId)?.colour ?? ''} /> {course(work.courseId)?.name}
        </p>
        <p className="mt-1 font-[720] text-[22px] leading-tight">
          {verb(move.deed, work)}: {work.title}
        </p>
        <p className="mt-1 text-ink-2">
          {span(move.minutes)} planned, {points(move.gain)} points, {countdown(work, zone, now).words}
        </p>
      </div>
      <p className="border-yours border-l-4 bg-yours-soft px-3 py-2 font-semibold" aria-live="polite">
        {running ? soFar(running.minutes) : 'The clock isn’t running.'}
      </p>
      <div className="flex flex-wrap justify-end gap-2">
        <Link
          to={`/s/${id}/work/${work.id}`}
          className="mr-auto inline-flex h-8 items-center underline underline-offset-2"
        >
          Open the work
        </Link>
        <Button onClick={onNext}>Leave it, next</Button>
        {running ? (
          <Button look="main" onClick={() => void stop()}>
            Stop, note {span(Math.max(1, running.minutes))}, next
          </Button>
        ) : (
          <Button look="main" onClick={() => startTimer(id, work.id, work.title)}>
            Start the clock
          </Button>
        )}
      </div>
    </div>
  );
}

export { Sitting };
