import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Change } from '../../api/client';
import { changesQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { moment } from '../../lib/time';
import { Button } from '../../ui/button';
import { undo } from '../../ui/notice';
import { Failed, Loading } from '../../ui/states';
import { WaysIn } from '../imports/ways-in';
import { CalendarFeed } from './calendar-feed';
import { SchoolLinks } from './school-links';
import { TakeOut } from './take-out';
import { TwoRecords } from './two-records';

/** Where the data comes from: links to schools, files and tables in, a calendar out, and what was changed when, with undo. */
function LinksView() {
  const { mayWrite } = useStudent();
  const [looking, setLooking] = useState(false);
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto flex max-w-[1080px] flex-col gap-8 px-5 py-6 max-sm:px-3">
        <h1 className="sr-only">Links</h1>
        {!looking && <SchoolLinks />}
        {mayWrite && (
          <div className={looking ? '' : 'grid gap-6 lg:grid-cols-2'}>
            <div className={looking ? '' : 'border-line border-l-4 bg-raised px-4 py-4'}>
              <WaysIn onBusy={setLooking}>
                <h2 className="font-bold text-[17px]">Read something in</h2>
                <p className="max-w-[64ch] text-ink-2">
                  A calendar (.ics), a gradebook’s OneRoster bundle (.zip, or the folder it unpacks to), a
                  table (.csv, or cells that you copied), a course outline (.pdf, .docx, or its text). You see
                  first what it would do. Reading the same in again doubles nothing.
                </p>
              </WaysIn>
            </div>
            {!looking && <CalendarFeed />}
          </div>
        )}
        {!looking && <TakeOut />}
        {!looking && <TwoRecords />}
        {!looking && <Changes />}
      </div>
    </div>
  );
}

function Changes() {
  const { id } = useStudent();
  const changes = useQuery(changesQuery(id));
  if (changes.isError) return <Failed error={changes.error} onRetry={() => void changes.refetch()} />;
  if (!changes.data) return <Loading rows={4} />;
  return (
    <section aria-labelledby="changes">
      <h2 id="changes" className="mb-1 font-bold text-[17px]">
        What was changed
      </h2>
      {changes.data.length === 0 ? (
        <p className="text-ink-2">
          Nothing yet. Imports, hand-ins and what is typed in are listed here, each with its undo.
        </p>
      ) : (
        <ul>
          {changes.data.map((change) => (
            <ChangeLine key={change.id} change={change} />
          ))}
        </ul>
      )}
    </section>
  );
}

function ChangeLine({ change }: { change: Change }) {
  const { id, zone, mayWrite } = useStudent();
  return (
    <li className="flex items-center gap-4 border-line-2 border-t py-1.5">
      <time className="w-36 shrink-0 text-[14px] text-ink-2 max-sm:w-24">{moment(change.at, zone)}</time>
      <span className={change.stands ? 'min-w-0 flex-1' : 'min-w-0 flex-1 text-ink-2 line-through'}>
        {change.summary}
      </span>
      <span className="text-[14px] text-ink-2 max-md:hidden">{change.source}</span>
      {change.undoable && mayWrite ? (
        <Button
          look="quiet"
          className="h-7"
          onClick={() => void undo(id, change.id)}
          aria-label={`Undo: ${change.summary}`}
        >
          Undo
        </Button>
      ) : (
        <span className="w-[58px] text-right text-[14px] text-ink-3">{change.stands ? '' : 'undone'}</span>
      )}
    </li>
  );
}

export { LinksView };
