import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Schemas, take } from '../../api/client';
import { calendarFeedQuery, queryClient } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { Dialog } from '../../ui/dialog';
import { Select } from '../../ui/field';
import { noticeFault } from '../../ui/notice';
import { useWrite } from '../../ui/use-write';

type Asked = 'renew' | 'stop';

/** An alarm that looks at the effort and at the free hours before the due, rather than at the clock. */
const LAST_MOMENT = 'last';

const ALARMS = [
  ['', 'none'],
  [LAST_MOMENT, 'in time to still do it'],
  ['60', 'an hour before'],
  ['180', '3 hours before'],
  ['1440', 'a day before'],
  ['2880', '2 days before'],
] as const;

/** The student's calendar for other programs, under an address that only it knows. */
function CalendarFeed() {
  const { id } = useStudent();
  const feed = useQuery(calendarFeedQuery(id));
  const [asking, setAsking] = useState<Asked | null>(null);
  const path = { params: { path: { student: id } } };
  const { write: change } = useWrite(async (what: 'make' | 'stop') => {
    const asked =
      what === 'make'
        ? client.POST('/api/students/{student}/calendar-feed', path)
        : client.DELETE('/api/students/{student}/calendar-feed', path);
    const now = await take(asked).finally(() => setAsking(null));
    queryClient.setQueryData(calendarFeedQuery(id).queryKey, now);
  });
  if (!feed.data) return null;
  return (
    <section aria-labelledby="feed-out" className="border-line border-l-4 bg-raised px-4 py-4">
      <h2 id="feed-out" className="font-bold text-[17px]">
        Your work in any calendar
      </h2>
      <p className="mt-1 max-w-[64ch] text-ink-2">
        A private address that any calendar program can subscribe to: dues, what opens, the grading closes,
        and the sittings that are planned. It follows by itself.
      </p>
      {feed.data.address ? (
        <Made feed={feed.data} onAsk={setAsking} />
      ) : (
        <Button look="main" className="mt-3 h-9" onClick={() => void change('make')}>
          Make an address
        </Button>
      )}
      <Dialog
        open={asking !== null}
        onOpenChange={(open) => !open && setAsking(null)}
        title={asking === 'stop' ? 'Take the address away' : 'Make a new address'}
        about="The address that is in use now leads nowhere from then on, in every program that has it. This can’t be undone."
      >
        <div className="flex justify-end gap-2">
          <Button look="quiet" onClick={() => setAsking(null)}>
            Leave it as it is
          </Button>
          <Button look="danger" onClick={() => void change(asking === 'stop' ? 'stop' : 'make')}>
            {asking === 'stop' ? 'Take it away' : 'Make a new one'}
          </Button>
        </div>
      </Dialog>
    </section>
  );
}

interface MadeProps {
  feed: Schemas['FeedView'];
  onAsk: (what: Asked) => void;
}

/** The address, what it gives, and how it is taken back. */
function Made({ feed, onAsk }: MadeProps) {
  const { zone } = useStudent();
  const now = useNow();
  const [as, setAs] = useState<'EVENTS' | 'TODOS'>('EVENTS');
  const [alarm, setAlarm] = useState('');
  const options = new URLSearchParams({
    ...(as === 'TODOS' ? { as } : {}),
    ...(alarm === LAST_MOMENT ? { reminders: 'true' } : alarm ? { alarm } : {}),
  }).toString();
  return (
    <>
      <Address address={`${feed.address}${options ? `?${options}` : ''}`} />
      <div className="mt-3 flex flex-wrap gap-x-6 gap-y-2">
        <Choice
          label="Dues are given"
          value={as}
          options={[
            ['EVENTS', 'as events'],
            ['TODOS', 'as to-dos'],
          ]}
          hint="Many phones show no to-dos of a calendar that they subscribe to."
          onChange={setAs}
        />
        <Select label="An alarm for each" value={alarm} onChange={(event) => setAlarm(event.target.value)}>
          {ALARMS.map(([minutes, words]) => (
            <option key={minutes} value={minutes}>
              {words}
            </option>
          ))}
        </Select>
      </div>
      {!feed.reachable && (
        <p className="mt-2 border-line border-l-4 pl-2 text-[14px]">
          Navlo listens on this machine alone, so no phone can ask for it. Start it with{' '}
          <code>--host 0.0.0.0</code>, or set <code>NAVLO_HOST</code>, to be reached in your own network.
        </p>
      )}
      <p className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-[14px] text-ink-2">
        Whoever knows it can read your work; it was made {feed.madeAt && near(feed.madeAt, zone, now)}.
        <Button look="quiet" className="h-7 px-1.5" onClick={() => onAsk('renew')}>
          Make a new one
        </Button>
        <Button look="quiet" className="h-7 px-1.5" onClick={() => onAsk('stop')}>
          Take it away
        </Button>
      </p>
    </>
  );
}

function Address({ address }: { address: string }) {
  const [copied, setCopied] = useState('');
  const copy = async () => {
    await navigator.clipboard.writeText(address);
    setCopied(address);
  };
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      <input
        readOnly
        aria-label="Address of your calendar"
        value={address}
        onFocus={(event) => event.target.select()}
        className="h-9 min-w-0 flex-1 basis-72 rounded border border-line bg-paper px-2.5 text-[14px]"
      />
      <Button look="main" className="h-9" onClick={() => void copy().catch(noticeFault)}>
        {copied === address ? 'Copied' : 'Copy the address'}
      </Button>
    </div>
  );
}

export { CalendarFeed };
