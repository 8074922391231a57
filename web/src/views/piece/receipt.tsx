import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Detail, Receipt } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { exact, lateSpan } from '../../lib/time';
import { bytes } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { StageGlyph } from '../../ui/stage-glyph';

type ReceiptFile = Receipt['files'][number];

const CONTENT_WORDS: Record<Receipt['content'], string> = {
  FILES: 'files',
  TEXT: 'a text',
  DONE: 'reported as done',
  ATTEMPT: 'an attempt, finished elsewhere',
};

/** "on time", "late by 1 h 05", "no due date". */
function timingWords(receipt: Receipt): string {
  if (receipt.timing === 'LATE' && receipt.due) {
    const minutes = (new Date(receipt.at).getTime() - new Date(receipt.due).getTime()) / 60_000;
    return `late by ${minutes < 1 ? 'less than a minute' : lateSpan(minutes)}`;
  }
  return receipt.timing === 'ON_TIME' ? 'on time' : 'no due date';
}

/** The receipt that `?receipt=` names. */
function ReceiptDialog({ detail }: { detail: Detail }) {
  const { id, sees } = useStudent();
  const [params, setParams] = useAddress();
  const receipt = detail.handIns.find((one) => String(one.id) === params.get('receipt'));
  const close = () =>
    setParams((before) => {
      before.delete('receipt');
      return before;
    });
  if (!receipt) return null;
  return (
    <Dialog open onOpenChange={(next) => !next && close()} title="Receipt" about={receipt.title} wide>
      <ReceiptBody detail={detail} receipt={receipt} />
      <div className="no-print mt-4 flex justify-end gap-2">
        {sees.words && (
          <a
            href={`/api/students/${id}/works/${detail.work.id}/hand-ins/${receipt.id}/receipt`}
            download
            className="inline-flex h-8 items-center px-2 text-[14px] underline underline-offset-2"
          >
            As a PDF
          </a>
        )}
        <Button onClick={() => window.print()}>Print the receipt</Button>
        <Button look="main" onClick={close}>
          Close the receipt
        </Button>
      </div>
    </Dialog>
  );
}

function ReceiptBody({ detail, receipt }: { detail: Detail; receipt: Receipt }) {
  const { board } = useStudent();
  return (
    <>
      <div className="mb-3 flex items-center gap-3 border-line border-y py-3">
        <StageGlyph stage={receipt.stands ? 'TURNED_IN' : 'DRAFT'} />
        <p>
          <b className="font-bold">{receipt.stands ? 'Handed in' : 'Handed in, and no longer stands'}</b>,{' '}
          <span className={receipt.timing === 'LATE' ? 'font-semibold text-loss' : ''}>
            {timingWords(receipt)}
          </span>
        </p>
      </div>
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1">
        <Row name="When">
          {exact(receipt.at, receipt.zone)} <span className="text-ink-2">({receipt.zone})</span>
        </Row>
        {receipt.due && <Row name="Due">{exact(receipt.due, receipt.zone)}</Row>}
        <Row name="Student">{board.student.name}</Row>
        <Row name="Course">{receipt.courseName}</Row>
        <Row name="What">
          {CONTENT_WORDS[receipt.content]}, attempt {receipt.attempt}
        </Row>
        <Row name="Number">{receipt.id}</Row>
        {receipt.school && (
          <Row name="Taken by">
            {receipt.school}, <span className="text-ink-2">as {receipt.number}</span>
          </Row>
        )}
        {receipt.note && <Row name="Note">{receipt.note}</Row>}
      </dl>
      {receipt.files.map((file) => (
        <FileRow key={file.position} work={detail.work.id} receipt={receipt} file={file} />
      ))}
      {receipt.text && (
        <div className="mt-3 border-line border-t pt-3">
          <p className="mb-1 font-semibold text-[14px]">The text</p>
          <p className="max-h-60 overflow-auto whitespace-pre-line">{receipt.text}</p>
        </div>
      )}
    </>
  );
}

function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="contents">
      <dt className="text-ink-2">{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

interface FileRowProps {
  work: number;
  receipt: Receipt;
  file: ReceiptFile;
}

/** A file of the receipt: its checksum, and a look into it, to see that it is the right one. */
function FileRow({ work, receipt, file }: FileRowProps) {
  const [looking, setLooking] = useState(false);
  const url = useFileUrl(work, receipt.id, file.position);
  const canLook = file.mediaType.startsWith('image/') || file.mediaType.startsWith('text/');
  return (
    <div className="mt-3 border-line border-t pt-3">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <b className="break-words font-[680]">{file.name}</b>
        <span className="text-ink-2">{bytes(file.size)}</span>
        <span className="no-print ml-auto flex gap-3 text-[14px]">
          {canLook && (
            <TextButton onClick={() => setLooking(!looking)}>
              {looking ? 'Close it' : 'Look into it'}
            </TextButton>
          )}
          <a href={url} download={file.name} className="underline underline-offset-2">
            Open the file
          </a>
        </span>
      </p>
      <p className="break-all text-[13px] text-ink-2">SHA-256 {file.sha256}</p>
      {looking && <Look url={url} file={file} />}
    </div>
  );
}

function useFileUrl(work: number, handIn: number, position: number): string {
  const { id } = useStudent();
  return `/api/students/${id}/works/${work}/hand-ins/${handIn}/files/${position}`;
}

const SHOWN = 20_000;

function Look({ url, file }: { url: string; file: ReceiptFile }) {
  const image = file.mediaType.startsWith('image/');
  const text = useQuery({
    queryKey: ['file', url],
    queryFn: async () => (await (await fetch(url)).text()).slice(0, SHOWN),
    enabled: !image,
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (image)
    return (
      <img src={url} alt={`What is in ${file.name}`} className="mt-2 max-h-[50dvh] border border-line" />
    );
  return (
    <pre className="mt-2 max-h-[50dvh] overflow-auto border border-line bg-paper p-2 font-mono text-[13px]">
      {text.data ?? (text.isError ? 'It can’t be read just now.' : 'Reading …')}
    </pre>
  );
}

/** Names of the files of a hand-in, each opening its file. */
function FileLinks({ work, receipt }: { work: number; receipt: Receipt }) {
  const { id } = useStudent();
  if (receipt.files.length === 0) return null;
  return (
    <ul className="text-[14px]">
      {receipt.files.map((file) => (
        <li key={file.position} className="flex gap-2">
          <a
            href={`/api/students/${id}/works/${work}/hand-ins/${receipt.id}/files/${file.position}`}
            download={file.name}
            className="min-w-0 break-words underline underline-offset-2"
          >
            {file.name}
          </a>
          <span className="shrink-0 text-ink-2">{bytes(file.size)}</span>
        </li>
      ))}
    </ul>
  );
}

export { FileLinks, ReceiptDialog, timingWords };
