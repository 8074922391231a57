import { useCallback, useEffect, useRef, useState } from 'react';
import { client, type Detail, Refused, type SavedElsewhere, take } from '../../api/client';
import { detailQuery, queryClient } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { BothTexts } from '../../ui/both-texts';
import { TextArea } from '../../ui/field';
import { noticeFault } from '../../ui/notice';
import { forgetText, keepText, keptText } from './kept-text';

const PAUSE = 800;

interface DraftTextProps {
  detail: Detail;
  text: string;
  onText: (text: string) => void;
}

/** Saves a text while it is written, and never over what was saved in another place. */
function useSavedText({ detail, text, onText }: DraftTextProps) {
  const { id } = useStudent();
  const [state, setState] = useState<'saved' | 'writing' | 'failed'>('saved');
  const [there, setThere] = useState<SavedElsewhere | null>(null);
  const work = detail.work.id;
  const kept = useRef(keptText(id, work));
  const saved = useRef<string | null>(kept.current ? null : detail.draft.text);
  const number = useRef(kept.current?.number ?? detail.draft.number);
  const latest = useRef(text);
  const onItsWay = useRef<string | null>(null);
  latest.current = text;

  const save = useCallback(async () => {
    const now = latest.current;
    if (now === saved.current || now === onItsWay.current) return;
    onItsWay.current = now;
    try {
      const after = await take(
        client.PUT('/api/students/{student}/works/{work}/draft', {
          params: { path: { student: id, work } },
          body: { text: now, number: number.current },
        }),
      );
      saved.current = now;
      number.current = after.draft.number;
      forgetText(id, work);
      queryClient.setQueryData(detailQuery(id, work).queryKey, after);
      if (latest.current === now) setState('saved');
    } catch (error) {
      setState('failed');
      keepText(id, work, { text: now, number: number.current });
      if (error instanceof Refused && error.there) setThere(error.there);
      else noticeFault(error);
    }
    if (onItsWay.current === now) onItsWay.current = null;
  }, [id, work]);

  // What another tab saved is taken over where nothing is unsaved here.
  const { draft } = detail;
  useEffect(() => {
    if (draft.number <= number.current) return;
    if (draft.text === saved.current || latest.current === saved.current) {
      number.current = draft.number;
      if (draft.text !== saved.current) onText(draft.text);
      saved.current = draft.text;
    }
  }, [draft.number, draft.text, onText]);

  useEffect(() => {
    if (text === saved.current || there) return;
    setState('writing');
    const timer = setTimeout(() => void save(), PAUSE);
    return () => clearTimeout(timer);
  }, [text, save, there]);
  useEffect(() => () => void save(), [save]);
  // What was kept while there was no connection goes out as soon as there is one.
  useEffect(() => {
    const again = () => {
      if (!there) void save();
    };
    window.addEventListener('online', again);
    return () => window.removeEventListener('online', again);
  }, [save, there]);

  const decide = (chosen: string, other: SavedElsewhere) => {
    number.current = other.number;
    saved.current = other.text;
    setThere(null);
    if (chosen === other.text) {
      forgetText(id, work);
      setState('saved');
      onText(other.text);
    } else {
      void save();
    }
  };
  return { state, there, save, decide };
}

/** A text that saves itself. */
function DraftText(props: DraftTextProps) {
  const { text, onText } = props;
  const { zone } = useStudent();
  const now = useNow();
  const { state, there, save, decide } = useSavedText(props);
  const words = {
    saved: text ? 'Saved as a draft.' : '',
    writing: 'Saving …',
    failed: 'Not saved yet; it is kept in this browser.',
  }[state];
  return (
    <>
      <TextArea
        label="Text"
        value={text}
        maxLength={200_000}
        onChange={(event) => onText(event.target.value)}
        onBlur={() => !there && void save()}
        hint={words}
        className="min-h-36"
      />
      {there && (
        <BothTexts
          mine={text}
          there={there}
          savedAt={near(there.at, zone, now)}
          onMine={() => decide(text, there)}
          onTheirs={() => decide(there.text, there)}
        />
      )}
    </>
  );
}

export { DraftText };
