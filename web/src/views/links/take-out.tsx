import clsx from 'clsx';
import { useState } from 'react';
import { type Schemas, upload } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { count } from '../../lib/words';
import { FileButton } from '../../ui/file-button';
import { noticeFault } from '../../ui/notice';

const LINES = [
  ['archive', 'All of it', 'Everything that Navlo knows, files included. It can be brought back whole.'],
  ['exports/oneroster.zip', 'A gradebook', 'Courses, work and scores, as a OneRoster 1.2 bundle.'],
  [
    'exports/works.csv',
    'A table',
    'All work, a row each, for any spreadsheet. Work has the same for what it shows.',
  ],
] as const;

/** What is here, to be taken elsewhere; and an archive brought back, beside what is here. */
function TakeOut() {
  const { id, own, mayWrite } = useStudent();
  return (
    <section aria-labelledby="take-out" className="border-line border-l-4 bg-raised px-4 py-4">
      <h2 id="take-out" className="font-bold text-[17px]">
        Take copies of it
      </h2>
      <ul className="mt-1">
        {LINES.filter(([path]) => own || path !== 'archive').map(([path, name, about]) => (
          <li key={path} className="flex items-baseline gap-4 border-line-2 border-t py-1.5 first:border-0">
            <a
              href={`/api/students/${id}/${path}`}
              download
              className="w-24 shrink-0 font-semibold underline underline-offset-2"
            >
              {name}
            </a>
            <span className="min-w-0 text-[14px] text-ink-2">{about}</span>
          </li>
        ))}
      </ul>
      {mayWrite && <BringBack />}
    </section>
  );
}

function Back({ taken }: { taken: Schemas['ArchiveTaken'] }) {
  const lost = taken.damaged.length;
  return (
    <div role="status" className="mt-2">
      <p className={clsx('font-semibold', lost === 0 && 'text-done')}>
        {lost === 0 ? 'It is all back' : `It is back but for ${count(lost, 'file')}`}:{' '}
        {count(taken.rows, 'line')} of it.
      </p>
      {lost > 0 && (
        <>
          <p className="mt-1 max-w-[64ch]">
            {lost === 1 ? 'This file was' : 'These files were'} damaged in the archive or missing in it. Where
            you still have {lost === 1 ? 'it' : 'them'}, put {lost === 1 ? 'it' : 'them'} in anew:
          </p>
          <ul className="mt-1 list-inside list-disc">
            {taken.damaged.map((name) => (
              <li key={name}>{name}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

function BringBack() {
  const { id } = useStudent();
  const [share, setShare] = useState<number | null>(null);
  const [taken, setTaken] = useState<Schemas['ArchiveTaken'] | null>(null);
  if (taken) return <Back taken={taken} />;
  const bring = async (file: File | undefined) => {
    if (!file) return;
    setShare(0);
    try {
      const url = `/api/students/${id}/archive`;
      setTaken(await upload<Schemas['ArchiveTaken']>(url, file, setShare, new AbortController().signal));
      await refreshStudent(id);
    } catch (error) {
      noticeFault(error);
    }
    setShare(null);
  };
  return (
    <div className="mt-2">
      <FileButton
        label="Bring back an archive"
        busy={share === null ? null : `Bringing it back … ${Math.round(100 * share)} %`}
        accept=".zip,application/zip"
        name="Archive to bring back"
        onFiles={([file]) => void bring(file)}
      />
    </div>
  );
}

export { TakeOut };
