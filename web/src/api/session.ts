import { CUT_OFF, csrf, refused } from './client';
import { forgetKept } from './offline';

/** The security filters take these two; they answer with nothing, or with what was wrong. */
async function send(method: 'POST' | 'DELETE', body?: URLSearchParams): Promise<void> {
  let answer: Response;
  try {
    answer = await fetch('/api/session', { method, headers: csrf(), ...(body ? { body } : {}) });
  } catch {
    throw CUT_OFF;
  }
  if (!answer.ok) throw refused(answer.status, await answer.json().catch(() => null));
}

export function signIn(email: string, password: string): Promise<void> {
  return send('POST', new URLSearchParams({ email, password }));
}

export async function signOut(): Promise<void> {
  await send('DELETE');
  await forgetKept();
}
