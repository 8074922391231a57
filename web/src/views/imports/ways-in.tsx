import { type ReactNode, useState } from 'react';
import { toast } from 'sonner';
import { client, type ImportPreview as Preview, type Schemas, take, upload } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useTerms } from '../../frame/terms';
import { outlineRows, tableOf } from '../../lib/lines';
import { numberOrder } from '../../lib/time';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextArea, TextField } from '../../ui/field';
import { FileButton } from '../../ui/file-button';
import { noticeFault } from '../../ui/notice';
import { ImportPreview } from './import-preview';
import { importWay } from './ways';

interface WaysInProps {
  /** What stands here while nothing is being looked at; the ways in are its children's neighbours. */
  children?: ReactNode;
  /** Told while something is being looked at. */
  onBusy?: (busy: boolean) => void;
}

/** Of a folder only what a bundle can be made of. */
function tables(files: File[]): File[] {
  return files.filter((file) => file.name.toLowerCase().endsWith('.csv'));
}

function isDocument(file: File): boolean {
  return /\.(pdf|docx)$/i.test(file.name);
}

/** The same address, with how this reader writes dates, for tables that don't tell. */
function dated(url: string): string {
  return `${url}?dates=${numberOrder()}`;
}

/** Reads files, and holds what of them is still to be looked at. */
function useReading(onBusy: WaysInProps['onBusy']) {
  const { id } = useStudent();
  const [queue, setQueue] = useState<readonly Preview[]>([]);
  const [share, setShare] = useState<number | null>(null);
  const rows = useOutline();
  const show = (previews: readonly Preview[]) => {
    setQueue(previews);
    onBusy?.(previews.length > 0);
  };
  const url = `/api/students/${id}/imports`;
  const send = <T,>(to: string, file: File | readonly File[]) =>
    upload<T>(to, file, setShare, new AbortController().signal);
  const readOne = async (file: File): Promise<Preview> => {
    if (!isDocument(file)) return send<Preview>(dated(url), file);
    const outline = await send<Schemas['OutlineLines']>(`${url}/outline`, file);
    return rows(outline.lines, file.name.replace(/\.[^.]*$/, ''));
  };
  const read = async (files: File[], folder = false) => {
    const chosen = folder ? tables(files) : files;
    if (chosen.length === 0) {
      toast.error('The folder has no tables (.csv)', {
        description: 'Choose the one that has manifest.csv.',
      });
      return;
    }
    setShare(0);
    const previews: Preview[] = [];
    // A folder is one bundle; files are read one by one, and a bad one leaves the others.
    const asked = folder
      ? [() => send<Preview>(dated(url), chosen)]
      : chosen.map((file) => () => readOne(file));
    for (const ask of asked) {
      await ask().then((preview) => previews.push(preview), noticeFault);
    }
    setShare(null);
    show(previews);
  };
  return { queue, show, share, rows, read };
}

/** Calendars, tables, bundles, what is pasted, course outlines: each is looked at first, one after the other. */
function WaysIn({ children, onBusy }: WaysInProps) {
  const { id } = useStudent();
  const [pasting, setPasting] = useState<'table' | 'outline' | null>(null);
  const { queue, show, share, rows, read } = useReading(onBusy);
  const [first] = queue;
  if (first) {
    return (
      <section aria-label="Read in a file">
        {queue.length > 1 && (
          <p className="mb-2 text-[14px] text-ink-2">{queue.length - 1} more to look at after this.</p>
        )}
        <Looked key={first.id} first={first} onDone={() => show(queue.slice(1))} />
      </section>
    );
  }
  const busy = share === null ? null : share < 1 ? `Reading … ${Math.round(share * 100)} %` : 'Reading …';
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: a file may be dropped here; the button inside does the same
    <div
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const dropped = [...event.dataTransfer.files];
        if (dropped.length > 0) void read(dropped);
      }}
      className="flex flex-col items-start gap-2"
    >
      {children}
      <div className="flex flex-wrap gap-2">
        <FileButton
          label="Choose files"
          busy={busy}
          accept=".ics,.ical,.ifb,.zip,.csv,.tsv,.txt,.pdf,.docx,text/calendar,text/csv,application/zip,application/pdf"
          name="File to read in"
          several
          className="h-9"
          onFiles={(files) => void read(files)}
        />
        <Button className="h-9" onClick={() => setPasting('table')}>
          Paste a table
        </Button>
        <Button className="h-9" onClick={() => setPasting('outline')}>
          Paste a course outline
        </Button>
        <FileButton
          label="Choose a folder"
          busy={busy}
          name="Folder to read in"
          folder
          className="h-9"
          onFiles={(files) => void read(files, true)}
        />
      </div>
      <PasteDialog
        what={pasting}
        onClose={() => setPasting(null)}
        onTable={(text, name) =>
          take(
            client.POST('/api/students/{student}/imports/pasted', {
              params: { path: { student: id }, query: { dates: numberOrder() } },
              body: { text, name },
            }),
          ).then((preview) => show([preview]))
        }
        onOutline={(text, name) => rows(text.split(/\r?\n/), name).then((preview) => show([preview]))}
      />
    </div>
  );
}

