import { useQuery } from '@tanstack/react-query';
import { Paperclip } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { client, type Detail, type Schemas, take, writeKey } from '../../api/client';
import {
  type LetterTopic,
  messageDraftsQuery,
  messagesQuery,
  refreshStudent,
  sessionQuery,
} from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { useNow } from '../../lib/now';
import type { Signal } from '../../lib/signals';
import { near } from '../../lib/time';
import { bytes } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Select, TextArea, TextField } from '../../ui/field';
import { noticeFault } from '../../ui/notice';
import { Failed, Loading } from '../../ui/states';
import { useFormWrite } from '../../ui/use-form-write';
import { AlongField, formOf, useAlong } from './along';

type Drafts = Schemas['DraftsView'];
type Message = Schemas['MessageView'];

function useMessage(): [open: boolean, setOpen: (open: boolean, answers?: Signal['kind']) => void] {
  const [params, setParams] = useAddress();
  const setOpen = (open: boolean, answers?: Signal['kind']) =>
    setParams(
      (before) => {
        if (open) {
          before.set('step', 'message');
          if (answers) before.set('answers', answers);
        } else {
          before.delete('step');
          before.delete('about');
          before.delete('answers');
        }
        return before;
      },
      { replace: true },
    );
  return [params.get('step') === 'message', setOpen];
}

/** What a message is about: a piece of work, or a whole course. */
interface Topic {
  title: string;
  teacher: string | null;
  of: LetterTopic;
}

function topicOf(detail: Detail): Topic {
  return { title: detail.work.title, teacher: detail.material.teacher, of: { work: detail.work.id } };
}

interface WriteToTeacherProps {
  teacher: string | null;
  /** The signal that the message is to deal with. */
  answers?: Signal['kind'];
  children?: string;
}

/** The way to a message to the teacher. */
function WriteToTeacher({ teacher, answers, children }: WriteToTeacherProps) {
  const { mayWriteLetters } = useStudent();
  const [, setOpen] = useMessage();
  if (!mayWriteLetters) return null;
  return (
    <TextButton onClick={() => setOpen(true, answers)}>
      {children ?? `Write to ${teacher ?? 'the teacher'}`}
    </TextButton>
  );
}

/** A message to the teacher, drafted from the facts. Opens by `?step=message`. */
function MessageDialog({ topic }: { topic: Topic }) {
  const { mayWriteLetters } = useStudent();
  const [open, setOpen] = useMessage();
  return (
    <Dialog
      open={open && mayWriteLetters}
      onOpenChange={(next) => setOpen(next)}
      title={`Write to ${topic.teacher ?? 'the teacher'}`}
      about={`${topic.title}. Drafted from what is known; change every word you like.`}
      wide
    >
      {open && mayWriteLetters && <Drafted topic={topic.of} onDone={() => setOpen(false)} />}
    </Dialog>
  );
}

function Drafted({ topic, onDone }: { topic: LetterTopic; onDone: () => void }) {
  const { id } = useStudent();
  const drafts = useQuery(messageDraftsQuery(id, topic));
  if (drafts.isError) return <Failed error={drafts.error} onRetry={() => void drafts.refetch()} />;
  if (!drafts.data) return <Loading rows={4} />;
  return <MessageForm topic={topic} drafts={drafts.data} onDone={onDone} />;
}

interface Letter {
  to: string;
  subject: string;
  body: string;
  receipt: number | null;
}

/** To the teacher of the piece of work or of the course. */
function sendLetter(
  student: number,
  topic: LetterTopic,
  key: string,
  letter: Letter,
  files: readonly File[],
) {
  const header = { 'Idempotency-Key': key };
  const sent = {
    body: { ...letter, files: null },
    bodySerializer: () => formOf({ ...letter }, 'files', files),
  };
  return 'work' in topic
    ? take(
        client.POST('/api/students/{student}/works/{work}/messages', {
          params: { path: { student, work: topic.work }, header },
          ...sent,
        }),
      )
    : take(
        client.POST('/api/students/{student}/courses/{course}/messages', {
          params: { path: { student, course: topic.course }, header },
          ...sent,
        }),
      );
}

interface MessageFormProps {
  topic: LetterTopic;
  drafts: Drafts;
  onDone: () => void;
}

