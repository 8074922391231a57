import clsx from 'clsx';
import { memo, useId, useState } from 'react';
import { useForm } from 'react-hook-form';
import type { ImportRow } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { asRead, dateWords, localDate, localTime, near } from '../../lib/time';
import { KIND_WORDS } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { Select, TextField } from '../../ui/field';
import { MEANING_WORDS, PAST_WORDS, type RowEdit, type RowGroup, STATE_WORDS } from './model';

type Correct = (row: string, change: Partial<RowEdit>) => void;

interface ImportRowsProps {
  group: RowGroup;
  /** Names of the courses that it tells of. */
  courses: readonly string[];
  correct: Correct;
}

const FEW = 8;
const MANY = 200;

/** The rows of one kind: what is new can be left out or put right, each by itself or all at once. */
function ImportRows({ group, courses, correct }: ImportRowsProps) {
  const folded = group.key === 'same' || group.key === 'kept';
  const [all, setAll] = useState(false);
  const rows = all ? group.rows : group.rows.slice(0, folded ? (group.rows.length > FEW ? 0 : FEW) : MANY);
  return (
    <section aria-label={group.title} className="mb-4">
      <h3 className="flex items-baseline gap-2 border-line border-b pb-1 font-bold">
        {group.title} <span className="font-normal">{group.rows.length}</span>
        {rows.length < group.rows.length && (
          <TextButton className="font-normal text-ink-2" onClick={() => setAll(true)}>
            {rows.length === 0 ? 'Show them' : `Show all ${group.rows.length}`}
          </TextButton>
        )}
      </h3>
      <ul>
        {rows.map((row) => (
          <Row
            key={row.key}
            row={row}
            open={group.open}
            severalCourses={courses.length > 1}
            courses={courses}
            correct={correct}
          />
        ))}
      </ul>
    </section>
  );
}

interface RowProps {
  row: ImportRow;
  open: boolean;
  severalCourses: boolean;
  courses: readonly string[];
  correct: Correct;
}

const Row = memo(function Row({ row, open, severalCourses, courses, correct }: RowProps) {
  const [correcting, setCorrecting] = useState(false);
  return (
    <li className="border-line-2 border-b py-1">
      <div className="grid grid-cols-[20px_minmax(0,1fr)_auto] items-baseline gap-x-2">
        {open && !row.past ? (
          <input
            type="checkbox"
            aria-label={`Take in ${row.title}`}
            checked={row.take}
            onChange={(event) => correct(row.key, { take: event.target.checked })}
            className="size-4 self-center accent-(--ink)"
          />
        ) : (
          <span />
        )}
        <span className="min-w-0">
          <span
            className={clsx(
              'font-semibold',
              (row.status === 'GONE' || !row.take) && 'text-ink-2 line-through',
            )}
          >
            {row.title}
          </span>
          <span className="text-[14px] text-ink-2">
            {severalCourses && row.course && ` · ${row.course}`}
            {row.kind && row.kind !== 'ASSIGNMENT' && ` · ${KIND_WORDS[row.kind].toLowerCase()}`}
            {row.category && ` · ${row.category}`}
            {row.notWork && ` · ${row.notWork}`}
          </span>
          {row.changes.length > 0 && (
            <span className="block text-[14px] text-ink-2">{asRead(row.changes.join('; '))}</span>
          )}
          {row.note && <span className="block text-[14px] text-loss">{row.note}</span>}
          {row.line && row.line !== row.title && (
            <span className="block truncate text-[13px] text-ink-2">“{row.line}”</span>
          )}
        </span>
        <span className="flex flex-wrap items-baseline justify-end gap-x-3 whitespace-nowrap text-[14px] max-sm:flex-col max-sm:items-end">
          <Score row={row} />
          <Due row={row} />
          {row.past && (
            <select
              aria-label={`How ${row.title} stands`}
              value={row.answer ?? 'ON_TIME'}
              onChange={(event) => correct(row.key, { past: event.target.value as RowEdit['past'] })}
              className="h-7 rounded border border-line bg-paper px-1 text-[13.5px]"
            >
              {PAST_WORDS.map(([answer, words]) => (
                <option key={answer} value={answer}>
                  {words}
                </option>
              ))}
            </select>
          )}
          {open && (
            <TextButton
              aria-expanded={correcting}
              aria-label={`Correct ${row.title}`}
              className="text-ink-2"
              onClick={() => setCorrecting(!correcting)}
            >
              Correct
            </TextButton>
          )}
        </span>
      </div>
      {correcting && (
        <Correction row={row} courses={courses} correct={correct} onDone={() => setCorrecting(false)} />
      )}
    </li>
  );
});

