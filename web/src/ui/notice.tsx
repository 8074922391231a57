import { toast } from 'sonner';
import { client, once, Refused, take } from '../api/client';
import { refreshStudent } from '../api/queries';
import { asRead } from '../lib/time';

/** Says that something went wrong, in the server's words. */
function noticeFault(error: unknown): void {
  if (error instanceof DOMException && error.name === 'AbortError') return;
  if (error instanceof Refused) {
    toast.error(error.title, {
      description: asRead(error.words),
      duration: 12_000,
    });
  } else {
    toast.error('Something went wrong on this page', { description: 'Reload it; nothing was changed.' });
  }
}

/** Reports a change, with the way to undo it. An undo can itself be undone. */
function noticeChange(student: number, change: number, words: string): void {
  toast(words, {
    duration: 10_000,
    action: { label: 'Undo', onClick: () => void undo(student, change) },
  });
}

async function undo(student: number, change: number): Promise<void> {
  try {
    const done = await once(`undo ${change}`, (key) =>
      take(
        client.POST('/api/students/{student}/changes/{change}/undo', {
          params: { path: { student, change }, header: { 'Idempotency-Key': key } },
        }),
      ),
    );
    await refreshStudent(student);
    noticeChange(student, done.change, 'Undone');
  } catch (error) {
    noticeFault(error);
  }
}

export { noticeChange, noticeFault, undo };
