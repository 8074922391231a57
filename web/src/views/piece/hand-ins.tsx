import { useState } from 'react';
import { Link } from 'react-router';
import { client, type Detail, once, type Receipt, Refused, take } from '../../api/client';
import { detailQuery, queryClient, refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { useNow } from '../../lib/now';
import { moment, near } from '../../lib/time';
import { count } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { noticeChange, noticeFault } from '../../ui/notice';
import { Part } from './part';
import { FileLinks, timingWords } from './receipt';

/** Every hand-in with its files, the latest first; each has its receipt. The one with the teacher can be withdrawn. */
function HandIns({ detail }: { detail: Detail }) {
  const { mayWrite, id, sees } = useStudent();
  if (detail.handIns.length === 0) return null;
  return (
    <Part title="Handed in" id="hand-ins" aside={count(detail.handIns.length, 'time')}>
      <ul className="flex flex-col gap-3">
        {detail.handIns.map((receipt) => (
          <HandInLine key={receipt.id} detail={detail} receipt={receipt} />
        ))}
      </ul>
      <div className="no-print mt-3 flex flex-wrap items-center gap-3 empty:hidden">
        {detail.mayWithdraw && mayWrite && <Withdraw detail={detail} />}
        {sees.words && (
          <Link to={`/s/${id}/files`} className="text-[14px] text-ink-2 underline underline-offset-2">
            All files
          </Link>
        )}
      </div>
    </Part>
  );
}

function HandInLine({ detail, receipt }: { detail: Detail; receipt: Receipt }) {
  const { zone } = useStudent();
  const [, setParams] = useAddress();
  const show = () =>
    setParams((before) => {
      before.set('receipt', String(receipt.id));
      return before;
    });
  return (
    <li className={receipt.stands ? '' : 'text-ink-2'}>
      <p className="flex flex-wrap items-baseline gap-x-2">
        <b className="font-[680]">{moment(receipt.at, zone)}</b>
        <span className={receipt.timing === 'LATE' ? 'text-loss' : 'text-ink-2'}>{timingWords(receipt)}</span>
        {!receipt.stands && <span>· no longer stands</span>}
        <TextButton onClick={show} className="ml-auto">
          Receipt
        </TextButton>
      </p>
      <FileLinks work={detail.work.id} receipt={receipt} />
      {receipt.text && <p className="line-clamp-2 text-[14px] text-ink-2">{receipt.text}</p>}
      {receipt.note && <p className="text-[14px] text-ink-2">“{receipt.note}”</p>}
    </li>
  );
}

/** Takes back what is with the teacher, after saying what that costs and until when. */
function Withdraw({ detail }: { detail: Detail }) {
  const { id } = useStudent();
  const [asking, setAsking] = useState(false);
  const [busy, setBusy] = useState(false);
  const [, setParams] = useAddress();
  const { work } = detail;
  const withdraw = async () => {
    setBusy(true);
    try {
      const done = await once(`withdraw ${work.id} ${work.version}`, (key) =>
        take(
          client.POST('/api/students/{student}/works/{work}/withdrawal', {
            params: {
              path: { student: id, work: work.id },
              header: { 'If-Match': `"${work.version}"`, 'Idempotency-Key': key },
            },
          }),
        ),
      );
      queryClient.setQueryData(detailQuery(id, work.id).queryKey, done.detail);
      setAsking(false);
      noticeChange(id, done.change, `Withdrew ${work.title}`);
      await refreshStudent(id);
    } catch (error) {
      noticeFault(error);
      setAsking(false);
      if (error instanceof Refused && error.status > 0) await refreshStudent(id);
    }
    setBusy(false);
  };
  const sendBack = () => {
    setAsking(false);
    setParams((before) => {
      before.set('step', 'message');
      before.set('about', 'Send it back');
      return before;
    });
  };
  return (
    <>
      <Button onClick={() => setAsking(true)} disabled={detail.onItsWay !== null}>
        Withdraw it
      </Button>
      <Dialog
        open={asking}
        onOpenChange={setAsking}
        title="Withdraw this hand-in?"
        wide
        about="It isn’t graded yet, so it can be taken back. Then nothing is with the teacher; what you handed in lies ready as a draft."
      >
        <Price detail={detail} />
        <div className="mt-4 flex flex-wrap justify-end gap-2">
          <Button look="quiet" onClick={() => setAsking(false)}>
            Leave it with the teacher
          </Button>
          <Button onClick={sendBack}>Ask the teacher to send it back</Button>
          <Button look="danger" disabled={busy} onClick={() => void withdraw()}>
            Withdraw it
          </Button>
        </div>
      </Dialog>
    </>
  );
}

/** What taking it back costs, and until when that holds. */
function Price({ detail: { takenBack, work } }: { detail: Detail }) {
  const { zone } = useStudent();
  const now = useNow();
  if (!takenBack) return null;
  const { possible } = work.score;
  if (!takenBack.mayHandInAgain) {
    return (
      <p className="border-loss border-l-4 bg-loss-soft px-3 py-1.5">
        <b className="font-bold">Nothing can be handed in after it</b>: it is no longer accepted, and would
        count as not handed in. What the teacher sends back is judged by a due of its own.
      </p>
    );
  }
  const until = takenBack.until ? `, until ${near(takenBack.until, zone, now)}` : '';
  const then =
    takenBack.ends && takenBack.ends !== takenBack.until
      ? ` Nothing is accepted after ${near(takenBack.ends, zone, now)}.`
      : '';
  if (Number(takenBack.price) === 0) {
    return (
      <p className="text-ink-2">
        {takenBack.until
          ? `Handing in again costs nothing until ${near(takenBack.until, zone, now)}.`
          : 'Handing in again costs nothing.'}
        {then}
      </p>
    );
  }
  return (
    <p className="border-loss border-l-4 bg-loss-soft px-3 py-1.5">
      <b className="font-bold">
        Handing in again now keeps {plain(takenBack.keeps)} of {possible}
        {until}
      </b>
      : {plain(takenBack.price)} less than as it stands.{then} What the teacher sends back is judged by a due
      of its own.
    </p>
  );
}

function plain(points: string): string {
  return String(Math.round(Number(points) * 100) / 100);
}

export { HandIns };
