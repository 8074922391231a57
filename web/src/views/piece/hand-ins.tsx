import { useState } from 'react';
import { Link } from 'react-router';
import { client, type Detail, type Receipt, Refused, take, writeKey } from '../../api/client';
import { detailQuery, queryClient, refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { moment } from '../../lib/time';
import { count } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { noticeChange, noticeFault } from '../../ui/notice';
import { Part } from './piece';
import { FileLinks, timingWords } from './receipt';

/** Every hand-in with its files, the latest first; each has its receipt. The one with the teacher can be withdrawn. */
function HandIns({ detail }: { detail: Detail }) {
  const { mayWrite, id } = useStudent();
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
        <Link to={`/s/${id}/files`} className="text-[14px] text-ink-2 underline underline-offset-2">
          All my files
        </Link>
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

/** Takes back what is with the teacher, after saying what that means. */
function Withdraw({ detail }: { detail: Detail }) {
  const { id } = useStudent();
  const [asking, setAsking] = useState(false);
  const [busy, setBusy] = useState(false);
  const { work } = detail;
  const withdraw = async () => {
    setBusy(true);
    try {
      const done = await take(
        client.POST('/api/students/{student}/works/{work}/withdrawal', {
          params: {
            path: { student: id, work: work.id },
            header: { 'If-Match': `"${work.version}"`, 'Idempotency-Key': writeKey() },
          },
        }),
      );
      queryClient.setQueryData(detailQuery(id, work.id).queryKey, done.detail);
      setAsking(false);
      noticeChange(id, done.change, `Withdrew ${work.title}`);
      await refreshStudent(id);
    } catch (error) {
      noticeFault(error);
      setAsking(false);
      if (error instanceof Refused && error.status === 412) await refreshStudent(id);
    }
    setBusy(false);
  };
  return (
    <>
      <Button onClick={() => setAsking(true)}>Withdraw it</Button>
      <Dialog
        open={asking}
        onOpenChange={setAsking}
        title="Withdraw this hand-in?"
        about="It isn’t graded yet, so it can be taken back. Then nothing is with the teacher; what you handed in lies ready as a draft."
      >
        {work.timing === 'ON_TIME' && work.due && (
          <p className="text-ink-2">A new hand-in is on time until {moment(work.due, detail.zone)}.</p>
        )}
        <div className="mt-4 flex justify-end gap-2">
          <Button look="quiet" onClick={() => setAsking(false)}>
            Leave it with the teacher
          </Button>
          <Button look="danger" disabled={busy} onClick={() => void withdraw()}>
            Withdraw it
          </Button>
        </div>
      </Dialog>
    </>
  );
}

export { HandIns };
