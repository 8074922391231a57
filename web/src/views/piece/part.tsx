import type { ReactNode } from 'react';
import type { PartId } from './model';

interface PartProps {
  title: string;
  /** By which it is jumped to; nothing for a part that stands before all others. */
  id?: PartId;
  aside?: ReactNode;
  children: ReactNode;
}

/** A part of the piece of work, under its own heading. */
function Part({ title, id, aside, children }: PartProps) {
  return (
    <section id={id && `part-${id}`} className="scroll-mt-14 border-line-2 border-b px-5 py-4">
      <h3 className="mb-2 flex items-baseline justify-between gap-3 font-bold text-[15px]">
        {title}
        {aside && <span className="font-normal text-[13.5px] text-ink-2">{aside}</span>}
      </h3>
      {children}
    </section>
  );
}

export { Part };
