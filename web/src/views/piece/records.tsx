import { type ReactNode, useState } from 'react';
import { client, type Detail, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { sentence } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Select } from '../../ui/field';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';
import { WriteToTeacher } from './message';
import { Part } from './part';

type Record = Detail['material']['records'][number];

/** The two records of this work side by side, and what to make of it where they disagree. */
function Records({ detail }: { detail: Detail }) {
  return detail.material.records.map((record) => (
    <OneRecord key={record.toldBy} record={record}>
      <div className="mt-1.5 flex flex-wrap gap-x-5 pl-3">
        {record.disagreements.length > 0 && (
          <WriteToTeacher teacher={detail.material.teacher} answers="RECORDS_DIFFER" />
        )}
        <NotThisWork detail={detail} record={record} />
      </div>
    </OneRecord>
  ));
}

/** A record that was put here by its likeness, and is of something else: of what, a person says. */
function NotThisWork({ detail, record }: { detail: Detail; record: Record }) {
  const { mayWrite } = useStudent();
  const [open, setOpen] = useState(false);
  if (!mayWrite) return null;
  return (
    <>
      <TextButton className="text-ink-2" onClick={() => setOpen(true)}>
        This is other work
      </TextButton>
      <Dialog
        open={open}
        onOpenChange={setOpen}
        title={`Which work does ${record.toldBy} speak of?`}
        about={`Its record (${record.book}) stands with ${detail.work.title} now. What you say here is kept for the next time that it tells.`}
      >
        {open && <WhichWork detail={detail} record={record} onDone={() => setOpen(false)} />}
      </Dialog>
    </>
  );
}

interface WhichWorkProps {
  detail: Detail;
  record: Record;
  onDone: () => void;
}

function WhichWork({ detail, record, onDone }: WhichWorkProps) {
  const { id, board } = useStudent();
  const [withWork, setWithWork] = useState('');
  const [key] = useState(writeKey);
  const others = board.works
    .filter((work) => work.courseId === detail.work.courseId && work.id !== detail.work.id)
    .sort((a, b) => a.title.localeCompare(b.title, 'en', { numeric: true }));
  const { write: put } = useWrite(() =>
    writeChange(
      id,
      client.PUT('/api/students/{student}/works/{work}/match', {
        params: { path: { student: id, work: detail.work.id }, header: { 'Idempotency-Key': key } },
        body: { book: record.toldBy, with: withWork === '' ? null : Number(withWork) },
      }),
      withWork === ''
        ? `Took ${record.toldBy}’s record away from this work`
        : `Put ${record.toldBy}’s record with other work`,
    ).then(onDone),
  );
  return (
    <div className="flex flex-col gap-3.5">
      <Select
        label={`Work of ${detail.courseName}`}
        value={withWork}
        onChange={(event) => setWithWork(event.target.value)}
      >
        <option value="">none that is here</option>
        {others.map((work) => (
          <option key={work.id} value={work.id}>
            {work.title}
          </option>
        ))}
      </Select>
      <div className="flex justify-end">
        <Button look="main" onClick={() => void put()}>
          {withWork === '' ? 'Take it away from here' : 'Put it there'}
        </Button>
      </div>
    </div>
  );
}

function OneRecord({ record, children }: { record: Record; children: ReactNode }) {
  const { zone } = useStudent();
  const now = useNow();
  const differ = record.disagreements.length > 0;
  return (
    <Part
      title={differ ? 'Two records disagree' : 'Two records agree'}
      id="records"
      aside={`told ${near(record.toldAt, zone, now)}`}
    >
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[14px]">
        <dt className="text-ink-2">Navlo</dt>
        <dd>{record.site}</dd>
        <dt className="text-ink-2">{record.toldBy}</dt>
        <dd>{record.book}</dd>
      </dl>
      {record.disagreements.map((one) => (
        <div key={one.words} className="mt-2 border-yours border-l-2 pl-3 text-[14px]">
          <p className="font-semibold">{sentence(one.words)}</p>
          {one.because && <p>{sentence(one.because)}</p>}
          <p className={one.points === null ? 'text-ink-2' : undefined}>{sentence(one.advice)}</p>
        </div>
      ))}
      {children}
    </Part>
  );
}

export { Records };
