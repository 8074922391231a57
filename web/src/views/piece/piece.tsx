import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { client, type Detail, take, writeKey } from '../../api/client';
import { detailQuery, refreshStudent } from '../../api/queries';
import { OpenAtSchool } from '../../frame/open-at-school';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { isTyping } from '../../lib/keys';
import { useNow } from '../../lib/now';
import { near, span, timeWords } from '../../lib/time';
import { countdown, flagAgainstClock, KIND_WORDS, scoreWords, sentence } from '../../lib/words';
import { Button } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { noticeChange } from '../../ui/notice';
import { fetchRichText } from '../../ui/rich-text';
import { Failed, Loading } from '../../ui/states';
import { TimingBar } from '../../ui/timing-bar';
import { useWrite } from '../../ui/use-write';
import { writeTogether } from '../work/own-forms';
import { StateWords } from '../work/state-words';
import { WorkFormDialog } from '../work/work-form';
import { Asked } from './asked';
import { Attempts } from './attempts';
import { Costs } from './costs';
import { HandIn } from './hand-in';
import { HandIns } from './hand-ins';
import { Life } from './life';
import { MarkedPage } from './marked-page';
import { MessageDialog, topicOf } from './message';
import { type PartId, type PartPlace, partsOf, stillNew } from './model';
import { Notes, OwnEffort } from './own';
import { OwnScoreDialog } from './own-score';
import { ReceiptDialog } from './receipt';
import { Records } from './records';
import { Rubric } from './rubric';
import { SaidPart } from './said';
import { Spent } from './spent';
import { CheckIt, Locks, Worth } from './worth';

interface PieceProps {
  work: number;
  onClose: () => void;
}

