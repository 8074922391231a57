import { Refused, type Schemas, take } from '../api/client';
import { detailQuery, queryClient, refreshStudent } from '../api/queries';
import { noticeChange, noticeFault } from './notice';

type Done = Schemas['HandedIn'];

/** Shows what a write to a piece of work brought, and reports it with the way to undo it. */
export async function writtenTo(student: number, work: number, done: Done, words: string): Promise<void> {
  queryClient.setQueryData(detailQuery(student, work).queryKey, done.detail);
  noticeChange(student, done.change, words);
  await refreshStudent(student);
}

/** Sends a write to a piece of work. @returns what was refused, field by field; null for anything else */
export async function writePiece(
  student: number,
  work: number,
  asked: Parameters<typeof take<Done>>[0],
  words: string,
): Promise<{ done: true } | { done: false; fault: Refused | null }> {
  try {
    await writtenTo(student, work, await take(asked), words);
    return { done: true };
  } catch (error) {
    if (error instanceof Refused && error.status === 422) return { done: false, fault: error };
    noticeFault(error);
    if (error instanceof Refused && error.status === 412) await refreshStudent(student);
    return { done: false, fault: null };
  }
}
