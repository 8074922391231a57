import { client, take } from '../api/client';
import { refreshStudent } from '../api/queries';

/** Those whose links are to be asked when the reader comes back. */
let waiting: number | null = null;

async function back(): Promise<void> {
  const student = waiting;
  if (student === null || document.visibilityState !== 'visible') return;
  waiting = null;
  const told = await take(client.GET('/api/students/{student}/links', { params: { path: { student } } }));
  const boxes = told.links.filter((link) => link.kind === 'BOX' && !link.paused);
  await Promise.all(
    boxes.map((link) =>
      take(
        client.POST('/api/students/{student}/links/{link}/asking', {
          params: { path: { student, link: link.id } },
        }),
      ),
    ),
  );
  await refreshStudent(student);
}

/** Asks the school's links once the reader comes back from there: what was done there is here at once, not at the next round. */
export function askOnReturn(student: number): void {
  waiting = student;
}

// A link that can't be asked just now says so in Links, and is asked again by itself.
const quietly = () => void back().catch(() => undefined);
document.addEventListener('visibilitychange', quietly);
window.addEventListener('focus', quietly);
