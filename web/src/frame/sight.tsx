import type { Schemas } from '../api/client';
import { Check } from '../ui/field';

type Sight = Schemas['Sight'];

const ALL: Sight = { words: true, messages: true };

interface SightChecksProps {
  /** Whose sight it is, for who hears the page. */
  of: string;
  sees: Sight;
  onChange: (sees: Sight) => void;
}

/** What a guardian sees beside work and grades. */
function SightChecks({ of, sees, onChange }: SightChecksProps) {
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <legend className="sr-only">What {of} sees beside work and grades</legend>
      <span aria-hidden className="text-[13.5px] text-ink-2">
        Work and grades, and
      </span>
      <Check
        label="words and files"
        checked={sees.words}
        onChange={(event) => onChange({ ...sees, words: event.target.checked })}
      />
      <Check
        label="messages"
        checked={sees.messages}
        onChange={(event) => onChange({ ...sees, messages: event.target.checked })}
      />
    </fieldset>
  );
}

function isAll({ words, messages }: Sight): boolean {
  return words && messages;
}

/** In words, for what can't be changed any more: "work, grades and messages". */
function sightWords({ words, messages }: Sight): string {
  const more = [words && 'words and files', messages && 'messages'].filter(Boolean);
  return ['work and grades', ...more].join(', ');
}

export { ALL, isAll, type Sight, SightChecks, sightWords };
