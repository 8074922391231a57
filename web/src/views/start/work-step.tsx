import { Button } from '../../ui/button';
import { WaysIn } from '../imports/ways-in';
import { LineAdd } from '../work/line-add';

/** What there is: read in, pasted, or typed line by line. */
function WorkStep({ onBusy, onDone }: { onBusy: (busy: boolean) => void; onDone: () => void }) {
  return (
    <div className="flex flex-col gap-5">
      <WaysIn onBusy={onBusy}>
        <p className="max-w-[68ch] text-ink-2">
          Calendars (.ics), tables (.csv, or cells that you copied), a gradebook’s bundle, a course outline.
          You see first what it would do, and what of it was due before now is asked about once.
        </p>
      </WaysIn>
      <section aria-label="Type it in">
        <h3 className="font-[680] text-[15px]">Or type it, one line a piece of work</h3>
        <LineAdd />
      </section>
      <Button look="quiet" className="h-9 w-fit" onClick={onDone}>
        That’s all
      </Button>
    </div>
  );
}

export { WorkStep };
