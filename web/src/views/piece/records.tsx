import type { ReactNode } from 'react';
import { client, type Detail, writeKey } from '../../api/client';
import { writeChange } from '../../api/write-change';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { day, near } from '../../lib/time';
import { sentence } from '../../lib/words';
import { TextButton } from '../../ui/button';
import { noticeFault } from '../../ui/notice';
import { WriteToTeacher } from './message';
import { Part } from './piece';

type Record = Detail['material']['records'][number];

/** The two records of this work side by side, and what to make of it where they disagree. */
function Records({ detail }: { detail: Detail }) {
  return detail.material.records.map((record) => (
    <OneRecord key={record.toldBy} record={record}>
      <div className="mt-1.5 flex flex-wrap gap-x-5 pl-3">
        {record.disagreements.length > 0 && <WriteToTeacher detail={detail} />}
        <NotThisWork detail={detail} record={record} />
      </div>
    </OneRecord>
  ));
}

/** A record that was put here by its likeness, and is of something else. */
function NotThisWork({ detail, record }: { detail: Detail; record: Record }) {
  const { id, mayWrite } = useStudent();
  if (!mayWrite) return null;
  const part = () =>
    void writeChange(
      id,
      client.PUT('/api/students/{student}/works/{work}/match', {
        params: {
          path: { student: id, work: detail.work.id },
          header: { 'Idempotency-Key': writeKey() },
        },
        body: { book: record.toldBy, with: null },
      }),
      `${record.toldBy} speaks of other work`,
    ).catch(noticeFault);
  return (
    <TextButton className="text-ink-2" onClick={part}>
      {record.toldBy} speaks of other work
    </TextButton>
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
        <dt className="text-ink-2">Here</dt>
        <dd>{record.site}</dd>
        <dt className="text-ink-2">{record.toldBy}</dt>
        <dd>{record.book}</dd>
      </dl>
      {record.disagreements.map((one) => (
        <div key={one.words} className="mt-2 border-yours border-l-2 pl-3 text-[14px]">
          <p className="font-semibold">{sentence(one.words)}</p>
          <p>
            {one.believe}.
            {one.settledBy && ` It will likely settle on the next grading day, ${day(one.settledBy, zone)}.`}
          </p>
          <p className="text-ink-2">{sentence(one.toDo)}</p>
        </div>
      ))}
      {children}
    </Part>
  );
}

export { Records };
