import createClient from 'openapi-fetch';
import { v4 as uuid } from 'uuid';
import { clockReader } from './clock';
import { device } from './device';
import { noteAnswer } from './offline';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Board = Schemas['BoardView'];
export type Work = Schemas['WorkView'];
export type Course = Schemas['CourseView'];
export type TideDay = Schemas['TideDayView'];
export type Detail = Schemas['WorkDetail'];
export type Receipt = Schemas['Receipt'];
export type Session = Schemas['SessionView'];
export type ImportPreview = Schemas['ImportPreview'];
export type ImportRow = Schemas['ImportRow'];
export type Change = Schemas['ChangeView'];
export type NewsItem = Schemas['NewsItem'];
export type SchoolLink = Schemas['SchoolLinkView'];

/** One thing that is wrong: the field it is about, empty for the whole, and what to do. */
export type Fault = Schemas['Fault'];

/** A text of one's own that was saved in another place in the meantime. */
export interface SavedElsewhere {
  text: string;
  /** Of that state of it; with it, it is written over knowingly. */
  number: number;
  at: string;
}

/** What the server refused, in its own words; status 0 is a connection that failed. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly faults: readonly Fault[],
    readonly there?: SavedElsewhere,
  ) {
    super([title, ...faults.map((fault) => fault.message)].join('. '));
  }

  /** All that is wrong, in one go. */
  get words(): string {
    return this.faults.map((fault) => fault.message).join(' ');
  }

  /** What is wrong with one field, or nothing. */
  of(field: string): string | undefined {
    return this.faults.find((fault) => fault.field === field)?.message;
  }
}

function cookie(name: string): string {
  const found = document.cookie.split('; ').find((part) => part.startsWith(`${name}=`));
  return found ? decodeURIComponent(found.slice(name.length + 1)) : '';
}

/** The header that proves that a write comes from our own page. */
export function csrf(): Record<string, string> {
  return { 'X-XSRF-TOKEN': cookie('XSRF-TOKEN') };
}

export const client = createClient<paths>({ baseUrl: window.location.origin });

client.use({
  onRequest({ request }) {
    if (request.method !== 'GET') {
      for (const [name, value] of Object.entries(csrf())) request.headers.set(name, value);
    }
    request.headers.set('X-Navlo-Device', device());
    return request;
  },
  onResponse({ request, response }) {
    if (request.method !== 'GET' || !/\/(board|next)($|\?)/.test(request.url)) return;
    const readAt = response.headers.get('X-Navlo-Offline');
    noteAnswer(readAt && (response.headers.get('X-Navlo-Now') ?? readAt));
  },
});

client.use(clockReader);

export function refused(status: number, body: unknown): Refused {
  const problem = (typeof body === 'object' && body !== null ? body : {}) as {
    title?: string;
    detail?: string;
    faults?: Fault[];
    there?: SavedElsewhere;
  };
  const title = problem.title ?? (status >= 500 ? 'Navlo ran into a fault of its own' : 'This was refused');
  const cure =
    status >= 500
      ? 'Try again in a moment. If something was being saved, look first whether it was.'
      : (problem.detail ?? '');
  const faults = problem.faults ?? (cure ? [{ field: '', message: cure }] : []);
  return new Refused(status, title, faults, problem.there);
}

export const CUT_OFF = new Refused(0, 'Navlo can’t be reached', [
  { field: '', message: 'What you did is still here. Check the connection and try again.' },
]);

interface Answer<T> {
  data?: T | undefined;
  error?: unknown;
  response: Response;
}

/** The data of an answer; throws {@link Refused} for everything else. */
export async function take<T>(asked: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await asked;
  } catch {
    throw CUT_OFF;
  }
  if (!answer.response.ok) throw refused(answer.response.status, answer.error);
  return answer.data as T;
}

/** Names a write, so that a retry of it happens once. */
export function writeKey(): string {
  return uuid();
}

const held = new Map<string, string>();

/**
 * Writes under a key that stays the same for the same wish until it is known what came of it: pressed twice, or pressed
 * again after an answer was cut off, it happens once.
 */
export async function once<T>(wish: string, write: (key: string) => Promise<T>): Promise<T> {
  const key = held.get(wish) ?? writeKey();
  held.set(wish, key);
  try {
    const done = await write(key);
    held.delete(wish);
    return done;
  } catch (error) {
    if (error instanceof Refused && error.status >= 400 && error.status < 500) held.delete(wish);
    throw error;
  }
}

/** Sends a file with progress from 0 to 1, and can be stopped. */
export function upload<T>(
  url: string,
  file: File | readonly File[],
  onProgress: (share: number) => void,
  signal: AbortSignal,
  key?: string,
): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    const form = new FormData();
    for (const one of file instanceof File ? [file] : file) form.append('file', one);
    request.open('POST', url);
    for (const [name, value] of Object.entries(csrf())) request.setRequestHeader(name, value);
    if (key) request.setRequestHeader('Idempotency-Key', key);
    request.responseType = 'json';
    request.upload.onprogress = (event) => event.lengthComputable && onProgress(event.loaded / event.total);
    request.onload = () =>
      request.status < 400
        ? resolve(request.response as T)
        : reject(refused(request.status, request.response));
    request.onerror = () => reject(CUT_OFF);
    request.onabort = () => reject(new DOMException('stopped', 'AbortError'));
    signal.addEventListener('abort', () => request.abort(), { once: true });
    request.send(form);
  });
}
