import clsx from 'clsx';
import { Dialog as Radix } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { useNow } from '../../lib/now';
import { localDate, near, span } from '../../lib/time';
import { countdown } from '../../lib/words';
import { Button } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { byDay, type DayOfMoves, gainWords, type Next, verb } from './model';
import { Forgotten, NeedsMore, soFar, startTimer, useClock } from './timer';

/** Today's moves one after the other, on the whole screen, with nothing else on it. Opens by `?sit=today`. */
function Sitting({ next }: { next: Next }) {
  const { zone, mayWrite } = useStudent();
  const [params, setParams] = useAddress();
  const today = localDate(useNow(), zone);
  const open = mayWrite && params.get('sit') === 'today';
  const close = () =>
    setParams((before) => {
      before.delete('sit');
      return before;
    });
  return (
    <Radix.Root open={open} onOpenChange={(still) => !still && close()}>
      <Radix.Portal>
        <Radix.Content
          aria-describedby={undefined}
          className="fixed inset-0 z-50 flex flex-col overflow-auto bg-paper px-6 py-5 max-sm:px-4"
        >
          {open && <InOrder next={next} planned={movesOf(next, zone, today)} onClose={close} />}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

interface InOrderProps {
  next: Next;
  /** Of today; planned anew, the rest of the evening follows. */
  planned: DayOfMoves['moves'];
  onClose: () => void;
}

function InOrder({ next, planned, onClose }: InOrderProps) {
  const [first] = useState(() => planned.map(({ move }) => move.work));
  const [done, setDone] = useState<readonly number[]>([]);
  const [held, setHeld] = useState(planned[0]?.move ?? null);
  const { work: workOf } = useStudent();
  const rest = planned
    .map(({ move }) => move)
    .filter((move) => move.work !== held?.work && !done.includes(move.work));
  const current = planned.find(({ move }) => move.work === held?.work)?.move ?? held;
  const work = current && workOf(current.work);
  const at = done.length;
  const many = at + (current ? 1 : 0) + rest.length;
  const onNext = () => {
    if (held) setDone([...done, held.work]);
    setHeld(rest[0] ?? null);
  };
  const staying = [...done, ...planned.map(({ move }) => move.work)];
  const givesWay = first.filter((one) => !staying.includes(one));
  return (
    <>
      <header className="flex items-center justify-between gap-4 text-ink-2">
        <Radix.Title className="text-[14px]">
          {current ? `Move ${at + 1} of ${many}` : 'That was all for today'}
        </Radix.Title>
        <Button look="quiet" onClick={onClose}>
          Leave the sitting
        </Button>
      </header>
      <div className="mt-1 flex gap-1" aria-hidden>
        {Array.from({ length: many }, (_, i) => (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: a step has no other name than its place
            key={i}
            className={clsx('h-1 flex-1', i < at ? 'bg-done' : i === at ? 'bg-yours' : 'bg-line')}
          />
        ))}
      </div>
      <div className="mx-auto flex w-full max-w-[620px] flex-1 flex-col justify-center py-8">
        {current && work ? (
          <One key={current.work} move={current} work={work} onNext={onNext} />
        ) : (
          <div className="flex flex-col items-start gap-4">
            <p className="font-[720] text-[26px] leading-tight">That was all for today.</p>
            <p className="text-ink-2">
              What you noted counts for how long such work takes you. Nothing else is planned for today.
            </p>
            <Button look="main" onClick={onClose}>
              Back to the moves
            </Button>
          </div>
        )}
        {givesWay.length > 0 && <GivesWay works={givesWay} next={next} />}
      </div>
    </>
  );
}

/** What was to be done today and isn't any more, since something takes longer. */
function GivesWay({ works, next }: { works: readonly number[]; next: Next }) {
  const { zone, work } = useStudent();
  const now = useNow();
  const where = (id: number) => {
    const sitting = next.moves.find((move) => move.work === id)?.sittings[0];
    return sitting ? `now ${near(sitting.start, zone, now)}` : 'left out now';
  };
  return (
    <p data-gives-way className="mt-6 text-[14px] text-ink-2" aria-live="polite">
      Gives way today: {works.map((id) => `${work(id)?.title}, ${where(id)}`).join('; ')}.
    </p>
  );
}

function movesOf(next: Next, zone: string, date: string): DayOfMoves['moves'] {
  return byDay(next, zone).find((day) => day.date === date)?.moves ?? [];
}

interface OneProps {
  move: DayOfMoves['moves'][number]['move'];
  work: Work;
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
        <p className="mt-2 font-[720] text-[30px] leading-[1.15] max-sm:text-[24px]">
          {verb(move.deed, work)}: {work.title}
        </p>
        <p className="mt-1 text-ink-2">
          {span(move.minutes)} planned, {gainWords(move.gain)} of the course,{' '}
          {countdown(work, zone, now).words}
        </p>
      </div>
      {running?.forgotten && <Forgotten clock={running} />}
      <p
        hidden={running?.forgotten}
        className="border-yours border-l-4 bg-yours-soft px-3 py-2 font-semibold"
        aria-live="polite"
      >
        {running ? soFar(running.minutes) : 'The clock isn’t running.'}
      </p>
      <NeedsMore work={work} minutes={running?.forgotten ? 0 : (running?.minutes ?? 0)} />
      <div className="flex flex-wrap justify-end gap-2">
        <Link
          to={`/s/${id}/work/${work.id}`}
          className="mr-auto inline-flex h-8 items-center underline underline-offset-2"
        >
          Open the work
        </Link>
        <Button onClick={onNext}>Leave it, next</Button>
        {running?.forgotten ? null : running ? (
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
