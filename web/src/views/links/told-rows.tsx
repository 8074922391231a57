import type { LinkPreview } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { dateWords, near } from '../../lib/time';
import { count } from '../../lib/words';

const SHOWN = [
  ['NEW', 'New'],
  ['CHANGED', 'Changed'],
  ['CONFLICTING', 'Told otherwise here; what stands stays, and this is kept beside it'],
  ['GONE', 'Gone'],
  ['KEPT', 'No longer told of, but stays'],
  ['ASIDE', 'Left away by you'],
  ['SAME', 'Here already, and stays as it is'],
] as const;

interface ToldRowsProps {
  rows: LinkPreview['rows'];
  troubles: LinkPreview['troubles'];
}

/** What a source tells, by what it would do here, and what of it couldn't be read. */
function ToldRows({ rows, troubles }: ToldRowsProps) {
  return (
    <>
      {SHOWN.map(([status, title]) => (
        <Rows key={status} title={title} rows={rows.filter((row) => row.status === status)} />
      ))}
      {rows.length === 0 && <p className="text-[14px] text-ink-2">It tells of no work yet.</p>}
      {troubles.length > 0 && (
        <details open className="mt-3 text-[14px] text-loss">
          <summary className="cursor-pointer font-semibold">
            {count(troubles.length, 'thing')} couldn’t be read; the rest can
          </summary>
          <ul>
            {troubles.map((trouble) => (
              <li key={trouble.where + trouble.why}>
                {trouble.where}: {trouble.why}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function Rows({ title, rows }: { title: string; rows: LinkPreview['rows'] }) {
  const { zone } = useStudent();
  const now = useNow();
  if (rows.length === 0) return null;
  return (
    <section className="mb-3">
      <h3 className="border-line border-b pb-0.5 font-[680] text-[15px]">
        {title} <span className="font-normal text-ink-2">{rows.length}</span>
      </h3>
      <ul>
        {rows.map((row) => (
          <li key={row.key} className="flex justify-between gap-4 border-line-2 border-b py-0.5 text-[14px]">
            <span className="min-w-0">
              {row.title}
              {row.changes.length > 0 && <span className="block text-ink-2">{row.changes.join('; ')}</span>}
            </span>
            <span className="shrink-0 text-ink-2">
              {row.dueDay ? dateWords(row.dueDay) : row.due ? near(row.due, zone, now) : 'no due date'}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

export { ToldRows };
