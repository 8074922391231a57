import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Session } from '../api/client';
import { queryClient, wordsQuery } from '../api/queries';
import { noticeOf, takeUntold, tellHere, tellNoMore, tellsHere } from '../lib/words-here';
import { Check } from '../ui/field';
import { noticeFault } from '../ui/notice';

type Person = NonNullable<Session['person']>;

const EACH = 60_000;

/** Tells in this browser, while a page is open, what its person chose to be told. */
function useWordsHere(person: Person | null): void {
  const navigate = useNavigate();
  const { data } = useQuery({
    ...wordsQuery,
    enabled: person !== null && tellsHere(person.id),
    refetchInterval: EACH,
    refetchIntervalInBackground: true,
  });
  useEffect(() => {
    if (!person || !data || !tellsHere(person.id)) return;
    const untold = takeUntold(person.id, data);
    const first = untold[0];
    if (!first) return;
    const { title, body } = noticeOf(untold);
    // The same tag in two tabs is one notice.
    const notice = new Notification(title, { body, tag: `navlo ${first.key}` });
    notice.onclick = () => {
      window.focus();
      void navigate(`/s/${first.student}/next`);
    };
  }, [data, person, navigate]);
}

/** Whether this browser tells, too. It acts at once: the browser asks for leave. */
function TellHere({ person }: { person: number }) {
  const [on, setOn] = useState(() => tellsHere(person));
  const [refused, setRefused] = useState(false);
  if (!('Notification' in window)) return null;
  const change = async (wanted: boolean) => {
    if (!wanted) {
      tellNoMore();
      setOn(false);
      return;
    }
    const given = (await Notification.requestPermission()) === 'granted';
    setRefused(!given);
    if (!given) return;
    tellHere(person, await queryClient.fetchQuery({ ...wordsQuery, staleTime: 0 }));
    setOn(true);
    await queryClient.invalidateQueries({ queryKey: wordsQuery.queryKey });
  };
  return (
    <div>
      <Check
        label="Also in this browser, while Navlo is open in it"
        checked={on}
        onChange={(event) => void change(event.target.checked).catch(noticeFault)}
      />
      {refused && (
        <p role="alert" className="mt-1 text-[14px] text-loss">
          The browser doesn’t let this page tell anything. Allow notifications beside its address, and try
          again.
        </p>
      )}
    </div>
  );
}

/** Sits on every page of who is signed in. */
function WordsHere({ person }: { person: Person | null }) {
  useWordsHere(person);
  return null;
}

export { TellHere, WordsHere };
