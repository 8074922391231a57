import { Link } from 'react-router';
import { client, type Schemas, writeKey } from '../api/client';
import { TextButton } from '../ui/button';
import { useWrite } from '../ui/use-write';
import { writeChange } from '../ui/write-change';
import { useStudent } from './student';

type Unknown = Schemas['UnknownView'];

/** What isn't known, and what can't be said because of it. */
export function unknownWords({ what, courses, of }: Unknown): string {
  const none = courses.length === of && of > 1;
  const some = none
    ? `None of your ${of} courses has`
    : of === 1
      ? 'Your course has no'
      : `${courses.length} of ${of} courses ${courses.length === 1 ? 'has' : 'have'} no`;
  switch (what) {
    case 'TERM':
      return 'The term isn’t known: its days, its breaks and its grading close.';
    case 'CLOSE':
      return 'No grading close is known: nothing can be said of what is safe before it.';
    case 'LATE_RULE':
      return none
        ? `${some} a late rule: what waiting costs isn’t known there.`
        : `${some} late rule: what waiting costs isn’t known there.`;
    case 'POINTS':
      return none
        ? `${some} work with points: what it is worth isn’t known there.`
        : `${some} work with points: what it is worth isn’t known there.`;
    case 'HOURS':
      return 'Your free hours are assumed.';
  }
}

const STEP: Record<Unknown['what'], string> = {
  TERM: 'term',
  CLOSE: 'term',
  LATE_RULE: 'late',
  POINTS: 'grades',
  HOURS: 'hours',
};

/** The short list of what isn't known yet, each with the way to say it, until it is known or put aside. */
function UnknownList({ heading }: { heading?: string }) {
  const { board, id, mayWrite } = useStudent();
  const { write: aside } = useWrite((what: Unknown['what']) =>
    writeChange(
      id,
      client.POST('/api/students/{student}/terms/unknown/aside', {
        params: { path: { student: id }, header: { 'Idempotency-Key': writeKey() } },
        body: { what },
      }),
      'Put aside',
    ),
  );
  if (!mayWrite || board.unknown.length === 0) return null;
  return (
    <section aria-label="Not known yet" className="mb-4 text-[14px]">
      {heading && <h2 className="font-[680] text-[15px]">{heading}</h2>}
      <ul>
        {board.unknown.map((one) => (
          <li
            key={one.what}
            className="flex flex-wrap items-baseline gap-x-3 border-line-2 border-t py-1 text-ink-2"
          >
            <span className="min-w-0 flex-1 basis-64">{unknownWords(one)}</span>
            <Link
              to={`/s/${id}/start?step=${STEP[one.what]}`}
              className="font-semibold text-ink underline underline-offset-2"
            >
              Say it
            </Link>
            <TextButton onClick={() => aside(one.what)}>Put aside</TextButton>
          </li>
        ))}
      </ul>
    </section>
  );
}

export { UnknownList };