function wordsOf(drafts: Drafts, place: number) {
  return { subject: drafts.drafts[place]?.subject ?? '', body: drafts.drafts[place]?.body ?? '' };
}

function MessageForm({ topic, drafts, onDone }: MessageFormProps) {
  const { id } = useStudent();
  const [params] = useAddress();
  const asked = drafts.drafts.findIndex(
    (draft) =>
      draft.about === params.get('about') ||
      (draft.answers !== null && draft.answers === params.get('answers')),
  );
  const first = Math.max(0, asked);
  const [about, setAbout] = useState(first);
  const [along, setAlong] = useState(drafts.drafts[first]?.receipt ?? null);
  const files = useAlong(drafts.files);
  const [key] = useState(writeKey);
  const { form, field, submit, writing, faultOf } = useFormWrite(
    { to: drafts.address, ...wordsOf(drafts, first) },
    async (typed) => {
      await sendLetter(id, topic, key, { ...typed, receipt: along }, files.files);
      toast(`The message to ${drafts.to || typed.to} is on its way`);
      onDone();
      await refreshStudent(id);
    },
  );
  const choose = (next: number) => {
    setAbout(next);
    setAlong(drafts.drafts[next]?.receipt ?? null);
    form.reset({ to: form.getValues('to'), ...wordsOf(drafts, next) });
  };
  const copy = async () => {
    const { subject, body } = form.getValues();
    await navigator.clipboard.writeText(`${subject}\n\n${body}`);
    toast('Copied: subject and message');
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3.5">
      {drafts.drafts.length > 1 && (
        <Select label="About" value={about} onChange={(event) => choose(Number(event.target.value))}>
          {drafts.drafts.map((draft, place) => (
            <option key={`${draft.about} ${draft.subject}`} value={place}>
              {draft.about}
            </option>
          ))}
        </Select>
      )}
      {drafts.canSend && <TextField label="To" type="email" required maxLength={254} {...field('to')} />}
      <TextField label="Subject" required maxLength={200} {...field('subject')} />
      <TextArea label="Message" required maxLength={20000} rows={11} {...field('body')} />
      {drafts.canSend && (
        <AlongField
          label="Files to go with it"
          hint="May stay empty; at most six, 10 MB each."
          along={files}
          fault={faultOf('files') ?? faultOf('file')}
        />
      )}
      {along !== null && 'work' in topic && (
        <Enclosed work={topic.work} receipt={along} onLeave={() => setAlong(null)} />
      )}
      <div className="flex flex-wrap items-center justify-end gap-2">
        {!drafts.canSend && (
          <p className="mr-auto text-[14px] text-ink-2">
            No mail server is set up here: copy it and send it yourself.
          </p>
        )}
        <Button look={drafts.canSend ? 'quiet' : 'main'} onClick={() => void copy().catch(noticeFault)}>
          Copy it
        </Button>
        {drafts.canSend && (
          <Button look="main" type="submit" disabled={writing || files.busy}>
            Send the message
          </Button>
        )}
      </div>
    </form>
  );
}

interface EnclosedProps {
  work: number;
  receipt: number;
  onLeave: () => void;
}

/** The receipt that goes with the message as a file. */
function Enclosed({ work, receipt, onLeave }: EnclosedProps) {
  const { id } = useStudent();
  return (
    <p className="flex flex-wrap items-center gap-x-3 border-line border-y py-1.5 text-[14px]">
      <Paperclip size={14} aria-hidden className="text-ink-2" />
      <a
        href={`/api/students/${id}/works/${work}/hand-ins/${receipt}/receipt`}
        download
        className="font-semibold underline underline-offset-2"
      >
        Receipt {receipt}, as a PDF
      </a>
      <span className="text-ink-2">goes with it: when, which files, their checksums</span>
      <TextButton onClick={onLeave} className="ml-auto text-ink-2">
        Leave it out
      </TextButton>
    </p>
  );
}

const SENDING: Record<Message['sending'], string> = {
  WAITING: 'on its way',
  SENT: 'sent',
  GIVEN_UP: 'could not be sent',
};

