import { createContext, type KeyboardEvent, use, useState } from 'react';
import { client, once, Refused, take, type Work } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { noticeChange, noticeFault } from '../../ui/notice';

interface Scoring {
  /** What was typed, by work. */
  values: ReadonlyMap<number, string>;
  faults: ReadonlyMap<number, string>;
  set: (values: ReadonlyMap<number, string>) => void;
  /** The works in the order of the rows, from one on. */
  from: (work: number) => readonly number[];
  /** Goes to the score of a row above or below. */
  move: (work: number, step: number) => void;
}

/** Null while no scores are being written down. */
export const ScoringContext = createContext<Scoring | null>(null);

/** The score of one row as it is typed. Enter and the arrows go on down the column; a column that is pasted fills it. */
export function ScoreInput({ work, scoring }: { work: Work; scoring: Scoring }) {
  const { values, faults, set, move, from } = scoring;
  const onKeyDown = (event: KeyboardEvent) => {
    event.stopPropagation();
    const step = event.key === 'Enter' || event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    move(work.id, step);
  };
  return (
    <input
      aria-label={`Score of ${work.title}`}
      aria-invalid={faults.has(work.id)}
      title={faults.get(work.id)}
      placeholder={work.score.points ?? (work.score.possible === '0' ? '17/20' : `of ${work.score.possible}`)}
      value={values.get(work.id) ?? ''}
      onClick={(event) => event.stopPropagation()}
      onKeyDown={onKeyDown}
      onChange={(event) => set(new Map(values).set(work.id, event.target.value))}
      onPaste={(event) => {
        const lines = event.clipboardData.getData('text').trimEnd().split(/\r?\n/);
        if (lines.length < 2) return;
        event.preventDefault();
        const next = new Map(values);
        from(work.id)
          .slice(0, lines.length)
          .forEach((one, at) => {
            next.set(one, (lines[at] ?? '').trim());
          });
        set(next);
      }}
      className="h-6 w-full min-w-0 rounded-sm border border-line bg-paper px-1 text-right aria-[invalid=true]:border-loss"
    />
  );
}

/** The score of a row: a field while scores are being written down. */
export function useScoring(): Scoring | null {
  return use(ScoringContext);
}

interface ScoringBarProps {
  values: ReadonlyMap<number, string>;
  onFaults: (faults: ReadonlyMap<number, string>) => void;
  onDone: () => void;
}

/** What is written down, as one change. */
export function ScoringBar({ values, onFaults, onDone }: ScoringBarProps) {
  const { id } = useStudent();
  const [fault, setFault] = useState('');
  const scores = [...values]
    .filter(([, text]) => text.trim())
    .map(([work, text]) => ({ work, text, day: null }));
  const save = async () => {
    setFault('');
    try {
      const done = await once(`scores ${JSON.stringify(scores)}`, (key) =>
        take(
          client.POST('/api/students/{student}/works/scores', {
            params: { path: { student: id }, header: { 'Idempotency-Key': key } },
            body: { scores },
          }),
        ),
      );
      await refreshStudent(id);
      noticeChange(id, done.change, `Wrote down ${count(scores.length, 'score')}`);
      onDone();
    } catch (error) {
      if (!(error instanceof Refused && error.status === 422)) return noticeFault(error);
      onFaults(
        new Map(
          error.faults.flatMap((one) => {
            const at = Number(one.field.match(/\d+/)?.[0]);
            const work = scores[at]?.work;
            return work ? [[work, one.message] as const] : [];
          }),
        ),
      );
      setFault(error.faults.map((one) => one.message).join(' '));
    }
  };
  return (
    <section
      aria-label="Scores written down"
      className="no-print flex shrink-0 flex-wrap items-center gap-3 border-ink border-t bg-raised px-5 py-2 max-sm:px-3"
    >
      <Button look="main" disabled={scores.length === 0} onClick={() => void save()}>
        {scores.length === 0 ? 'Write down scores' : `Write down ${count(scores.length, 'score')}`}
      </Button>
      <p role="status" className={fault ? 'font-semibold text-[14px] text-loss' : 'text-[14px] text-ink-2'}>
        {fault || '18, 18/20, 85 %, A- or EX. Enter goes on down; a column that you copied can be pasted.'}
      </p>
      <Button look="quiet" className="ml-auto" onClick={onDone}>
        Leave it
      </Button>
    </section>
  );
}
