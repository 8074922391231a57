import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { type Change, type FilePreview as FileRead, type ImportPreview, upload } from '../../api/client';
import { changesQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { moment } from '../../lib/time';
import { Button } from '../../ui/button';
import { FileButton } from '../../ui/file-button';
import { noticeFault, undo } from '../../ui/notice';
import { Failed, Loading } from '../../ui/states';
import { CalendarFeed } from './calendar-feed';
import { FilePreview } from './file-preview';
import { isCalendar } from './model';
import { Preview } from './preview';
import { SchoolLinks } from './school-links';
import { TakeOut } from './take-out';
import { TwoRecords } from './two-records';

/** Where the data comes from: links to schools, calendar files in, a calendar out, and what was changed when, with undo. */
function LinksView() {
  const { mayWrite } = useStudent();
  const [calendar, setCalendar] = useState<ImportPreview | null>(null);
  const [file, setFile] = useState<FileRead | null>(null);
  const preview = calendar ?? file;
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto flex max-w-[1080px] flex-col gap-8 px-5 py-6 max-sm:px-3">
        <h1 className="sr-only">Links</h1>
        {!preview && <SchoolLinks />}
        {mayWrite && calendar && (
          <section aria-label="Read in a file">
            <Preview key={calendar.id} first={calendar} onDone={() => setCalendar(null)} />
          </section>
        )}
        {mayWrite && file && (
          <section aria-label="Read in a file">
            <FilePreview key={file.id} first={file} onDone={() => setFile(null)} />
          </section>
        )}
        {mayWrite && !preview && (
          <div className="grid gap-6 lg:grid-cols-2">
            <section aria-label="Read in a file">
              <ChooseFile onCalendar={setCalendar} onFile={setFile} />
            </section>
            <CalendarFeed />
          </div>
        )}
        {!preview && <TakeOut />}
        {!preview && <TwoRecords />}
        {!preview && <Changes />}
      </div>
    </div>
  );
}

interface ChooseFileProps {
  onCalendar: (preview: ImportPreview) => void;
  onFile: (preview: FileRead) => void;
}

/** Of a folder only what a bundle can be made of. */
function tables(files: File[]): File[] {
  return files.filter((file) => file.name.toLowerCase().endsWith('.csv'));
}

/** Takes calendars, gradebooks' bundles and tables; each is looked at first. */
function ChooseFile({ onCalendar, onFile }: ChooseFileProps) {
  const { id } = useStudent();
  const [share, setShare] = useState<number | null>(null);
  const read = async (files: File[]) => {
    const [file] = files;
    if (!file) {
      toast.error('The folder has no tables (.csv)', {
        description: 'Choose the one that has manifest.csv.',
      });
      return;
    }
    setShare(0);
    try {
      const { signal } = new AbortController();
      if (isCalendar(file.name))
        onCalendar(await upload<ImportPreview>(`/api/students/${id}/imports`, file, setShare, signal));
      else onFile(await upload<FileRead>(`/api/students/${id}/link-files`, files, setShare, signal));
    } catch (error) {
      noticeFault(error);
    }
    setShare(null);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: a file may be dropped here; the button inside does the same
    <div
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const dropped = [...event.dataTransfer.files];
        if (dropped.length > 0) void read(dropped.length > 1 ? tables(dropped) : dropped);
      }}
      className="flex h-full flex-col items-start gap-2 border-line border-l-4 bg-raised px-4 py-4"
    >
      <h2 className="font-bold text-[17px]">Read in a file</h2>
      <p className="max-w-[64ch] text-ink-2">
        A calendar (.ics), a gradebook’s OneRoster bundle (.zip, or the folder it unpacks to) or a plain table
        (.csv). You see first what is new, changed, gone and told otherwise. Reading the same file in again
        doubles nothing.
      </p>
      <div className="flex flex-wrap gap-2">
        <FileButton
          label="Choose a file"
          busy={share === null ? null : 'Reading …'}
          accept=".ics,.ical,.ifb,.zip,.csv,.tsv,.txt,text/calendar,text/csv,application/zip"
          name="File to read in"
          className="h-9"
          onFiles={(files) => void read(files)}
        />
        <FileButton
          label="Choose a folder"
          busy={share === null ? null : 'Reading …'}
          name="Folder to read in"
          folder
          className="h-9"
          onFiles={(files) => void read(tables(files))}
        />
      </div>
    </div>
  );
}

function Changes() {
  const { id } = useStudent();
  const changes = useQuery(changesQuery(id));
  if (changes.isError) return <Failed error={changes.error} onRetry={() => void changes.refetch()} />;
  if (!changes.data) return <Loading rows={4} />;
  return (
    <section aria-labelledby="changes">
      <h2 id="changes" className="mb-1 font-bold text-[17px]">
        What was changed
      </h2>
      {changes.data.length === 0 ? (
        <p className="text-ink-2">
          Nothing yet. Imports, hand-ins and what you type in are listed here, each with its undo.
        </p>
      ) : (
        <ul>
          {changes.data.map((change) => (
            <ChangeLine key={change.id} change={change} />
          ))}
        </ul>
      )}
    </section>
  );
}

function ChangeLine({ change }: { change: Change }) {
  const { id, zone, mayWrite } = useStudent();
  return (
    <li className="flex items-center gap-4 border-line-2 border-t py-1.5">
      <time className="w-36 shrink-0 text-[14px] text-ink-2 max-sm:w-24">{moment(change.at, zone)}</time>
      <span className={change.stands ? 'min-w-0 flex-1' : 'min-w-0 flex-1 text-ink-2 line-through'}>
        {change.summary}
      </span>
      <span className="text-[14px] text-ink-2 max-md:hidden">{change.source}</span>
      {change.undoable && mayWrite ? (
        <Button
          look="quiet"
          className="h-7"
          onClick={() => void undo(id, change.id)}
          aria-label={`Undo: ${change.summary}`}
        >
          Undo
        </Button>
      ) : (
        <span className="w-[58px] text-right text-[14px] text-ink-3">{change.stands ? '' : 'undone'}</span>
      )}
    </li>
  );
}

export { LinksView };