/** What the teacher answered. It comes to whoever wrote, who puts it down here for all who read the message. */
function Answer({ message }: { message: Message }) {
  const { zone, asof } = useStudent();
  const now = useNow();
  const [writing, setWriting] = useState(false);
  const { answer } = message;
  if (writing) return <AnswerForm message={message} onDone={() => setWriting(false)} />;
  return (
    <div className="mt-1 text-[14px]">
      {answer && (
        <>
          <p className="text-ink-2">
            {message.to} answered, put down {near(answer.at, zone, now)}:
          </p>
          <p className="whitespace-pre-line border-line border-l-2 pl-3">{answer.words}</p>
        </>
      )}
      {message.yours && asof === null && (
        <TextButton onClick={() => setWriting(true)} className="text-ink-2">
          {answer ? 'Change the answer' : 'Put down the answer'}
        </TextButton>
      )}
    </div>
  );
}

function AnswerForm({ message, onDone }: { message: Message; onDone: () => void }) {
  const { id } = useStudent();
  const { field, submit, writing } = useFormWrite({ words: message.answer?.words ?? '' }, async (typed) => {
    await take(
      client.PUT('/api/students/{student}/messages/{message}/answer', {
        params: { path: { student: id, message: message.id } },
        body: typed,
      }),
    );
    await refreshStudent(id);
    onDone();
  });
  return (
    <form onSubmit={submit} className="mt-2 flex flex-col gap-2">
      <TextArea
        label={`What ${message.to} answered`}
        hint="Whoever reads your messages here sees it too. Empty takes it back."
        maxLength={20000}
        rows={4}
        {...field('words')}
      />
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onDone}>
          Cancel
        </Button>
        <Button look="main" type="submit" disabled={writing}>
          Keep the answer
        </Button>
      </div>
    </form>
  );
}

function isAbout(message: Message, topic: LetterTopic): boolean {
  return 'work' in topic
    ? message.work === topic.work
    : message.work === null && message.course === topic.course;
}

/** What was written to teachers: about one piece of work, about a course as a whole, or all of it. */
function Messages({ about }: { about?: LetterTopic }) {
  const { id, zone, board, sees, course } = useStudent();
  const now = useNow();
  const session = useQuery(sessionQuery);
  const all = useQuery({ ...messagesQuery(id), enabled: sees.messages });
  const messages = (all.data ?? []).filter((message) => !about || isAbout(message, about));
  if (messages.length === 0) return null;
  const mailBox = session.data?.demo?.mailBox;
  return (
    <section className="mt-4">
      <h4 className="flex items-baseline justify-between gap-3 border-line-2 border-b pb-1 font-semibold text-[14px]">
        Messages to teachers
        {mailBox && (
          <a
            href={mailBox}
            target="_blank"
            rel="noreferrer"
            className="font-normal text-ink-2 underline underline-offset-2"
          >
            Open the mail-box stand-in
          </a>
        )}
      </h4>
      <ul>
        {messages.map((message) => (
          <li key={message.id} className="border-line-2 border-b py-1.5 last:border-0">
            <details>
              <summary className="text-[14px]">
                <span className="font-semibold">{message.subject}</span>
                <span className="text-ink-2">
                  {' '}
                  · {message.from} to {message.to}, {near(message.at, zone, now)} ·{' '}
                </span>
                <span className={message.sending === 'GIVEN_UP' ? 'font-semibold text-loss' : 'text-ink-2'}>
                  {SENDING[message.sending]}
                  {message.school && `, and to ${message.school}`}
                  {message.answer && ', answered'}
                </span>
              </summary>
              {message.fault && (
                <p className="mt-1 text-[14px] text-loss">
                  {message.sending === 'SENT' ? 'Sent by mail. ' : 'The mail server said: '}
                  {message.fault}
                </p>
              )}
              <p className="mt-1 whitespace-pre-line border-line border-l-2 pl-3 text-[14px]">
                {message.body}
              </p>
              {message.files.map((file) => (
                <p key={file.name} className="mt-1 flex items-center gap-1.5 text-[14px] text-ink-2">
                  <Paperclip size={13} aria-hidden /> {file.name}, {bytes(file.size)}
                </p>
              ))}
              <Answer message={message} />
              {!about && (
                <p className="mt-1 text-[14px] text-ink-2">
                  {message.work === null
                    ? course(message.course)?.name
                    : board.works.find((one) => one.id === message.work)?.title}
                </p>
              )}
            </details>
          </li>
        ))}
      </ul>
    </section>
  );
}

export { MessageDialog, Messages, topicOf, WriteToTeacher };
