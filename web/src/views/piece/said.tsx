import { type FormEvent, useState } from 'react';
import { client, type Detail, type Refused, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { Button, TextButton } from '../../ui/button';
import { TextArea } from '../../ui/field';
import { writePiece } from '../../ui/write-piece';
import { AlongField, formOf, useAlong } from './along';
import { Messages, WriteToTeacher } from './message';
import type { Said } from './model';
import { markKey, threads } from './model';
import { Part } from './part';
import { OnPages, Words } from './words';

/** All that was said about this work. Marks on the pages of a file stand together; answers stand under what they answer. */
function SaidPart({ detail }: { detail: Detail }) {
  const { mayWrite, mayWriteLetters, sees, board } = useStudent();
  const [answering, setAnswering] = useState<number | 'new' | null>(null);
  const { said, work } = detail;
  const [, setParams] = useAddress();
  const show = (mark: Said) =>
    setParams((before) => {
      before.set('marks', markKey(mark));
      before.set('mark', String(mark.id));
      return before;
    });
  const { onPages, talks } = threads(said);
  if (said.length === 0 && !mayWrite && !mayWriteLetters) return null;
  const theirs = work.feedback.count;
  const aside =
    theirs === 0 ? 'nothing yet' : `${theirs}${work.feedback.unread ? `, ${work.feedback.unread} new` : ''}`;
  return (
    <Part title="Feedback" id="said" aside={aside}>
      {!sees.words && theirs > 0 && (
        <p className="text-[14px] text-ink-2">
          {board.student.name} doesn’t show you what was said and handed in.
        </p>
      )}
      <ul className="flex flex-col gap-4">
        {onPages.map((marks) => (
          <li key={markKey(marks[0])}>
            <OnPages marks={marks} onShow={show} />
          </li>
        ))}
        {talks.map(({ said: root, answers }) => (
          <li key={root.id}>
            <Words said={root}>
              {mayWrite && answering !== root.id && root.by !== 'STUDENT' && root.text !== '' && (
                <TextButton onClick={() => setAnswering(root.id)} className="text-ink-2">
                  Answer {root.name}
                </TextButton>
              )}
            </Words>
            {answers.length > 0 && (
              <ul className="mt-2 flex flex-col gap-2 border-line border-l-2 pl-3">
                {answers.map((answer) => (
                  <li key={answer.id}>
                    <Words said={answer} />
                  </li>
                ))}
              </ul>
            )}
            {answering === root.id && (
              <Comment detail={detail} answers={root} onDone={() => setAnswering(null)} />
            )}
          </li>
        ))}
      </ul>
      {answering === 'new' && <Comment detail={detail} answers={null} onDone={() => setAnswering(null)} />}
      <div className="no-print mt-3 flex flex-wrap gap-x-4 gap-y-1 empty:hidden">
        {mayWrite && answering !== 'new' && (
          <TextButton onClick={() => setAnswering('new')}>Comment on the work</TextButton>
        )}
        <WriteToTeacher teacher={detail.material.teacher} />
      </div>
      <Messages about={{ work: work.id }} />
    </Part>
  );
}

interface CommentProps {
  detail: Detail;
  answers: Said | null;
  onDone: () => void;
}

/** A private word to the teacher. */
function Comment({ detail, answers, onDone }: CommentProps) {
  const { id } = useStudent();
  const [text, setText] = useState('');
  const [refused, setRefused] = useState<Refused | null>(null);
  const along = useAlong(detail.along);
  const [busy, setBusy] = useState(false);
  const [key] = useState(writeKey);
  const { work, material } = detail;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const asked = client.POST('/api/students/{student}/works/{work}/comments', {
      params: { path: { student: id, work: work.id }, header: { 'Idempotency-Key': key } },
      body: { text, answers: answers?.id ?? null, files: null },
      bodySerializer: () => formOf({ text, answers: answers?.id ?? null }, 'files', along.files),
    });
    const written = await writePiece(id, work.id, asked, `Commented on ${work.title}`);
    setBusy(false);
    if (written.done) onDone();
    else setRefused(written.fault);
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="mt-2 flex flex-col gap-2">
      <TextArea
        label={answers ? `Your answer to ${answers.name}` : 'Your comment'}
        hint={`It stands here with the work, for you and your guardians. To reach ${answers?.name ?? material.teacher ?? 'the teacher'}, write to them.`}
        autoFocus
        required
        maxLength={20000}
        value={text}
        onChange={(event) => setText(event.target.value)}
        fault={refused?.of('text') ?? refused?.of('answers')}
      />
      <AlongField
        label="Files to go with it"
        hint="May stay empty; at most six, 10 MB each."
        along={along}
        fault={refused?.of('files') ?? refused?.of('file')}
      />
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onDone}>
          Leave it
        </Button>
        <Button look="main" type="submit" disabled={busy || along.busy || !text.trim()}>
          {answers ? 'Add the answer' : 'Add the comment'}
        </Button>
      </div>
    </form>
  );
}

export { SaidPart };
