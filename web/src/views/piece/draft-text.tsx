import { useCallback, useEffect, useRef, useState } from 'react';
import { client, type Detail, take } from '../../api/client';
import { detailQuery, queryClient } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { TextArea } from '../../ui/field';
import { noticeFault } from '../../ui/notice';

const PAUSE = 800;

interface DraftTextProps {
  detail: Detail;
  text: string;
  onText: (text: string) => void;
}

/** A text that saves itself while it is written. */
function DraftText({ detail, text, onText }: DraftTextProps) {
  const { id } = useStudent();
  const [state, setState] = useState<'saved' | 'writing' | 'failed'>('saved');
  const saved = useRef(detail.draft.text);
  const latest = useRef(text);
  const onItsWay = useRef<string | null>(null);
  const work = detail.work.id;
  latest.current = text;

  const save = useCallback(async () => {
    const now = latest.current;
    if (now === saved.current || now === onItsWay.current) return;
    onItsWay.current = now;
    try {
      const after = await take(
        client.PUT('/api/students/{student}/works/{work}/draft', {
          params: { path: { student: id, work } },
          body: { text: now },
        }),
      );
      saved.current = now;
      queryClient.setQueryData(detailQuery(id, work).queryKey, after);
      if (latest.current === now) setState('saved');
    } catch (error) {
      setState('failed');
      noticeFault(error);
    }
    if (onItsWay.current === now) onItsWay.current = null;
  }, [id, work]);

  useEffect(() => {
    if (text === saved.current) return;
    setState('writing');
    const timer = setTimeout(() => void save(), PAUSE);
    return () => clearTimeout(timer);
  }, [text, save]);
  useEffect(() => () => void save(), [save]);

  const words = { saved: text ? 'Saved as a draft.' : '', writing: 'Saving …', failed: 'Not saved yet.' }[
    state
  ];
  return (
    <TextArea
      label="Text"
      value={text}
      maxLength={200_000}
      onChange={(event) => onText(event.target.value)}
      onBlur={() => void save()}
      hint={words}
      className="min-h-36"
    />
  );
}

export { DraftText };
