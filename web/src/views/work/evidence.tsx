import type { ComponentProps } from 'react';
import { Check } from '../../ui/field';

interface EvidenceProps {
  /** Names of the course's standards. */
  standards: readonly string[];
  /** What a form wants of each tick. */
  field: Omit<ComponentProps<typeof Check>, 'label' | 'value'>;
}

/** The standards that a piece of work is evidence of. */
function Evidence({ standards, field }: EvidenceProps) {
  return (
    <fieldset className="col-span-2 flex flex-wrap gap-x-5 gap-y-1.5">
      <legend className="mb-1 font-semibold text-[13.5px]">Evidence of</legend>
      {standards.map((name) => (
        <Check key={name} label={name} value={name} {...field} />
      ))}
    </fieldset>
  );
}

export { Evidence };
