import { client, type ImportPreview, type Schemas, take } from '../../api/client';
import { applyWords, type Choices } from './model';

/** How what is looked at is asked for again, and taken in. */
export interface Way {
  preview: (choices: Choices) => Promise<ImportPreview>;
  apply: (choices: Choices, fingerprint: string, key: string) => Promise<Schemas['ImportDone']>;
  /** "Read in": what was done then. */
  said: string;
  /** What the button says; empty where there is nothing to do. */
  words: (preview: ImportPreview, choices: Choices) => string;
}

/** Of files and of what is pasted. */
export function importWay(student: number, file: number): Way {
  return {
    preview: (body) =>
      take(
        client.POST('/api/students/{student}/imports/{file}/preview', {
          params: { path: { student, file } },
          body,
        }),
      ),
    apply: (choices, fingerprint, key) =>
      take(
        client.POST('/api/students/{student}/imports/{file}/application', {
          params: { path: { student, file }, header: { 'Idempotency-Key': key } },
          body: { choices, fingerprint },
        }),
      ),
    said: 'Read in',
    words: applyWords,
  };
}

/** Of a school's system that is to be linked. */
export function linkWay(student: number, look: number): Way {
  return {
    preview: (body) =>
      take(
        client.POST('/api/students/{student}/links/looks/{look}/preview', {
          params: { path: { student, look } },
          body,
        }),
      ),
    apply: (choices, fingerprint, key) =>
      take(
        client.POST('/api/students/{student}/links/looks/{look}/application', {
          params: { path: { student, look }, header: { 'Idempotency-Key': key } },
          body: { choices, fingerprint },
        }),
      ),
    said: 'Added',
    words: linkWords,
  };
}

/** "Add the link and 12 pieces of work". */
function linkWords(preview: ImportPreview): string {
  const fresh = preview.rows.filter((row) => row.status === 'NEW').length;
  if (fresh === 0) return 'Add the link';
  return `Add the link and ${fresh} ${fresh === 1 ? 'piece' : 'pieces'} of work`;
}
