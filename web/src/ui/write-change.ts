import { type Schemas, take } from '../api/client';
import { refreshStudent } from '../api/queries';
import { noticeChange } from './notice';

/** Sends a write that is one change, shows what it brought, and reports it with the way to undo it. */
export async function writeChange(
  student: number,
  asked: Parameters<typeof take<Schemas['Changed']>>[0],
  words: string,
): Promise<void> {
  const done = await take(asked);
  await refreshStudent(student);
  noticeChange(student, done.change, words);
}
