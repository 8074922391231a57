import { useState } from 'react';
import { client, type Schemas, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { dateWords, localDate } from '../../lib/time';
import { Button, TextButton } from '../../ui/button';
import { TextField } from '../../ui/field';
import { useFormWrite } from '../../ui/use-form-write';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';
import { type Agreement, isOverdue } from './model';

type Form = Schemas['AgreementForm'];

const FREE_LINES = [1, 2, 3];

/** Writes, and reports it: to the student with the way to undo it, which is theirs alone. */
function useReport() {
  const { id, mayWrite } = useStudent();
  return async (asked: Parameters<typeof take<Schemas['Changed']>>[0], words: string) => {
    if (mayWrite) return writeChange(id, asked, words);
    await take(asked);
    await refreshStudent(id);
  };
}

/** What was agreed: who does what, by when. Whoever reads the sheet may write here, and there is room for more on paper. */
function Agreements({ agreements }: { agreements: readonly Agreement[] }) {
  const [adding, setAdding] = useState(false);
  return (
    <section className="mb-6 break-inside-avoid">
      <h2 className="flex items-baseline gap-3 border-line border-b pb-1 font-bold text-[16px] print:border-black print:text-[13px]">
        Agreements
        {!adding && (
          <TextButton onClick={() => setAdding(true)} className="no-print ml-auto font-normal">
            Write one down
          </TextButton>
        )}
      </h2>
      {agreements.length === 0 && !adding && (
        <p className="no-print py-2 text-[14px] text-ink-2">
          Nothing is agreed yet. What is written down here stands on the next sheet until it is kept.
        </p>
      )}
      <ul>
        {agreements.map((agreement) => (
          <AgreementLine key={agreement.id} agreement={agreement} />
        ))}
      </ul>
      {adding && <AgreementForm onDone={() => setAdding(false)} />}
      <div aria-hidden className="hidden print:block">
        {FREE_LINES.map((line) => (
          <p key={line} className="mt-6 flex gap-4 border-black border-b text-[10px]">
            <span className="flex-1" />
            <span className="w-32">who</span>
            <span className="w-24">by when</span>
          </p>
        ))}
      </div>
    </section>
  );
}

function AgreementLine({ agreement }: { agreement: Agreement }) {
  const { id, board, zone } = useStudent();
  const report = useReport();
  const kept = agreement.keptAt !== null;
  const today = localDate(new Date(board.now).getTime(), zone);
  const { write: keep, writing } = useWrite(() =>
    report(
      client.PUT('/api/students/{student}/agreements/{agreement}', {
        params: {
          path: { student: id, agreement: agreement.id },
          header: { 'Idempotency-Key': writeKey(), 'If-Match': String(agreement.number) },
        },
        body: { words: agreement.words, who: agreement.who, due: agreement.due, kept: !kept },
      }),
      kept ? 'It is open again' : 'It was kept',
    ),
  );
  const { write: remove } = useWrite(() =>
    report(
      client.DELETE('/api/students/{student}/agreements/{agreement}', {
        params: {
          path: { student: id, agreement: agreement.id },
          header: { 'Idempotency-Key': writeKey() },
        },
      }),
      'The agreement is gone',
    ),
  );
  return (
    <li
      data-agreement={agreement.id}
      className="flex flex-wrap items-baseline gap-x-4 gap-y-0.5 border-line-2 border-b py-1.5 text-[14px] print:py-1 print:text-[11.5px]"
    >
      <label className="flex min-w-0 flex-1 items-baseline gap-2.5 max-sm:basis-full">
        <input
          type="checkbox"
          checked={writing ? !kept : kept}
          disabled={writing}
          onChange={() => void keep()}
        />
        <span data-kept={kept} className="data-[kept=true]:text-ink-2 data-[kept=true]:line-through">
          {agreement.words}
        </span>
      </label>
      <span className="w-40 shrink-0">{agreement.who}</span>
      <span
        data-late={isOverdue(agreement, today)}
        className="w-28 shrink-0 text-ink-2 data-[late=true]:font-semibold data-[late=true]:text-loss"
      >
        {agreement.due ? `by ${dateWords(agreement.due)}` : 'no day'}
      </span>
      <TextButton onClick={() => void remove()} className="no-print text-ink-2">
        Remove<span className="sr-only">: {agreement.words}</span>
      </TextButton>
    </li>
  );
}

function AgreementForm({ onDone }: { onDone: () => void }) {
  const { id, board } = useStudent();
  const report = useReport();
  const [key] = useState(writeKey);
  const { field, submit, writing } = useFormWrite<Omit<Form, 'kept'> & { due: string }>(
    { words: '', who: board.student.name, due: '' },
    async (typed) => {
      await report(
        client.POST('/api/students/{student}/agreements', {
          params: { path: { student: id }, header: { 'Idempotency-Key': key } },
          body: { words: typed.words, who: typed.who, due: typed.due || null, kept: false },
        }),
        'It is agreed',
      );
      onDone();
    },
  );
  return (
    <form onSubmit={submit} className="no-print mt-3 flex flex-wrap items-end gap-3">
      <TextField
        label="What is agreed"
        required
        maxLength={300}
        autoFocus
        frame="min-w-56 flex-1"
        {...field('words')}
      />
      <TextField label="Who does it" required maxLength={120} frame="w-44" {...field('who')} />
      <TextField label="By when" type="date" frame="w-40" {...field('due')} />
      <span className="flex gap-2">
        <Button look="main" type="submit" disabled={writing}>
          Write it down
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </span>
    </form>
  );
}

export { Agreements };
