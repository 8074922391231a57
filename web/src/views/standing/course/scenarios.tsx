import { useQueries, useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { type Course, client, writeKey } from '../../../api/client';
import { gradeQuery, scenariosQuery } from '../../../api/queries';
import { useStudent } from '../../../frame/student';
import { figureWords, READING_WORDS, type Reading } from '../../../lib/readings';
import { Button, TextButton } from '../../../ui/button';
import { useWrite } from '../../../ui/use-write';
import { writeChange } from '../../../ui/write-change';
import { type Added, type Grade, isNothing, readingIn, type WhatIf } from './model';

const COMPARED: readonly Reading[] = ['SO_FAR', 'EXPECTED', 'CEILING'];

interface ScenariosProps {
  course: Course;
  real: Grade;
  whatIf: WhatIf;
  onWhatIf: (whatIf: WhatIf) => void;
}

/** What was thought through, kept under names and side by side with how it is. */
function Scenarios({ course, real, whatIf, onWhatIf }: ScenariosProps) {
  const { id, mayWrite } = useStudent();
  const kept = useQuery(scenariosQuery(id, course.id));
  const grades = useQueries({
    queries: (kept.data ?? []).map((one) => ({
      ...gradeQuery(id, course.id, JSON.stringify(one.whatIf)),
      enabled: mayWrite,
    })),
  });
  const { write: throwAway } = useWrite(([scenario, name]: [number, string]) =>
    writeChange(
      id,
      client.DELETE('/api/students/{student}/courses/{course}/grade/scenarios/{scenario}', {
        params: {
          path: { student: id, course: course.id, scenario },
          header: { 'Idempotency-Key': writeKey() },
        },
      }),
      `Threw away ${name}`,
    ),
  );
  if (!mayWrite) return null;
  return (
    <section aria-labelledby="what-if" className="no-print mb-6">
      <h2 id="what-if" className="font-[680] text-[16px]">
        What if
      </h2>
      <p className="mt-0.5 text-[14px] text-ink-2">
        Type another score beside any piece of work, or excuse it. Every reading follows; nothing is saved.
      </p>
      <Add course={course} whatIf={whatIf} onWhatIf={onWhatIf} />
      {!isNothing(whatIf) && <Keep course={course} whatIf={whatIf} />}
      {kept.data && kept.data.length > 0 && (
        <table className="mt-3 w-full text-[14px]">
          <thead className="text-[13px] text-ink-2">
            <tr>
              <th className="py-1 text-left font-normal">Kept</th>
              {COMPARED.map((reading) => (
                <th key={reading} className="py-1 text-right font-normal">
                  {READING_WORDS[reading]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <Row name="As it is" grade={real} course={course} />
            {kept.data.map((one, place) => (
              <Row
                key={one.id}
                name={one.name}
                grade={grades[place]?.data}
                course={course}
                onShow={() => onWhatIf(one.whatIf)}
                onThrowAway={() => throwAway([one.id, one.name])}
              />
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

interface RowProps {
  name: string;
  grade: Grade | undefined;
  course: Course;
  onShow?: () => void;
  onThrowAway?: () => void;
}

function Row({ name, grade, course, onShow, onThrowAway }: RowProps) {
  return (
    <tr className="border-line-2 border-t align-top">
      <th scope="row" className="py-1 pr-2 text-left font-[680]">
        {name}
        {onShow && (
          <span className="flex gap-3 font-normal">
            <TextButton className="text-[13px] text-ink-2" onClick={onShow} aria-label={`Show ${name}`}>
              Show
            </TextButton>
            <TextButton
              className="text-[13px] text-ink-2"
              onClick={onThrowAway}
              aria-label={`Throw ${name} away`}
            >
              Throw away
            </TextButton>
          </span>
        )}
      </th>
      {COMPARED.map((reading) => (
        <td key={reading} className="py-1 text-right">
          {grade ? figureWords(readingIn(grade, reading)?.figure ?? null, course.standing) : '…'}
        </td>
      ))}
    </tr>
  );
}

function Keep({ course, whatIf }: { course: Course; whatIf: WhatIf }) {
  const { id } = useStudent();
  const [name, setName] = useState('');
  const { write: keep, fault: refused } = useWrite(async () => {
    await writeChange(
      id,
      client.POST('/api/students/{student}/courses/{course}/grade/scenarios', {
        params: { path: { student: id, course: course.id }, header: { 'Idempotency-Key': writeKey() } },
        body: { name, whatIf },
      }),
      `Kept ${name}`,
    );
    setName('');
  }, true);
  const fault = refused?.words ?? '';
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
      className="mt-2"
    >
      <div className="flex gap-2">
        <input
          aria-label="Name to keep it under"
          placeholder="Keep it under a name"
          required
          maxLength={80}
          value={name}
          onChange={(event) => setName(event.target.value)}
          className="h-8 min-w-0 flex-1 rounded border border-line bg-paper px-2 text-[14px]"
        />
        <Button type="submit">Keep</Button>
      </div>
      {fault && (
        <p role="alert" className="mt-1 font-semibold text-[13.5px] text-loss">
          {fault}
        </p>
      )}
    </form>
  );
}

/** A piece of work that isn't there, yet. */
function Add({ course, whatIf, onWhatIf }: Omit<ScenariosProps, 'real'>) {
  const { id } = useStudent();
  const grade = useQuery(gradeQuery(id, course.id)).data;
  const parts = grade?.readings[0]?.parts.filter((part) => part.name !== '') ?? [];
  const [open, setOpen] = useState(false);
  const [form, setForm] = useState({ name: '', part: '', possible: '', points: '' });
  const add = (event: FormEvent) => {
    event.preventDefault();
    const part = form.part || parts[0]?.id || '';
    const byStandards = course.standing.kind === 'STANDARDS';
    const added: Added = {
      name: form.name,
      category: byStandards || part === '' ? null : part,
      standards: byStandards ? [part] : [],
      possible: form.possible.replace(',', '.'),
      points: form.points.replace(',', '.'),
    };
    onWhatIf({ ...whatIf, added: [...whatIf.added, added] });
    setForm({ name: '', part: '', possible: '', points: '' });
    setOpen(false);
  };
  if (!open)
    return <TextButton onClick={() => setOpen(true)}>Add a piece of work that isn’t there</TextButton>;
  const box = 'h-8 min-w-0 rounded border border-line bg-paper px-2 text-[14px]';
  const number = '\\d{1,7}([.,]\\d{1,4})?';
  return (
    <form onSubmit={add} className="mt-2 grid grid-cols-2 gap-2">
      <input
        aria-label="Its name"
        placeholder="Its name"
        required
        value={form.name}
        onChange={(event) => setForm({ ...form, name: event.target.value })}
        className={`${box} col-span-2`}
      />
      {parts.length > 0 && (
        <select
          aria-label="Where it counts"
          value={form.part}
          onChange={(event) => setForm({ ...form, part: event.target.value })}
          className={`${box} col-span-2`}
        >
          {parts.map((part) => (
            <option key={part.id} value={part.id}>
              {part.name}
            </option>
          ))}
        </select>
      )}
      <input
        aria-label="Points it would bring"
        placeholder="Points"
        required
        pattern={number}
        value={form.points}
        onChange={(event) => setForm({ ...form, points: event.target.value })}
        className={box}
      />
      <input
        aria-label="Points possible"
        placeholder="of possible"
        required
        pattern={number}
        value={form.possible}
        onChange={(event) => setForm({ ...form, possible: event.target.value })}
        className={box}
      />
      <Button look="quiet" onClick={() => setOpen(false)}>
        Leave it
      </Button>
      <Button type="submit">Add it</Button>
    </form>
  );
}

export { Scenarios };
