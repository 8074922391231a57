import { type FormEvent, useState } from 'react';
import { client, type Detail, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { TextArea } from '../../ui/field';
import { writePiece } from '../../ui/write-piece';
import { Part } from './part';
import { type Post, readWords, Thread } from './thread';

type PartKind = 'POST' | 'REPLY';

/** A discussion: its parts that are there and still wanted, what everybody wrote, and a place to write the next. */
function Posts({ detail }: { detail: Detail }) {
  const { mayWrite } = useStudent();
  const [replyTo, setReplyTo] = useState<Post | null>(null);
  const { work, material } = detail;
  const parts = work.parts;
  if (!parts) return null;
  const open = detail.mayPost && mayWrite;
  return (
    <Part title="Discussion" id="hand-in" aside={`${parts.done} of ${parts.of} parts`}>
      <PartsBar done={parts.done} of={parts.of} />
      <p className="mt-2 mb-3 text-[14px]">
        <StillWanted detail={detail} /> <span className="text-ink-2">{readWords(material.thread)}</span>
      </p>
      <Thread thread={material.thread} onReply={open ? setReplyTo : undefined} />
      {open && (
        <NextPost key={replyTo?.id} detail={detail} replyTo={replyTo} onDone={() => setReplyTo(null)} />
      )}
    </Part>
  );
}

function StillWanted({ detail: { work, mayPost } }: { detail: Detail }) {
  const left = [
    work.parts?.postsLeft ? count(work.parts.postsLeft, 'post') : '',
    work.parts?.repliesLeft ? count(work.parts.repliesLeft, 'reply', 'replies') : '',
  ].filter(Boolean);
  if (left.length > 0) {
    return (
      <>
        <b className="font-bold">Not handed in.</b> Still wanted: {left.join(' and ')}.
      </>
    );
  }
  return mayPost ? 'All parts are there: it is handed in. You may add more.' : 'All parts are there.';
}

interface NextPostProps {
  detail: Detail;
  replyTo: Post | null;
  onDone: () => void;
}

function NextPost({ detail, replyTo, onDone }: NextPostProps) {
  const { id } = useStudent();
  const { work } = detail;
  const wanted: PartKind = replyTo || work.parts?.postsLeft === 0 ? 'REPLY' : 'POST';
  const [kind, setKind] = useState<PartKind>(wanted);
  const [text, setText] = useState('');
  const [fault, setFault] = useState('');
  const [key, setKey] = useState(writeKey);
  const [busy, setBusy] = useState(false);
  const name = kind === 'POST' ? 'post' : 'reply';
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const asked = client.POST('/api/students/{student}/works/{work}/posts', {
      params: {
        path: { student: id, work: work.id },
        header: { 'If-Match': `"${work.version}"`, 'Idempotency-Key': key },
      },
      body: { part: kind, text, answers: kind === 'REPLY' ? (replyTo?.id ?? null) : null },
    });
    const written = await writePiece(id, work.id, asked, `Added a ${name} to ${work.title}`);
    setBusy(false);
    if (written.done) {
      setText((now) => (now === text ? '' : now));
      setKey(writeKey());
      setFault('');
      onDone();
    } else {
      setFault(written.fault?.of('text') ?? written.fault?.of('answers') ?? '');
    }
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-2">
      <div className="flex gap-1.5">
        {(['POST', 'REPLY'] as const).map((one) => (
          <Button
            key={one}
            aria-pressed={kind === one}
            onClick={() => setKind(one)}
            className="h-7 aria-pressed:border-ink aria-pressed:shadow-[inset_0_-2px_0_var(--yours)]"
          >
            {one === 'POST' ? 'A post' : 'A reply'}
          </Button>
        ))}
      </div>
      <TextArea
        label={replyTo && kind === 'REPLY' ? `Your reply to ${replyTo.name}` : `Your ${name}`}
        required
        autoFocus={replyTo !== null}
        value={text}
        onChange={(event) => setText(event.target.value)}
        fault={fault || undefined}
      />
      <Button look="main" type="submit" disabled={busy || !text.trim()} className="self-start">
        Add the {name}
      </Button>
    </form>
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
