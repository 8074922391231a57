import clsx from 'clsx';
import { ExternalLink } from 'lucide-react';
import type { Work } from '../api/client';
import { askOnReturn } from '../lib/ask-on-return';
import { useStudent } from './student';

/** The address that leads to where a piece of work is done. */
function placeOf(student: number, work: number): string {
  return `/api/students/${student}/works/${work}/place`;
}

/** Leads to the place where a piece of work is done, in a tab of its own; nothing where that isn't known. */
function OpenAtSchool({ work, className, quiet }: { work: Work; className?: string; quiet?: boolean }) {
  const { id, mayWrite } = useStudent();
  if (!work.hasPlace) return null;
  return (
    <a
      href={placeOf(id, work.id)}
      target="_blank"
      rel="noreferrer"
      onClick={() => mayWrite && askOnReturn(id)}
      className={clsx(
        'no-print inline-flex w-fit items-center gap-1.5 whitespace-nowrap',
        quiet
          ? 'text-[13.5px] text-ink-2 underline underline-offset-2 hover:text-ink'
          : 'h-8 rounded border border-line bg-paper px-2.5 font-semibold text-[14px] hover:border-ink-3',
        className,
      )}
    >
      Open it at the school
      <ExternalLink size={14} aria-hidden />
      <span className="sr-only">, in a new tab: {work.title}</span>
    </a>
  );
}

export { OpenAtSchool, placeOf };
