import clsx from 'clsx';
import type { Detail } from '../../api/client';
import { useStudent } from '../../frame/student';
import { asRead, day, moment } from '../../lib/time';
import { Part } from './part';

const TICK: Record<Detail['life'][number]['kind'], string> = {
  BEGUN: 'bg-yours',
  HANDED_IN: 'bg-wait',
  TAKEN_BACK: 'bg-yours',
  SENT_BACK: 'bg-loss',
  RETURNED: 'bg-done',
  SCORED: 'bg-done',
  SAID: 'bg-ink-3',
  OTHER: 'bg-ink-3',
};

/** What happened so far, in order. The words of others are quoted, and it is always said who spoke. */
function Life({ detail }: { detail: Detail }) {
  const { zone } = useStudent();
  if (detail.life.length === 0) return null;
  return (
    <Part title="History" id="life">
      <ol className="border-line border-l-2">
        {detail.life.map((line) => (
          <li key={line.id} className="relative pb-3 pl-4 last:pb-0">
            <span
              aria-hidden
              className={clsx('absolute top-[9px] left-[-2px] h-[3px] w-[11px]', TICK[line.kind])}
            />
            <p className="text-[14px]">
              <span className="font-semibold">{asRead(line.words)}</span>
              <span className="text-ink-2">
                {' '}
                · {moment(line.at, zone)} · {line.name}
                {line.learntAt && `, told to Navlo ${day(line.learntAt, zone)}`}
              </span>
            </p>
            {line.body && (
              <blockquote className="mt-0.5 whitespace-pre-line border-line-2 border-l-2 pl-2.5">
                {line.body}
              </blockquote>
            )}
          </li>
        ))}
      </ol>
    </Part>
  );
}

export { Life };
