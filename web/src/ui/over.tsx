import { useEffect, useRef } from 'react';
import type { Over } from './added';
import { Choice } from './choice';

const WORDS: readonly (readonly [Over, string])[] = [
  ['AT_ITS_DUE', 'handed in on time'],
  ['LATE', 'handed in late'],
  ['NOT_HANDED_IN', 'not handed in'],
];

interface OverChoiceProps {
  /** How much of what is added was due before now. */
  many: number;
  /** How much is added. */
  of: number;
  value: Over | null;
  onChange: (over: Over) => void;
  /** How often one wanted to go on without saying it: it is gone to then. */
  unsaid: number;
}

/** How work stands that was due before it was written down: neither missing nor done in silence. */
function OverChoice({ many, of, value, onChange, unsaid }: OverChoiceProps) {
  const box = useRef<HTMLDivElement>(null);
  const before = useRef(unsaid);
  useEffect(() => {
    if (unsaid > before.current) box.current?.querySelector('input')?.focus();
    before.current = unsaid;
  }, [unsaid]);
  return (
    <div ref={box}>
      <Choice
        label={overWords(many, of)}
        value={value}
        options={WORDS}
        onChange={onChange}
        fault={unsaid > 0 && value === null ? 'Choose one, then add.' : undefined}
      />
    </div>
  );
}

/** "It was due before now. It was", before how. */
function overWords(many: number, of: number): string {
  if (of <= 1) return 'It was due before now. It was';
  if (many === 1) return 'One of them was due before now. It was';
  return `${many === of ? `All ${of}` : `${many} of them`} were due before now. They were`;
}

export { OverChoice };