function Looked({ first, onDone }: { first: Preview; onDone: () => void }) {
  const { id } = useStudent();
  const [way] = useState(() => importWay(id, first.id));
  return <ImportPreview first={first} way={way} onDone={onDone} />;
}

/** Looks through lines for those that name a day, and has them read in as a table. */
function useOutline(): (lines: readonly string[], name: string) => Promise<Preview> {
  const { id, board } = useStudent();
  const { asked } = useTerms();
  return async (lines, name) => {
    const found = outlineRows(lines, { ...asked, courses: board.courses });
    if (found.length === 0) {
      throw new NoDays();
    }
    return take(
      client.POST('/api/students/{student}/imports/pasted', {
        params: { path: { student: id } },
        body: { text: tableOf(found), name },
      }),
    );
  };
}

/** Said where the page says everything that went wrong. */
class NoDays extends Error {}

interface PasteDialogProps {
  what: 'table' | 'outline' | null;
  onClose: () => void;
  onTable: (text: string, name: string) => Promise<void>;
  onOutline: (text: string, name: string) => Promise<void>;
}

function PasteDialog({ what, onClose, onTable, onOutline }: PasteDialogProps) {
  const { board } = useStudent();
  const [text, setText] = useState('');
  const [name, setName] = useState('');
  const [fault, setFault] = useState('');
  const [busy, setBusy] = useState(false);
  const close = () => {
    setText('');
    setFault('');
    onClose();
  };
  const look = async () => {
    setBusy(true);
    setFault('');
    try {
      await (what === 'table' ? onTable : onOutline)(text, name.trim() || 'Pasted');
      close();
    } catch (error) {
      if (error instanceof NoDays)
        setFault('No line of it names a day. A line like “Essay 1, 12 October, 20 points” does.');
      else noticeFault(error);
    }
    setBusy(false);
  };
  return (
    <Dialog
      wide
      open={what !== null}
      onOpenChange={(open) => !open && close()}
      title={what === 'outline' ? 'Paste a course outline' : 'Paste a table'}
      about={
        what === 'outline'
          ? 'Its text, as it stands in a document or on a page. Each line that names a day becomes a row to look at.'
          : 'Cells copied from a page or a spreadsheet, with their heads if there are any. You see first what it would do.'
      }
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void look();
        }}
        className="flex flex-col gap-3"
      >
        <TextField
          label="Course"
          list="paste-courses"
          maxLength={120}
          value={name}
          onChange={(event) => setName(event.target.value)}
          hint="One of yours, or a new one. Rows can name another."
        />
        <datalist id="paste-courses">
          {board.courses.map((course) => (
            <option key={course.id} value={course.name} />
          ))}
        </datalist>
        <TextArea
          label={what === 'outline' ? 'The outline' : 'The table'}
          required
          autoFocus
          rows={10}
          value={text}
          onChange={(event) => setText(event.target.value)}
          fault={fault || undefined}
          className="font-mono text-[13px]"
        />
        <div className="flex justify-end gap-2">
          <Button look="quiet" onClick={close}>
            Leave it
          </Button>
          <Button look="main" type="submit" disabled={busy || !text.trim()}>
            {busy ? 'Looking …' : 'Look at it'}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

export { WaysIn };
