import { useLocation } from 'react-router';
import { useAddress } from '../lib/address';
import { addDays, dateWords } from '../lib/time';
import { Button } from '../ui/button';

/** Says that what is shown is a day that is past, and leads to others and back. */
function AsItWasBar({ day }: { day: string }) {
  const { pathname } = useLocation();
  const [, setParams] = useAddress();
  const go = (next: string | null) =>
    setParams((params) => {
      if (next === null) params.delete('asof');
      else params.set('asof', next);
      return params;
    });
  const standing = pathname.includes('/standing');
  return (
    <section
      aria-label="A day that is past"
      className="flex shrink-0 flex-wrap items-center gap-x-3 gap-y-1.5 border-line border-b border-l-4 border-l-wait bg-wait-soft px-4 py-2"
    >
      <p role="status" className="min-w-0 flex-1 basis-80">
        <b className="font-bold">{standing ? 'Standing' : 'Work'} as it was</b> at the end of{' '}
        <b className="font-semibold">{dateWords(day)}</b>, as Navlo knew it then. Nothing can be changed here.
      </p>
      <div className="no-print flex flex-wrap items-center gap-2">
        <Button onClick={() => go(addDays(day, -1))}>Day before</Button>
        <input
          type="date"
          aria-label="Another day"
          value={day}
          onChange={(event) => event.target.value && go(event.target.value)}
          className="h-8 rounded border border-line bg-paper px-2"
        />
        <Button onClick={() => go(addDays(day, 1))}>Day after</Button>
        <Button look="main" onClick={() => go(null)}>
          Back to now
        </Button>
      </div>
    </section>
  );
}

export { AsItWasBar };
