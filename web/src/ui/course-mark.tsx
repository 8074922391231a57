import clsx from 'clsx';

const COLOURS: Record<string, string> = {
  umber: 'var(--umber)',
  fern: 'var(--fern)',
  plum: 'var(--plum)',
  slate: 'var(--slate)',
  olive: 'var(--olive)',
  teal: 'var(--teal)',
  brick: 'var(--brick)',
  indigo: 'var(--indigo)',
};

const COURSE_COLOURS = Object.keys(COLOURS);

/** The upright stroke in a course's colour. It never stands without the course's name near by. */
function CourseMark({ colour, className }: { colour: string; className?: string }) {
  return (
    <span
      aria-hidden
      className={clsx('inline-block h-4 w-1 shrink-0', className)}
      style={{ background: COLOURS[colour] ?? 'var(--ink-3)' }}
    />
  );
}

export { COURSE_COLOURS, CourseMark };
