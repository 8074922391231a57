import { type FormEvent, useState } from 'react';
import { client, type Detail, Refused, take, writeKey } from '../../api/client';
import { detailQuery, queryClient, refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { TextArea } from '../../ui/field';
import { noticeChange, noticeFault } from '../../ui/notice';
import { Part } from './piece';

type PartKind = 'POST' | 'REPLY';

/** The parts of a discussion: what is there, what is still wanted, and a place to write the next. */
function Posts({ detail }: { detail: Detail }) {
  const { id } = useStudent();
  const { work } = detail;
  const parts = work.parts;
  const [chosen, setChosen] = useState<PartKind | null>(null);
  const [text, setText] = useState('');
  const [key, setKey] = useState(writeKey);
  const [busy, setBusy] = useState(false);
  if (!parts) return null;
  const kind: PartKind = chosen ?? (parts.postsLeft > 0 ? 'POST' : 'REPLY');
  const name = kind === 'POST' ? 'post' : 'reply';
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    try {
      const done = await take(
        client.POST('/api/students/{student}/works/{work}/posts', {
          params: {
            path: { student: id, work: work.id },
            header: { 'If-Match': `"${work.version}"`, 'Idempotency-Key': key },
          },
          body: { part: kind, text },
        }),
      );
      queryClient.setQueryData(detailQuery(id, work.id).queryKey, done.detail);
      setText((now) => (now === text ? '' : now));
      setKey(writeKey());
      setChosen(null);
      noticeChange(id, done.change, `Added a ${name} to ${work.title}`);
      await refreshStudent(id);
    } catch (error) {
      noticeFault(error);
      if (error instanceof Refused && error.status === 412) await refreshStudent(id);
    }
    setBusy(false);
  };
  const left = [
    parts.postsLeft > 0 ? count(parts.postsLeft, 'post') : '',
    parts.repliesLeft > 0 ? count(parts.repliesLeft, 'reply', 'replies') : '',
  ].filter(Boolean);
  return (
    <Part title="Hand in" aside={`${parts.done} of ${parts.of} parts`}>
      <PartsBar done={parts.done} of={parts.of} />
      <p className="mt-2 mb-3 text-[14px]">
        {left.length > 0 ? (
          <>
            <b className="font-bold">Not handed in.</b> Still wanted: {left.join(' and ')}.
          </>
        ) : (
          'All parts are there: it is handed in. You may add more.'
        )}
      </p>
      <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-2">
        <div className="flex gap-1.5">
          {(['POST', 'REPLY'] as const).map((one) => (
            <Button
              key={one}
              aria-pressed={kind === one}
              onClick={() => setChosen(one)}
              className="h-7 aria-pressed:border-ink aria-pressed:shadow-[inset_0_-2px_0_var(--yours)]"
            >
              {one === 'POST' ? 'A post' : 'A reply'}
            </Button>
          ))}
        </div>
        <TextArea
          label={`Your ${name}`}
          required
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <Button look="main" type="submit" disabled={busy || !text.trim()} className="self-start">
          Add the {name}
        </Button>
      </form>
    </Part>
  );
}

function PartsBar({ done, of }: { done: number; of: number }) {
  return (
    <div aria-hidden className="flex gap-1">
      {Array.from({ length: of }, (_, part) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a part has no other name than its place
        <span key={part} className={part < done ? 'h-2 flex-1 bg-wait' : 'h-2 flex-1 bg-line-2'} />
      ))}
    </div>
  );
}

export { Posts };
