import clsx from 'clsx';
import { FileText, X } from 'lucide-react';
import { type DragEvent, useEffect, useId, useRef, useState } from 'react';
import { client, type Detail, take, upload } from '../../api/client';
import { detailQuery, queryClient } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { bytes } from '../../lib/words';
import { Button } from '../../ui/button';
import { noticeFault } from '../../ui/notice';
import { useWrite } from '../../ui/use-write';
import { fileFault, typeList } from './check-file';

interface Sending {
  name: string;
  share: number;
  stop: AbortController;
}

/** Sends files one after the other; wrong ones are refused before anything of them is sent. */
function useDraftUpload({ work, draft, takes }: Detail) {
  const { id } = useStudent();
  const [faults, setFaults] = useState<string[]>([]);
  const [sending, setSending] = useState<Sending | null>(null);
  const stop = useRef<AbortController | null>(null);
  useEffect(() => () => stop.current?.abort(), []);
  const sendOne = async (file: File): Promise<number> => {
    const controller = new AbortController();
    stop.current = controller;
    const on = (share: number) => setSending({ name: file.name, share, stop: controller });
    on(0);
    const url = `/api/students/${id}/works/${work.id}/draft/files`;
    const after = await upload<Detail>(url, file, on, controller.signal);
    queryClient.setQueryData(detailQuery(id, work.id).queryKey, after);
    return after.draft.files.length;
  };
  const send = async (files: readonly File[]) => {
    setFaults([]);
    let lying = draft.files.length;
    for (const file of files) {
      const fault = await fileFault(file, takes, lying);
      if (fault) setFaults((before) => [...before, fault]);
      else
        lying = await sendOne(file).catch((error) => {
          noticeFault(error);
          return lying;
        });
      setSending(null);
    }
  };
  return { send, sending, faults };
}

/** Files that lie ready. */
function DraftFiles({ detail }: { detail: Detail }) {
  const { send, sending, faults } = useDraftUpload(detail);
  return (
    <div>
      {detail.draft.files.length > 0 && <FileList detail={detail} />}
      <DropBox detail={detail} onFiles={(files) => void send(files)} />
      {sending && (
        <div className="mt-2 flex items-center gap-3 text-[14px]">
          <span className="min-w-0 flex-1 truncate">Sending {sending.name}</span>
          <progress
            value={sending.share}
            max={1}
            aria-label={`Sending ${sending.name}`}
            className="h-2 w-28"
          />
          <Button look="quiet" className="h-7" onClick={() => sending.stop.abort()}>
            Stop
          </Button>
        </div>
      )}
      {faults.length > 0 && (
        <div role="alert" className="mt-2 border-loss border-l-4 bg-loss-soft px-3 py-1.5 text-[14px]">
          {faults.map((fault) => (
            <p key={fault}>{fault}</p>
          ))}
        </div>
      )}
    </div>
  );
}

function FileList({ detail: { work, draft } }: { detail: Detail }) {
  const { id } = useStudent();
  const { write: remove } = useWrite(async (file: number) => {
    const after = await take(
      client.DELETE('/api/students/{student}/works/{work}/draft/files/{file}', {
        params: { path: { student: id, work: work.id, file } },
      }),
    );
    queryClient.setQueryData(detailQuery(id, work.id).queryKey, after);
  });
  return (
    <ul className="mb-2 border-line border-t">
      {draft.files.map((file) => (
        <li key={file.id} className="flex items-center gap-2 border-line border-b py-1">
          <FileText size={15} aria-hidden className="shrink-0 text-ink-3" />
          <a
            href={`/api/students/${id}/works/${work.id}/draft/files/${file.id}`}
            download={file.name}
            className="min-w-0 flex-1 break-words font-semibold underline-offset-2 hover:underline"
          >
            {file.name}
          </a>
          <span className="shrink-0 text-[14px] text-ink-2">{bytes(file.size)}</span>
          <button
            type="button"
            aria-label={`Remove ${file.name} from the draft`}
            onClick={() => void remove(file.id)}
            className="rounded p-1 text-ink-3 hover:bg-line-2 hover:text-ink"
          >
            <X size={15} aria-hidden />
          </button>
        </li>
      ))}
    </ul>
  );
}

interface DropBoxProps {
  detail: Detail;
  onFiles: (files: File[]) => void;
}

/** Where files are chosen, or dropped. */
function DropBox({ detail: { draft, takes }, onFiles }: DropBoxProps) {
  const [over, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const hint = useId();
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    onFiles([...event.dataTransfer.files]);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: files may be dropped here; the button inside does the same
    <div
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={onDrop}
      className={clsx(
        'flex flex-wrap items-center gap-x-3 gap-y-1 rounded border border-dashed px-3 py-2.5',
        over ? 'border-yours bg-yours-soft' : 'border-ink-3',
      )}
    >
      <Button onClick={() => input.current?.click()} aria-describedby={hint}>
        {draft.files.length > 0 ? 'Add a file' : 'Choose files'}
      </Button>
      <span id={hint} className="text-[13.5px] text-ink-2">
        or drop them here; {takes.fileTypes.length > 0 ? typeList(takes.fileTypes) : 'any type'}, up to{' '}
        {bytes(takes.maxFileBytes)} each
      </span>
      <input
        ref={input}
        type="file"
        multiple={takes.maxFiles > 1}
        aria-label="Files to lie ready"
        tabIndex={-1}
        className="sr-only"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          onFiles(files);
        }}
      />
    </div>
  );
}

export { DraftFiles };