/** One piece of work beside the view: what is asked, its life, what it costs from here, and the hand-in. */
function Piece({ work, onClose }: PieceProps) {
  const { id } = useStudent();
  const detail = useQuery(detailQuery(id, work));
  const pane = useRef<HTMLElement>(null);
  useEffect(fetchRichText, []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape' && !isTyping(event) && !event.defaultPrevented) onClose();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [onClose]);
  return (
    <aside
      ref={pane}
      aria-label={detail.data?.work.title ?? 'Piece of work'}
      className="flex w-[470px] shrink-0 flex-col overflow-auto border-line border-l bg-raised max-wide:w-full max-wide:border-l-0 print:w-full print:border-0"
    >
      {detail.data ? (
        <PieceBody detail={detail.data} onClose={onClose} />
      ) : detail.isError ? (
        <Failed error={detail.error} onRetry={() => void detail.refetch()} />
      ) : (
        <Loading rows={6} />
      )}
    </aside>
  );
}

/** What was new when the piece was opened stays marked, and where it is, while it is read. */
function useNewWhileOpen(detail: Detail): Detail {
  const [fresh] = useState(() => new Set(detail.said.filter((one) => one.unread).map((one) => one.id)));
  return useMemo(() => ({ ...detail, said: stillNew(detail.said, fresh) }), [detail, fresh]);
}

function PieceBody({ detail: told, onClose }: { detail: Detail; onClose: () => void }) {
  const detail = useNewWhileOpen(told);
  const { mayWrite, mayWriteLetters, course, asof } = useStudent();
  const { work } = detail;
  const parts = partsOf(detail, mayWrite, mayWriteLetters);
  useReadMark(told);
  useStep();
  return (
    <>
      <header className="border-line-2 border-b px-5 pt-3.5 pb-4">
        <div className="flex items-start justify-between gap-3">
          <p className="flex items-center gap-2 text-[14px] text-ink-2">
            <CourseMark colour={course(work.courseId)?.colour ?? ''} />
            {detail.courseName} · {KIND_WORDS[work.kind]}
            {!work.required && (work.kind === 'PRACTICE' ? ", doesn't count" : ', optional')}
          </p>
          <button
            type="button"
            aria-label="Close this piece of work"
            onClick={onClose}
            className="no-print -mt-1 -mr-2 rounded p-1.5 text-ink-2 hover:bg-line-2"
          >
            <X size={17} aria-hidden />
          </button>
        </div>
        {asof !== null && (
          <p className="mt-1 w-fit bg-wait-soft px-1.5 text-[14px]">As it is now, not as it was that day</p>
        )}
        <h2 className="mt-0.5 mb-2.5 font-bold text-[20px] leading-snug tracking-[-0.01em]">{work.title}</h2>
        <OpenAtSchool work={work} className="mb-2.5" />
        <div className="flex items-baseline justify-between gap-3">
          <StateWords work={work} />
          <ScoreKept detail={detail} />
        </div>
        <p className="mt-1 text-[14px] text-ink-2">{sentence(detail.because.stage)}</p>
        {work.flagDiffers && <p className="mt-1 text-[14px] text-loss">{flagAgainstClock(work)}</p>}
        <DueLine detail={detail} />
        {mayWrite && <WorkTools detail={detail} onClose={onClose} />}
      </header>
      <OnItsWay detail={detail} />
      <Locks detail={detail} />
      <CheckIt detail={detail} />
      <Jumps parts={parts} />
      {parts.map(({ id }) => {
        const Shown = PARTS[id];
        return <Shown key={id} detail={detail} />;
      })}
      <Why detail={detail} />
      <ReceiptDialog detail={detail} />
      <MessageDialog topic={topicOf(detail)} />
      <MarkedPage detail={detail} />
    </>
  );
}

/** Goes to the part that `?step=` names, once. */
function useStep(): void {
  const [params, setParams] = useAddress();
  const step = params.get('step');
  useEffect(() => {
    if (step !== 'said' && step !== 'hand-in') return;
    const part = document.getElementById(`part-${step}`);
    part?.scrollIntoView({ block: 'start' });
    part?.querySelector<HTMLElement>('button, textarea')?.focus({ preventScroll: true });
    setParams(
      (before) => {
        before.delete('step');
        return before;
      },
      { replace: true },
    );
  }, [step, setParams]);
}

/** What is kept of it, and what the pass mark or a penalty makes of that. */
function ScoreKept({ detail: { work } }: { detail: Detail }) {
  const { points, of, mark } = scoreWords(work.score);
  if (work.score.mark === 'NONE') return null;
  return (
    <p className="whitespace-nowrap text-right">
      {points && <b className="font-bold text-[19px]">{points}</b>} <span className="text-ink-2">{of}</span>
      {(mark || work.belowPass) && (
        <span className={`block text-[13.5px] ${work.belowPass ? 'text-loss' : 'text-ink-2'}`}>
          {[mark, work.belowPass && 'below the pass mark'].filter(Boolean).join(', ')}
        </span>
      )}
    </p>
  );
}

const PARTS: Record<PartId, (props: { detail: Detail }) => ReactNode> = {
  'hand-in': HandIn,
  said: SaidPart,
  asked: Asked,
  attempts: Attempts,
  rubric: Rubric,
  costs: Costs,
  worth: Worth,
  notes: Notes,
  'hand-ins': HandIns,
  records: Records,
  life: Life,
};

/** The way to each part, in one line that stays. */
function Jumps({ parts }: { parts: readonly PartPlace[] }) {
  const named = parts.filter((part) => part.name !== '');
  if (named.length < 4) return null;
  return (
    <nav
      aria-label="Parts of this piece of work"
      className="no-print sticky top-0 z-10 flex shrink-0 flex-wrap gap-x-3.5 gap-y-0.5 border-line-2 border-b bg-raised px-5 py-1.5 text-[13.5px]"
    >
      {named.map(({ id, name }) => (
        <button
          key={id}
          type="button"
          onClick={() => document.getElementById(`part-${id}`)?.scrollIntoView({ block: 'start' })}
          className="min-h-[24px] text-ink-2 hover:text-ink hover:underline"
        >
          {name}
        </button>
      ))}
    </nav>
  );
}

function DueLine({ detail }: { detail: Detail }) {
  const { zone } = useStudent();
  const now = useNow();
  const { work } = detail;
  const redo = work.move === 'YOURS' || work.move === 'TEACHERS' ? work.redo : null;
  const due = redo ? (work.dueToCome ?? detail.acceptanceEnds) : work.due;
  const name = redo ? (redo.due ? 'Redo due' : 'Redo taken until') : work.endsAt ? 'Happens' : 'Due';
  const down = countdown(work, zone, now);
  return (
    <div className="mt-3">
      <p className="mb-1">
        {due ? (
          <>
            {name}{' '}
            <b className="font-[680]">
              {near(due, zone, now)}
              {work.endsAt && ` to ${timeWords(work.endsAt, zone)}`}
            </b>
            {redo && work.due && <span className="text-ink-2"> · first due {near(work.due, zone, now)}</span>}
          </>
        ) : (
          <span className="text-ink-2">No due date</span>
        )}
        {work.effortMinutes && (
          <span className="text-ink-2"> · about {span(work.effortMinutes)} of work</span>
        )}
        <OwnEffort detail={detail} />
        <Spent detail={detail} />
      </p>
      {down.words && !work.lock && <TimingBar countdown={down} stacked />}
    </div>
  );
}

const ON_ITS_WAY: Record<NonNullable<Detail['onItsWay']>['kind'], string> = {
  HAND_IN: 'The hand-in',
  HAND_IN_AGAIN: 'The hand-in',
  WITHDRAW: 'The withdrawal',
  ASK: 'The request',
};

/** What was sent to the school, while it isn't known what came of it. */
function OnItsWay({ detail: { onItsWay, goesTo } }: { detail: Detail }) {
  const { zone } = useStudent();
  const now = useNow();
  if (!onItsWay) return null;
  const school = goesTo?.school ?? 'the school';
  return (
    <p role="status" className="border-yours border-l-4 bg-yours-soft px-5 py-2 text-[14px]">
      <b className="font-bold">
        {ON_ITS_WAY[onItsWay.kind]} is on its way to {school}
      </b>{' '}
      since {near(onItsWay.since, zone, now)}
      {onItsWay.unknown
        ? '. It may have arrived: nobody knows yet. Navlo goes on asking, and says here what came of it.'
        : '.'}
    </p>
  );
}

/** The reasons behind the four answers, for who wants to know. */
function Why({ detail }: { detail: Detail }) {
  const { because } = detail;
  return (
    <details className="px-5 py-4 text-[14px]">
      <summary className="font-bold text-[15px]">Why it stands here</summary>
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {(
          [
            ['Stage', because.stage],
            ['Timing', because.timing],
            ['Missing', because.missing],
            ['Move', because.move],
          ] as const
        ).map(([name, words]) => (
          <div key={name} className="contents">
            <dt className="text-ink-2">{name}</dt>
            <dd>{sentence(words)}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}

/** Feedback that has been on screen is read: that is a fact, and only the student makes it. */
function useReadMark(detail: Detail): void {
  const { id, mayWrite } = useStudent();
  const posts = detail.material.thread.filter((post) => post.unread).length;
  const unread = detail.work.feedback.unread + posts;
  const work = detail.work.id;
  useEffect(() => {
    if (!mayWrite || unread === 0) return;
    const timer = setTimeout(() => {
      take(
        client.POST('/api/students/{student}/works/{work}/read-mark', {
          params: { path: { student: id, work } },
        }),
      ).catch(() => undefined);
    }, 1_500);
    return () => clearTimeout(timer);
  }, [id, work, mayWrite, unread]);
}

function WorkTools({ detail, onClose }: { detail: Detail; onClose: () => void }) {
  const { id } = useStudent();
  const [editing, setEditing] = useState(false);
  const [scoring, setScoring] = useState(false);
  const [params] = useSearchParams();
  const { work, editable } = detail;
  const { write: comeBack } = useWrite(() =>
    writeTogether(id, [work.id], { back: true }, `${work.title} has come back`),
  );
  const { write: remove } = useWrite(async () => {
    const done = await take(
      client.DELETE('/api/students/{student}/works/{work}', {
        params: {
          path: { student: id, work: work.id },
          header: { 'If-Match': `"${work.version}"`, 'Idempotency-Key': writeKey() },
        },
      }),
    );
    onClose();
    await refreshStudent(id);
    noticeChange(id, done.change, `Removed ${work.title}`);
  });
  if (params.get('receipt')) return null;
  return (
    <div className="no-print mt-3 flex flex-wrap gap-2">
      <Button onClick={() => setEditing(true)}>Change</Button>
      <Button onClick={() => setScoring(true)}>Write down its score</Button>
      {work.stage === 'TURNED_IN' && <Button onClick={() => void comeBack()}>It has come back</Button>}
      <Button look="quiet" onClick={() => void remove()}>
        Remove
      </Button>
      <OwnScoreDialog work={work} open={scoring} onClose={() => setScoring(false)} />
      <WorkFormDialog
        open={editing}
        onClose={() => setEditing(false)}
        edited={{ id: work.id, version: work.version, form: editable }}
      />
    </div>
  );
}

export { Piece };
