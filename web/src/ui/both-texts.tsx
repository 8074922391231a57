import type { ReactNode } from 'react';
import type { SavedElsewhere } from '../api/client';
import { Button } from './button';

interface BothTextsProps {
  mine: string;
  there: SavedElsewhere;
  /** When the other was saved, in words. */
  savedAt: string;
  onMine: () => void;
  onTheirs: () => void;
}

/** Two states of one text, of which one is to stay. Nothing was written over yet. */
function BothTexts({ mine, there, savedAt, onMine, onTheirs }: BothTextsProps) {
  return (
    <section role="alert" className="border-loss border-l-4 bg-loss-soft px-3 py-2 text-[14px]">
      <p className="mb-2">
        <b className="font-bold">It was saved elsewhere in the meantime</b>, in another tab or on another
        device. Nothing was written over: choose which of the two stays.
      </p>
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <One title="Written here" text={mine}>
          <Button onClick={onMine}>Keep what is written here</Button>
        </One>
        <One title={`Saved elsewhere, ${savedAt}`} text={there.text}>
          <Button onClick={onTheirs}>Take the other</Button>
        </One>
      </div>
    </section>
  );
}

function One({ title, text, children }: { title: string; text: string; children: ReactNode }) {
  return (
    <div className="flex min-w-0 flex-col items-start gap-2">
      <h4 className="font-semibold">{title}</h4>
      <p className="max-h-48 w-full overflow-auto whitespace-pre-line break-words border border-line bg-paper px-2 py-1.5">
        {text || <span className="text-ink-2">(empty)</span>}
      </p>
      {children}
    </div>
  );
}

export { BothTexts };
