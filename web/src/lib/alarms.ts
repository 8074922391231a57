import type { Work } from '../api/client';

/** What can't wait to be seen, and stands on every view until it is dealt with. */
export interface Alarm {
  work: Work;
  kind: 'draft' | 'sent back' | 'zero';
}

function kindOf(work: Work): Alarm['kind'] | null {
  if (work.stage === 'SENT_BACK' && work.feedback.unread > 0) return 'sent back';
  const looksDone =
    work.stage === 'DRAFT' && work.move === 'YOURS' && work.timing === 'DUE_SOON' && !work.parts;
  if (looksDone) return 'draft';
  const zero = work.score.mark === 'FINAL' && Number(work.score.points) === 0 && work.score.points !== null;
  return zero && work.feedback.unread > 0 ? 'zero' : null;
}

/** Drafts that look done and aren't, work sent back and unseen, and noughts with something said: the most pressing first. */
export function alarms(works: readonly Work[]): Alarm[] {
  return works
    .flatMap((work) => {
      const kind = kindOf(work);
      return kind ? [{ work, kind }] : [];
    })
    .sort((a, b) => (a.work.next?.at ?? '9').localeCompare(b.work.next?.at ?? '9'));
}
