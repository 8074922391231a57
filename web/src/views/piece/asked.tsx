import { Paperclip } from 'lucide-react';
import type { Detail } from '../../api/client';
import { useStudent } from '../../frame/student';
import { span } from '../../lib/time';
import { bytes, count } from '../../lib/words';
import { RichText } from '../../ui/rich-text';
import { Part } from './part';

/** What is asked: the instructions, the files that come with them, and the terms of an attempt. */
function Asked({ detail }: { detail: Detail }) {
  const { instructions, material, work } = detail;
  const terms = termsOf(detail);
  if (!instructions && material.attachments.length === 0 && terms.length === 0) return null;
  return (
    <Part title="Instructions" id="asked" aside={terms.join(' · ')}>
      {instructions && <RichText text={instructions} />}
      {material.attachments.length > 0 && (
        <ul className="mt-2.5 flex flex-col gap-1">
          {material.attachments.map((file) => (
            <Attachment key={file.id} work={work.id} file={file} />
          ))}
        </ul>
      )}
    </Part>
  );
}

function termsOf({ material, work }: Detail): string[] {
  const attempts = work.attemptsAllowed
    ? `${work.attemptsUsed} of ${count(work.attemptsAllowed, 'attempt')} used`
    : '';
  const limit = material.timeLimitMinutes ? `${span(material.timeLimitMinutes)} each` : '';
  return [attempts, limit].filter(Boolean);
}

interface AttachmentProps {
  work: number;
  file: Detail['material']['attachments'][number];
}

function Attachment({ work, file }: AttachmentProps) {
  const { id } = useStudent();
  return (
    <li className="flex items-baseline gap-2 text-[14px]">
      <Paperclip size={13} aria-hidden className="shrink-0 self-center text-ink-3" />
      <a
        href={`/api/students/${id}/works/${work}/attachments/${file.id}`}
        download={file.name}
        className="min-w-0 break-words font-semibold underline underline-offset-2"
      >
        {file.name}
      </a>
      <span className="shrink-0 text-ink-2">{bytes(file.size)}</span>
    </li>
  );
}

export { Asked };
