import clsx from 'clsx';
import { memo, useId, useState } from 'react';
import type { ImportRow } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { dateWords, localDate, localTime, near } from '../../lib/time';
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
            <span className="block text-[14px] text-ink-2">{row.changes.join('; ')}</span>
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

/** What can be put right of a row before it is taken. */
function Correction({ row, courses, correct, onDone }: CorrectionProps) {
  const { zone, board } = useStudent();
  const list = useId();
  const [form, setForm] = useState({
    title: row.title,
    course: row.course,
    kind: row.kind ?? 'ASSIGNMENT',
    category: row.category ?? '',
    dueDay: row.dueDay ?? (row.due ? localDate(Date.parse(row.due), zone) : ''),
    dueTime: row.due && !row.dueDay ? localTime(Date.parse(row.due), zone) : '',
    possible: row.possible ?? '',
    score: row.score ?? '',
    state: '' as NonNullable<RowEdit['state']> | '',
  });
  const set = (part: Partial<typeof form>) => setForm({ ...form, ...part });
  const save = () => {
    const moved =
      form.dueDay !== (row.dueDay ?? (row.due ? localDate(Date.parse(row.due), zone) : '')) ||
      form.dueTime !== (row.due && !row.dueDay ? localTime(Date.parse(row.due), zone) : '');
    correct(row.key, {
      take: true,
      ...(form.title !== row.title && form.title ? { title: form.title } : {}),
      ...(form.course !== row.course && form.course ? { course: form.course } : {}),
      ...(form.kind !== row.kind ? { kind: form.kind } : {}),
      ...(form.category !== (row.category ?? '') ? { category: form.category } : {}),
      ...(moved && form.dueDay
        ? { dueDay: form.dueDay, dueTime: form.dueTime ? `${form.dueTime}:00` : null }
        : {}),
      ...(form.possible !== (row.possible ?? '') ? { possible: form.possible } : {}),
      ...(form.score !== (row.score ?? '') ? { score: form.score } : {}),
      ...(form.state ? { state: form.state } : {}),
    });
    onDone();
  };
  return (
    <form
      aria-label={`Correct ${row.title}`}
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
      className="mt-1 mb-2 ml-7 grid grid-cols-4 gap-2.5 border-line border-l-4 bg-raised px-3 py-2.5 max-sm:ml-0 max-sm:grid-cols-2"
    >
      <TextField
        frame="col-span-2"
        label="Title"
        value={form.title}
        maxLength={300}
        onChange={(event) => set({ title: event.target.value })}
      />
      <TextField
        label="Course"
        list={list}
        value={form.course}
        maxLength={120}
        onChange={(event) => set({ course: event.target.value })}
      />
      <datalist id={list}>
        {[...new Set([...courses, ...board.courses.map((course) => course.name)])].map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <Select
        label="Kind"
        value={form.kind}
        onChange={(event) => set({ kind: event.target.value as typeof form.kind })}
      >
        {Object.entries(KIND_WORDS).map(([kind, words]) => (
          <option key={kind} value={kind}>
            {words}
          </option>
        ))}
      </Select>
      <TextField
        label="Due on"
        type="date"
        value={form.dueDay}
        onChange={(event) => set({ dueDay: event.target.value })}
      />
      <TextField
        label="at"
        type="time"
        value={form.dueTime}
        onChange={(event) => set({ dueTime: event.target.value })}
      />
      <TextField
        label="Category"
        value={form.category}
        maxLength={120}
        onChange={(event) => set({ category: event.target.value })}
      />
      <TextField
        label="Points"
        inputMode="decimal"
        value={form.possible}
        onChange={(event) => set({ possible: event.target.value })}
      />
      <TextField label="Score" value={form.score} onChange={(event) => set({ score: event.target.value })} />
      <Select
        label="It is"
        value={form.state}
        onChange={(event) => set({ state: event.target.value as typeof form.state })}
      >
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
