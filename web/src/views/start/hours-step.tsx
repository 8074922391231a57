import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Schemas, writeKey } from '../../api/client';
import { hoursQuery } from '../../api/queries';
import { SetLink } from '../../frame/set-link';
import { useStudent } from '../../frame/student';
import { fieldTime } from '../../lib/time';
import { Button } from '../../ui/button';
import { Loading } from '../../ui/states';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';

const DAYS = ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY'] as const;
const SHORT = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** The hours of a usual week: as they are assumed, to be agreed to, or said otherwise. */
function HoursStep({ onDone }: { onDone: () => void }) {
  const { id, board } = useStudent();
  const stored = useQuery(hoursQuery(id));
  const [key] = useState(writeKey);
  const { write } = useWrite(async (sheet: Schemas['TimeSheet']) => {
    await writeChange(
      id,
      client.PUT('/api/students/{student}/hours', {
        params: { path: { student: id }, header: { 'Idempotency-Key': key } },
        body: sheet,
      }),
      'Set when there is time to work',
    );
    onDone();
  });
  if (!stored.data) return <Loading rows={3} />;
  const { sheet } = stored.data;
  const save = () => write(sheet);
  return (
    <div className="flex flex-col gap-3">
      <dl className="grid w-fit grid-cols-[auto_auto] gap-x-4 text-[14px]">
        {DAYS.map((day, place) => (
          <div key={day} className="contents">
            <dt className="text-ink-2">{SHORT[place]}</dt>
            <dd>
              {sheet.week
                .filter((span) => span.day === day)
                .map((span) => `${fieldTime(span.starts)}–${fieldTime(span.ends)}`)
                .join(', ') || 'none'}
            </dd>
          </div>
        ))}
      </dl>
      <span className="flex flex-wrap items-center gap-3">
        {board.freeHoursAssumed && (
          <Button look="main" className="h-9" onClick={() => void save()}>
            These are my free hours
          </Button>
        )}
        <SetLink set="hours">Change them</SetLink>
        <Button look="quiet" className="h-9" onClick={onDone}>
          {board.freeHoursAssumed ? 'Later' : 'That’s all'}
        </Button>
      </span>
    </div>
  );
}

export { HoursStep };
