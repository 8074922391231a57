import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Detail, once, Refused, type Schemas, take } from '../../api/client';
import { detailQuery, ifHandedInQuery, queryClient, refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { useNow } from '../../lib/now';
import { near, span } from '../../lib/time';
import { bytes, count, sentence } from '../../lib/words';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { noticeChange, noticeFault } from '../../ui/notice';
import { typeList } from './check-file';
import { DraftFiles } from './draft-files';
import { DraftText } from './draft-text';
import { Elsewhere } from './elsewhere';
import { keptText } from './kept-text';
import { MarksLeft } from './mark-tick';
import { compared, handInTitle } from './model';
import { Part } from './part';
import { Posts } from './posts';

/** Hands in what lies ready, after it was looked at once more. A draft is not a hand-in, and says so. */
function HandIn({ detail }: { detail: Detail }) {
  const { mayWrite } = useStudent();
  if (detail.work.parts) return <Posts detail={detail} />;
  if (!mayWrite) return null;
  if (detail.mayHandIn) return <Open detail={detail} />;
  return detail.mayRecord ? <NoLonger detail={detail} /> : null;
}

function Open({ detail }: { detail: Detail }) {
  const [confirming, setConfirming] = useState(false);
  const { id } = useStudent();
  const [text, setText] = useState(() => keptText(id, detail.work.id)?.text ?? detail.draft.text);
  const { takes, draft, work } = detail;
  const offer = offerOf(detail, text);
  if (!takes.files && !takes.text && !takes.done) return <NothingTaken detail={detail} />;
  const isDraft = draft.files.length > 0 || text.trim() !== '';
  return (
    <Part title={handInTitle(detail)} id="hand-in" aside={takenWords(detail)}>
      <div className="flex flex-col gap-3">
        {offer && isRecord(offer) && <DoneWhere detail={detail} attempt={offer.content === 'ATTEMPT'} />}
        {work.toComplete && (
          <p className="text-[14px]">
            It is flagged incomplete. What you add here joins what you handed in, and is no new attempt.
          </p>
        )}
        <MarksLeft detail={detail} />
        {takes.files && <DraftFiles detail={detail} />}
        {takes.text && <DraftText detail={detail} text={text} onText={setText} />}
        {isDraft && <Unfit detail={detail} text={text} />}
        {isDraft && (
          <p className="border-yours border-l-4 bg-yours-soft px-3 py-1.5 text-[14px]">
            <b className="font-bold">Not handed in.</b> This is a draft: only you see it.
          </p>
        )}
        <div>
          <Button
            look={offer && isRecord(offer) && work.hasPlace ? 'plain' : 'main'}
            disabled={!offer || detail.onItsWay !== null}
            onClick={() => setConfirming(true)}
            className="h-9"
          >
            {offer?.words ?? 'Hand in'}
          </Button>
          {!offer && <span className="ml-3 text-[14px] text-ink-2">{nothingReady(detail)}</span>}
        </div>
        <WhereItGoes detail={detail} />
        <Elsewhere detail={detail} />
      </div>
      {confirming && offer && (
        <Confirm
          key={work.version}
          detail={detail}
          offer={offer}
          text={text}
          onClose={() => setConfirming(false)}
        />
      )}
    </Part>
  );
}

/** What only says that something was done elsewhere. */
function isRecord({ content }: Offer): boolean {
  return content === 'DONE' || content === 'ATTEMPT';
}

/** Where it is really done, since pressing the button only records that it was. */
function DoneWhere({ detail, attempt }: { detail: Detail; attempt: boolean }) {
  const { work, goesTo } = detail;
  const told = goesTo && !goesTo.paused;
  return (
    <div className="flex flex-col gap-2 text-[14px]">
      <p>
        {work.hasPlace
          ? attempt
            ? 'It is taken at the school, not here.'
            : 'It is done at the school, not here.'
          : 'It isn’t done in Navlo: do it where your school has it, then record it here.'}
        {work.hasPlace &&
          (told
            ? ` ${goesTo.school} tells of it by itself once it is done there.`
            : ' Record it here once it is done.')}
      </p>
      {attempt && told && (
        <p className="text-ink-2">
          Record it only where the school has nothing of it: each record uses up an attempt.
        </p>
      )}
    </div>
  );
}

/** A hand-in that only counts here must not look like one that the school has. */
function WhereItGoes({ detail: { goesTo, typed } }: { detail: Detail }) {
  if (!goesTo && typed) return null;
  if (!goesTo)
    return (
      <p className="text-[14px] text-ink-2">No link takes it to the school: it is recorded here only.</p>
    );
  if (goesTo.paused)
    return (
      <p className="border-loss border-l-4 bg-loss-soft px-3 py-1.5 text-[14px]">
        <b className="font-bold">{goesTo.school} is paused:</b> it would be recorded here only, and the school
        wouldn’t have it. Go on with the link in Links first.
      </p>
    );
  return <p className="text-[14px] text-ink-2">Goes to {goesTo.school}, which gives a receipt for it.</p>;
}

interface Offer {
  content: 'FILES' | 'TEXT' | 'DONE' | 'ATTEMPT';
  words: string;
}

/** What pressing the button would hand in; nothing while nothing lies ready. */
function offerOf(detail: Detail, text: string): Offer | null {
  const { takes, draft, work } = detail;
  const files = draft.files.length;
  if (files > 0) {
    const withText = takes.text && text.trim() ? ' and the text' : '';
    return { content: 'FILES', words: `Hand in ${count(files, 'file')}${withText}` };
  }
  if (takes.text && text.trim()) return { content: 'TEXT', words: 'Hand in the text' };
  if (!takes.done) return null;
  return work.byAttempts
    ? { content: 'ATTEMPT', words: `Record attempt ${work.attemptsUsed + 1} as done` }
    : { content: 'DONE', words: 'Record that it was done' };
}

function takenWords({ takes, work }: Detail): string {
  const ways = [
    takes.files ? (takes.fileTypes.length > 0 ? typeList(takes.fileTypes) : 'any file') : '',
    takes.text ? 'text' : '',
    takes.done && !takes.files && !takes.text ? 'done elsewhere' : '',
  ].filter(Boolean);
  const attempt =
    work.attemptsAllowed && !work.toComplete
      ? `attempt ${work.attemptsUsed + 1} of ${work.attemptsAllowed}`
      : '';
  return [ways.join(' or '), attempt].filter(Boolean).join(' · ');
}

function nothingReady({ takes }: Detail): string {
  if (takes.files && takes.text) return 'Choose a file or write the text first.';
  return takes.files ? 'Choose a file first.' : 'Write the text first.';
}

/** What doesn't fit what is asked for. It may be handed in all the same: the teacher decides. */
function Unfit({ detail, text }: { detail: Detail; text: string }) {
  const unfit = compared(detail, text).filter((line) => !line.fits);
  return unfit.map((line) => (
    <p key={line.what} className="border-loss border-l-4 bg-loss-soft px-3 py-1.5 text-[14px]">
      <b className="font-bold">{line.what}:</b> {line.asked} asked for, {line.ready} ready.
    </p>
  ));
}

function NoLonger({ detail }: { detail: Detail }) {
  return (
    <Part title="Hand in" id="hand-in">
      <p className="mb-1.5 text-ink-2">{detail.whyNot && sentence(detail.whyNot)}</p>
      <Elsewhere detail={detail} />
    </Part>
  );
}

function NothingTaken({ detail }: { detail: Detail }) {
  return (
    <Part title="Hand in" id="hand-in">
      <p className="text-ink-2">
        Nothing is to be handed in here: it happens in class
        {detail.work.due ? ', and counts as done at its due.' : '.'}
      </p>
    </Part>
  );
}

interface ConfirmProps {
  detail: Detail;
  offer: Offer;
  text: string;
  onClose: () => void;
}

/** Hands in the draft as it is saved, once, whatever becomes of the answer; then shows the receipt. */
function useHandIn(detail: Detail, offer: Offer, onClose: () => void) {
  const { id } = useStudent();
  const [, setParams] = useAddress();
  const [busy, setBusy] = useState(false);
  const { work, draft } = detail;
  const handIn = async (note: string) => {
    setBusy(true);
    try {
      const body = {
        content: offer.content,
        files: draft.files.map((file) => file.id),
        draft: draft.number || null,
        note: note || null,
      };
      const done = await once(`hand in ${work.id} ${work.version} ${JSON.stringify(body)}`, (key) =>
        take(
          client.POST('/api/students/{student}/works/{work}/hand-ins', {
            params: {
              path: { student: id, work: work.id },
              header: { 'If-Match': `"${work.version}"`, 'Idempotency-Key': key },
            },
            body,
          }),
        ),
      );
      queryClient.setQueryData(detailQuery(id, work.id).queryKey, done.detail);
      onClose();
      if (done.receipt) {
        const receipt = String(done.receipt.id);
        setParams((before) => {
          before.set('receipt', receipt);
          return before;
        });
      }
      noticeChange(
        id,
        done.change,
        isRecord(offer) ? `Recorded ${work.title} as done` : `Handed in ${work.title}`,
      );
      await refreshStudent(id);
    } catch (error) {
      const cut = error instanceof Refused && error.status === 0;
      noticeFault(cut ? mayHaveArrived(detail.goesTo?.school) : error);
      if (error instanceof Refused && error.status > 0) {
        onClose();
        await refreshStudent(id);
      }
      setBusy(false);
    }
  };
  return { busy, handIn };
}

/** The last look: what goes, and whether it is on time. */
function Confirm({ detail, offer, text, onClose }: ConfirmProps) {
  const { id, zone } = useStudent();
  const [note, setNote] = useState('');
  const now = useNow();
  const { work, draft } = detail;
  // What goes is the draft as it is saved: it must be what stands in the box.
  const saving = detail.takes.text && text !== draft.text;
  const { data: would } = useQuery(ifHandedInQuery(id, work.id, Math.floor(now / 60_000)));
  const { busy, handIn } = useHandIn(detail, offer, onClose);
  return (
    <Dialog open onOpenChange={(next) => !next && onClose()} title={`${offer.words}?`} about={work.title}>
      {draft.files.length > 0 && (
        <ul className="mb-2 border-line border-y">
          {draft.files.map((file) => (
            <li key={file.id} className="flex justify-between gap-3 py-1.5">
              <span className="min-w-0 break-words font-semibold">{file.name}</span>
              <span className="shrink-0 text-ink-2">{bytes(file.size)}</span>
            </li>
          ))}
        </ul>
      )}
      <AskedAndReady detail={detail} text={text} />
      {detail.takes.text && text.trim() && (
        <p className="mb-2 line-clamp-3 border-line-2 border-l-2 pl-2.5 text-[14px] text-ink-2">{text}</p>
      )}
      <p
        className={`min-h-[1.5em] ${would?.late ? 'font-semibold text-loss' : 'text-ink-2'}`}
        aria-live="polite"
      >
        {would && timeWords(would, zone, now)}
      </p>
      <TextField
        frame="mt-3"
        label="A line to go with it"
        hint="May stay empty."
        maxLength={1000}
        value={note}
        onChange={(event) => setNote(event.target.value)}
      />
      <div className="mt-4 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Not yet
        </Button>
        <Button look="main" disabled={busy || saving} onClick={() => void handIn(note)}>
          {saving ? 'Saving the draft …' : offer.words}
        </Button>
      </div>
    </Dialog>
  );
}

/** Nobody knows what came of a hand-in whose answer was cut off; the same press again does it once. */
function mayHaveArrived(school: string | undefined): Refused {
  return new Refused(0, school ? `It may have arrived at ${school}` : 'It may have been handed in', [
    {
      field: '',
      message:
        'The connection was cut before an answer came. Press again when it is back: it can’t be handed in twice.',
    },
  ]);
}

/** What is asked for beside what goes. */
function AskedAndReady({ detail, text }: { detail: Detail; text: string }) {
  const lines = compared(detail, text);
  if (lines.length === 0) return null;
  return (
    <table className="mb-2.5 w-full text-[14px]">
      <thead className="text-left text-ink-2">
        <tr>
          <th className="py-0.5 font-normal">
            <span className="sr-only">What</span>
          </th>
          <th className="py-0.5 font-normal">Asked for</th>
          <th className="py-0.5 font-normal">Goes now</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.what} className={line.fits ? '' : 'font-semibold text-loss'}>
            <th scope="row" className="py-0.5 pr-3 text-left font-normal">
              {line.what}
            </th>
            <td className="py-0.5 pr-3">{line.asked}</td>
            <td className="py-0.5">{line.fits ? line.ready : `${line.ready}, which differs`}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function timeWords(would: Schemas['IfHandedInView'], zone: string, now: number): string {
  if (would.completes) return 'It counts as handed in when you handed in the first of it.';
  if (would.penalty) return sentence(would.penalty);
  if (!would.due) return 'It has no due date.';
  const left = Math.max(0, new Date(would.due).getTime() - now) / 60_000;
  return `On time: due ${near(would.due, zone, now)}, in ${span(left)}.`;
}

export { HandIn };