function Score({ row }: { row: ImportRow }) {
  const state = row.state ? STATE_WORDS[row.state] : '';
  return (
    <>
      {state && <span className="text-ink-2">{state}</span>}
      {row.score !== null ? (
        <span>
          {row.score} <span className="text-ink-2">{row.possible && `of ${row.possible}`}</span>
        </span>
      ) : (
        row.possible && <span className="text-ink-2">{row.possible} points</span>
      )}
    </>
  );
}

function Due({ row }: { row: ImportRow }) {
  const { zone, board } = useStudent();
  const now = useNow();
  if (!row.due) return <span className="text-ink-2">no due date</span>;
  const year = row.due.slice(0, 4);
  const other = year !== board.now.slice(0, 4) ? ` ${year}` : '';
  const words = row.dueDay ? dateWords(row.dueDay) : near(row.due, zone, now);
  return (
    <span className="text-ink-2">
      {row.endsAt && 'at '}
      {words}
      {other && <b className="font-semibold text-loss">{other}</b>}
    </span>
  );
}

interface CorrectionProps {
  row: ImportRow;
  courses: readonly string[];
  correct: Correct;
  onDone: () => void;
}

/** A row as it is typed anew; empty texts for nothing. */
function typedOf(row: ImportRow, zone: string) {
  return {
    title: row.title,
    course: row.course,
    kind: row.kind ?? ('ASSIGNMENT' as const),
    category: row.category ?? '',
    dueDay: row.dueDay ?? (row.due ? localDate(Date.parse(row.due), zone) : ''),
    dueTime: row.due && !row.dueDay ? localTime(Date.parse(row.due), zone) : '',
    possible: row.possible ?? '',
    score: row.score ?? '',
    state: '' as NonNullable<RowEdit['state']> | '',
  };
}

type Typed = ReturnType<typeof typedOf>;

/** Only what is otherwise than it was told. */
function corrections(told: Typed, typed: Typed): Partial<RowEdit> {
  const changed = <K extends keyof Typed>(name: K) => typed[name] !== told[name];
  const moved = changed('dueDay') || changed('dueTime');
  return {
    ...(changed('title') && typed.title ? { title: typed.title } : {}),
    ...(changed('course') && typed.course ? { course: typed.course } : {}),
    ...(changed('kind') ? { kind: typed.kind } : {}),
    ...(changed('category') ? { category: typed.category } : {}),
    ...(moved && typed.dueDay
      ? { dueDay: typed.dueDay, dueTime: typed.dueTime ? `${typed.dueTime}:00` : null }
      : {}),
    ...(changed('possible') ? { possible: typed.possible } : {}),
    ...(changed('score') ? { score: typed.score } : {}),
    ...(typed.state ? { state: typed.state } : {}),
  };
}

/** What can be put right of a row before it is taken. */
function Correction({ row, courses, correct, onDone }: CorrectionProps) {
  const { zone, board } = useStudent();
  const list = useId();
  const [first] = useState(() => typedOf(row, zone));
  const { register, handleSubmit } = useForm({ defaultValues: first });
  const save = (typed: Typed) => {
    correct(row.key, { take: true, ...corrections(first, typed) });
    onDone();
  };
  return (
    <form
      aria-label={`Correct ${row.title}`}
      onSubmit={(event) => void handleSubmit(save)(event)}
      className="mt-1 mb-2 ml-7 grid grid-cols-4 gap-2.5 border-line border-l-4 bg-raised px-3 py-2.5 max-sm:ml-0 max-sm:grid-cols-2"
    >
      <TextField frame="col-span-2" label="Title" maxLength={300} {...register('title')} />
      <TextField label="Course" list={list} maxLength={120} {...register('course')} />
      <datalist id={list}>
        {[...new Set([...courses, ...board.courses.map((course) => course.name)])].map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <Select label="Kind" {...register('kind')}>
        {Object.entries(KIND_WORDS).map(([kind, words]) => (
          <option key={kind} value={kind}>
            {words}
          </option>
        ))}
      </Select>
      <TextField label="Due on" type="date" {...register('dueDay')} />
      <TextField label="at" type="time" {...register('dueTime')} />
      <TextField label="Category" maxLength={120} {...register('category')} />
      <TextField label="Points" inputMode="decimal" {...register('possible')} />
      <TextField label="Score" {...register('score')} />
      <Select label="It is" {...register('state')}>
        <option value="">as told</option>
        {MEANING_WORDS.map(([meaning, words]) => (
          <option key={meaning} value={meaning}>
            {words}
          </option>
        ))}
      </Select>
      <div className="col-span-2 flex items-end justify-end gap-2">
        <Button look="quiet" onClick={onDone}>
          Leave it so
        </Button>
        <Button look="main" type="submit">
          Put it right
        </Button>
      </div>
    </form>
  );
}

export { ImportRows };
