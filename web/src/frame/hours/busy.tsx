import { type FormEvent, useRef, useState } from 'react';
import { client, type Schemas, take, upload, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useNow } from '../../lib/now';
import { near, timeWords } from '../../lib/time';
import { count } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { TextField } from '../../ui/field';
import { noticeChange } from '../../ui/notice';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';
import { useStudent } from '../student';

type Calendar = Schemas['BusyCalendarView'];

interface BusyProps {
  calendars: readonly Calendar[];
  example: string | null;
}

/** Calendars in whose times no work is planned. Each is added and taken away at once. */
function Busy({ calendars, example }: BusyProps) {
  return (
    <>
      <p className="mb-2 text-[14px] text-ink-2">
        No work is planned into the times of these calendars: training, a job, the family’s. A feed is looked
        at every hour.
      </p>
      <ul>
        {calendars.map((calendar) => (
          <Line key={calendar.id} calendar={calendar} />
        ))}
      </ul>
      <Add example={example} />
    </>
  );
}

function Line({ calendar }: { calendar: Calendar }) {
  const { id, zone } = useStudent();
  const now = useNow();
  const path = { student: id, calendar: calendar.id };
  const { write: ask, writing: asking } = useWrite(() =>
    take(
      client.POST('/api/students/{student}/busy-calendars/{calendar}/asking', { params: { path } }),
    ).finally(() => refreshStudent(id)),
  );
  const { write: remove } = useWrite(() =>
    writeChange(
      id,
      client.DELETE('/api/students/{student}/busy-calendars/{calendar}', {
        params: { path, header: { 'Idempotency-Key': writeKey() } },
      }),
      `Removed ${calendar.name}`,
    ),
  );
  return (
    <li className="border-line-2 border-t py-2">
      <span className="flex items-center gap-2">
        <b className="min-w-0 flex-1 truncate font-[680]">{calendar.name}</b>
        {calendar.host && (
          <Button look="quiet" disabled={asking} onClick={() => void ask()}>
            {asking ? 'Asking …' : 'Ask now'}
          </Button>
        )}
        <Button look="quiet" onClick={() => void remove()} aria-label={`Remove ${calendar.name}`}>
          Remove
        </Button>
      </span>
      <span className="block text-[13.5px] text-ink-2">
        {calendar.host ? `From ${calendar.host}` : 'From a file'}
        {calendar.toldAt && `, ${near(calendar.toldAt, zone, now)}`}; {count(calendar.times, 'time')} to come
        {calendar.next.length > 0 &&
          `: ${calendar.next.map((time) => `${time.title}, ${near(time.start, zone, now)} to ${timeWords(time.end, zone)}`).join('; ')}`}
      </span>
      {calendar.fault && <p className="text-[13.5px] text-loss">{calendar.fault}</p>}
    </li>
  );
}

function Add({ example }: { example: string | null }) {
  const { id } = useStudent();
  const [address, setAddress] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const {
    write: doing,
    writing: busy,
    fault,
  } = useWrite(async (adding: () => Promise<void>) => {
    await adding();
    setAddress('');
  }, true);
  const addFeed = (event: FormEvent) => {
    event.preventDefault();
    void doing(() =>
      writeChange(
        id,
        client.POST('/api/students/{student}/busy-calendars/feed', {
          params: { path: { student: id }, header: { 'Idempotency-Key': writeKey() } },
          body: { address },
        }),
        'Added a busy calendar',
      ),
    );
  };
  const addFile = (chosen: File | undefined) =>
    chosen &&
    void doing(async () => {
      const url = `/api/students/${id}/busy-calendars/file`;
      const done = await upload<Schemas['Changed']>(
        url,
        chosen,
        () => {},
        new AbortController().signal,
        writeKey(),
      );
      await refreshStudent(id);
      noticeChange(id, done.change, 'Added a busy calendar');
    });
  return (
    <form onSubmit={addFeed} className="mt-2 border-line border-t pt-3">
      <div className="flex items-start gap-2 max-sm:flex-col">
        <TextField
          label="Address of a calendar feed"
          placeholder="https://…  or  webcal://…"
          inputMode="url"
          required
          value={address}
          onChange={(event) => setAddress(event.target.value)}
          fault={fault?.of('address') ?? fault?.of('file')}
          frame="flex-1 w-full"
        />
        <Button look="main" type="submit" disabled={busy} className="mt-[23px] h-9 max-sm:mt-0">
          {busy ? 'Reading …' : 'Add the feed'}
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-[14px]">
        <TextButton onClick={() => file.current?.click()}>Add a calendar file instead</TextButton>
        {example && (
          <TextButton className="text-ink-2" onClick={() => setAddress(example)}>
            Try the rowing club’s feed of the demo
          </TextButton>
        )}
      </div>
      <input
        ref={file}
        type="file"
        accept=".ics,.ical,.ifb,text/calendar"
        aria-label="Busy calendar file"
        tabIndex={-1}
        className="sr-only"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = '';
          addFile(chosen);
        }}
      />
    </form>
  );
}

export { Busy };
