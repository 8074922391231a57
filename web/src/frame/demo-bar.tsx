import { useQuery } from '@tanstack/react-query';
import { useContext } from 'react';
import { client, take } from '../api/client';
import { queryClient, sessionQuery } from '../api/queries';
import { useIsTold, useNow } from '../lib/now';
import { moment } from '../lib/time';
import { Button } from '../ui/button';
import { useWrite } from '../ui/use-write';
import { StudentContext } from './student';

const STEPS = [
  { words: '1 hour', minutes: 60 },
  { words: '1 day', minutes: 24 * 60 },
  { words: '1 week', minutes: 7 * 24 * 60 },
] as const;

/** The strip at the foot of a demo: a made-up college, and a clock that can be moved on. */
function DemoBar() {
  const student = useContext(StudentContext);
  const session = useQuery(sessionQuery);
  const zone = student?.zone ?? session.data?.person?.zone;
  const moves = session.data?.person?.role === 'STUDENT';
  const now = useNow();
  const told = useIsTold();
  const { write: move, writing: busy } = useWrite(async (minutes: number) => {
    await take(client.POST('/api/demo/clock', { body: { minutes } }));
    // No event tells of all students at once.
    await queryClient.invalidateQueries({ queryKey: ['household'] });
  });
  return (
    <section
      aria-label="Demo"
      className="no-print flex shrink-0 items-center gap-3 border-line border-t bg-line-2 px-5 py-1 text-[13px] text-ink-2 max-sm:px-3"
    >
      <span className="truncate max-md:hidden">Demo: a made-up college. Nothing here is real.</span>
      <span className="ml-auto whitespace-nowrap">
        {told && zone && `${moment(new Date(now).toISOString(), zone)} · `}
        {moves && <span className="max-sm:hidden">move the clock on by</span>}
        {told && !moves && 'its students move the clock'}
      </span>
      {moves &&
        STEPS.map((step) => (
          <Button
            key={step.minutes}
            disabled={busy}
            onClick={() => void move(step.minutes)}
            aria-label={`Move the clock on by ${step.words}`}
            className="h-6 px-2 text-[13px]"
          >
            {step.words}
          </Button>
        ))}
    </section>
  );
}

export { DemoBar };
