import { useMutation } from '@tanstack/react-query';
import clsx from 'clsx';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { client, type ImportPreview, type ImportRow, Refused, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { dateWords, near } from '../../lib/time';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { Check, Select, TextField } from '../../ui/field';
import { noticeChange, noticeFault } from '../../ui/notice';
import { applyWords, optionsOf, rowsOf, STATUS_WORDS, STATUSES } from './model';

interface PreviewProps {
  first: ImportPreview;
  onDone: () => void;
}

/** What reading the calendar in would do, row by row; nothing is done until it is confirmed. */
function Preview({ first, onDone }: PreviewProps) {
  const { id } = useStudent();
  const navigate = useNavigate();
  const [preview, setPreview] = useState(first);
  const [options, setOptions] = useState(() => optionsOf(first));
  const [key] = useState(writeKey);
  const again = useMutation({
    mutationFn: (next: typeof options) =>
      take(
        client.POST('/api/students/{student}/imports/{file}/preview', {
          params: { path: { student: id, file: first.id } },
          body: next,
        }),
      ),
    onSuccess: setPreview,
    onError: (error) => !(error instanceof Refused && error.status === 422) && noticeFault(error),
  });
  const choose = (change: Partial<typeof options>) => {
    const next = { ...options, ...change };
    setOptions(next);
    again.mutate(next);
  };
  const apply = useMutation({
    mutationFn: () =>
      take(
        client.POST('/api/students/{student}/imports/{file}/application', {
          params: { path: { student: id, file: first.id }, header: { 'Idempotency-Key': key } },
          body: { options, fingerprint: preview.fingerprint },
        }),
      ),
    onSuccess: async (done) => {
      await refreshStudent(id);
      noticeChange(
        id,
        done.change,
        `Read in: ${done.added} new, ${done.changed} changed, ${done.removed} gone`,
      );
      onDone();
      void navigate(`/s/${id}/work`);
    },
    onError: (error) => {
      noticeFault(error);
      if (error instanceof Refused && error.status === 412) again.mutate(options);
    },
  });
  const words = applyWords(preview.rows);
  const fault = again.error instanceof Refused ? again.error : null;
  return (
    <>
      <h2 className="font-bold text-[20px] tracking-[-0.01em]">{preview.calendarName}</h2>
      <p className="mb-4 text-ink-2">
        {preview.known ? 'Read in before; here is what differs now.' : 'A new calendar.'} Nothing is changed
        yet.
      </p>
      <Target preview={preview} options={options} choose={choose} fault={fault} />
      {STATUSES.map((status) => (
        <Rows
          key={status}
          title={STATUS_WORDS[status]}
          rows={rowsOf(preview.rows, status)}
          onLeave={(row, leave) =>
            choose({
              leave: leave ? [...options.leave, row.key] : options.leave.filter((one) => one !== row.key),
            })
          }
        />
      ))}
      <LeftAside preview={preview} />
      <div className="sticky bottom-0 mt-5 flex items-center gap-3 border-line border-t bg-paper py-3">
        <Button
          look="main"
          className="h-9"
          disabled={!words || again.isPending || apply.isPending || fault !== null}
          onClick={() => apply.mutate()}
        >
          {words || 'Nothing to apply'}
        </Button>
        <Button look="quiet" onClick={onDone}>
          Leave it
        </Button>
        <span className="text-[14px] text-ink-2">All of it or nothing; you can undo it afterwards.</span>
      </div>
    </>
  );
}

interface TargetProps {
  preview: ImportPreview;
  options: ReturnType<typeof optionsOf>;
  choose: (change: Partial<ReturnType<typeof optionsOf>>) => void;
  fault: Refused | null;
}

/** Into which course new work goes. */
function Target({ preview, options, choose, fault }: TargetProps) {
  const { board } = useStudent();
  if (!preview.rows.some((row) => row.status === 'NEW' || row.status === 'ASIDE')) return null;
  return (
    <div className="mb-5 flex flex-wrap items-end gap-4 border-line border-y py-4">
      <Select
        label="New work goes into"
        frame="w-64"
        value={options.courseId ?? 0}
        onChange={(event) => {
          const course = Number(event.target.value);
          choose(
            course
              ? { courseId: course, newCourse: null }
              : { courseId: null, newCourse: preview.calendarName.slice(0, 40) },
          );
        }}
      >
        <option value={0}>A new course</option>
        {board.courses.map((course) => (
          <option key={course.id} value={course.id}>
            {course.name}
          </option>
        ))}
      </Select>
      {options.courseId === null && (
        <TextField
          label="Its name"
          frame="w-64"
          maxLength={40}
          value={options.newCourse ?? ''}
          onChange={(event) => choose({ newCourse: event.target.value })}
          fault={fault?.of('newCourse')}
        />
      )}
      {preview.categories.length > 0 && (
        <div className="pb-2">
          <Check
            label={`A course for each category: ${preview.categories.slice(0, 4).join(', ')}${preview.categories.length > 4 ? ' …' : ''}`}
            checked={options.byCategory}
            onChange={(event) => choose({ byCategory: event.target.checked })}
          />
        </div>
      )}
    </div>
  );
}

interface RowsProps {
  title: string;
  rows: ImportRow[];
  onLeave: (row: ImportRow, leave: boolean) => void;
}

const FEW = 8;

function Rows({ title, rows, onLeave }: RowsProps) {
  const { zone } = useStudent();
  const now = useNow();
  const same = rows[0]?.status === 'SAME' || rows[0]?.status === 'KEPT';
  const [all, setAll] = useState(false);
  if (rows.length === 0) return null;
  const shown = all || !same || rows.length <= FEW ? rows : [];
  return (
    <section aria-label={title} className="mb-4">
      <h3 className="flex items-baseline gap-2 border-line border-b pb-1.5 font-bold">
        {title} <span className="font-normal">{rows.length}</span>
        {shown.length < rows.length && (
          <button
            type="button"
            onClick={() => setAll(true)}
            className="font-normal text-[14px] text-ink-2 underline"
          >
            Show them
          </button>
        )}
      </h3>
      <ul>
        {shown.map((row) => (
          <li
            key={row.key}
            className="grid grid-cols-[24px_1fr_auto] items-baseline gap-x-2 border-line-2 border-b py-1.5"
          >
            {row.status === 'NEW' || row.status === 'ASIDE' ? (
              <input
                type="checkbox"
                aria-label={`Take in ${row.title}`}
                checked={row.status === 'NEW'}
                onChange={(event) => onLeave(row, !event.target.checked)}
                className="size-4 self-center accent-(--ink)"
              />
            ) : (
              <span />
            )}
            <span className="min-w-0">
              <span className={clsx('font-semibold', row.status === 'GONE' && 'line-through')}>
                {row.title}
              </span>
              <span className="text-ink-2">
                {' '}
                · {row.courseName}
                {row.newCourse && ', a new course'}
              </span>
              {row.changes.length > 0 && (
                <span className="block text-[14px] text-ink-2">{row.changes.join('; ')}</span>
              )}
              {row.note && <span className="block text-[14px] text-loss">{row.note}</span>}
            </span>
            <span className="whitespace-nowrap text-[14px] text-ink-2">
              {row.dueDay ? dateWords(row.dueDay) : row.due ? near(row.due, zone, now) : 'no due date'}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function LeftAside({ preview }: { preview: ImportPreview }) {
  if (preview.leftAside.length === 0) return null;
  return (
    <details className="text-[14px]">
      <summary className="text-ink-2">
        {count(preview.leftAside.length, 'entry', 'entries')} of the file left aside: classes that repeat, and
        what can’t be read
      </summary>
      <ul className="mt-1">
        {preview.leftAside.map((aside, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: entries may have the same title, and never move
          <li key={index}>
            {aside.title} <span className="text-ink-2">{aside.why}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

export { Preview };
