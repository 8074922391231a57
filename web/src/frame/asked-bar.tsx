import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { sessionQuery } from '../api/queries';
import { count } from '../lib/words';
import { Button } from '../ui/button';
import { PeopleDialog } from './people';

/** On every page of who is asked to let a guardian in. */
function AskedBar() {
  const { data: session } = useQuery(sessionQuery);
  const [answering, setAnswering] = useState(false);
  const asked = session?.person?.asked ?? 0;
  if (!session) return null;
  return (
    <>
      {asked > 0 && (
        <p
          role="status"
          className="no-print flex shrink-0 items-center gap-3 border-wait border-l-4 bg-wait-soft py-1.5 pr-5 pl-4 max-sm:pr-3"
        >
          <span className="min-w-0 flex-1">
            <b className="font-bold">{asked === 1 ? 'A guardian asks' : `${count(asked, 'guardian')} ask`}</b>{' '}
            to see your work.
          </span>
          <Button className="h-[30px]" onClick={() => setAnswering(true)}>
            Answer
          </Button>
        </p>
      )}
      <PeopleDialog session={session} open={answering} onClose={() => setAnswering(false)} />
    </>
  );
}

export { AskedBar };
