import type { ReactNode } from 'react';
import { Refused } from '../api/client';
import { Button } from './button';

interface EmptyProps {
  title: string;
  /** Whether it is all that the view has. */
  alone?: boolean;
  children?: ReactNode;
}

/** What stands where a list would, when there is nothing in it: why, and what can be done. */
function Empty({ title, alone = false, children }: EmptyProps) {
  const Title = alone ? 'h1' : 'p';
  return (
    <div className="mx-auto flex max-w-[46ch] flex-col items-center gap-3 px-6 py-16 text-center">
      <svg width="108" height="24" viewBox="0 0 108 24" aria-hidden>
        <path d="M4 16 H100" stroke="var(--line)" strokeWidth="2" strokeDasharray="2 5" />
        {[36, 64, 92].map((x) => (
          <path key={x} d={`M${x} 11 v10`} stroke="var(--line)" strokeWidth="2" />
        ))}
      </svg>
      <Title className="font-bold text-[18px]">{title}</Title>
      <div className="text-ink-2">{children}</div>
    </div>
  );
}

/** What could not be read, in plain words, with the way to try again. */
function Failed({ error, onRetry }: { error: unknown; onRetry: () => void }) {
  const words = error instanceof Refused ? error : null;
  return (
    <Empty title={words?.title ?? 'This can’t be shown just now'}>
      <p className="mb-4">{words?.faults[0]?.message ?? 'Nothing was lost. Try again in a moment.'}</p>
      <Button onClick={onRetry}>Try again</Button>
    </Empty>
  );
}

/** Rows that hold the place of what is on its way. */
function Loading({ rows = 12 }: { rows?: number }) {
  return (
    <div role="status" aria-label="Loading" className="flex flex-col">
      {Array.from({ length: rows }, (_, row) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the rows are all alike and never move
        <div key={row} className="flex h-[33px] items-center gap-6 border-line-2 border-b px-5">
          <span className="h-2 w-12 bg-line-2" />
          <span className="h-2 bg-line-2" style={{ width: `${30 + ((row * 37) % 34)}%` }} />
        </div>
      ))}
    </div>
  );
}

/** What a student doesn't show to who reads. */
function NotShown({ name, what }: { name: string; what: string }) {
  return (
    <Empty alone title={`${name} doesn’t show you ${what}`}>
      You see their work and grades. They can show you more: under their name, “Who may see your work”.
    </Empty>
  );
}

export { Empty, Failed, Loading, NotShown };
