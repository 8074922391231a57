import { Link } from 'react-router';
import type { Detail } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { impactWords, liftWords, READING_WORDS, READINGS } from '../../lib/readings';
import { near } from '../../lib/time';
import { sentence } from '../../lib/words';
import { ClassStrip } from './class-strip';
import { WriteToTeacher } from './message';
import { OwnExpected, OwnPreparing } from './own';
import { Part } from './part';

/** What shuts it, each with how far off it is. Stands first, because nothing else can be done. */
function Locks({ detail }: { detail: Detail }) {
  const { locks, shutBy } = detail.worth;
  if (locks.length === 0) return null;
  return (
    <Part
      title={
        shutBy.length > 0
          ? 'Shut for good'
          : locks.length === 1
            ? 'One thing shuts it'
            : `${locks.length} things shut it`
      }
    >
      <ul className="flex flex-col gap-1">
        {locks.map((lock) => (
          <li key={lock} className="border-yours border-l-2 pl-3">
            {sentence(lock)}
          </li>
        ))}
      </ul>
      {shutBy.length > 0 && (
        <>
          <p className="mt-1.5 border-loss border-l-2 pl-3">
            It can’t open any more by what you do: only if the teacher opens {shutBy.join(' and ')} again.
            Until then it counts as 0 in what is expected.
          </p>
          <div className="mt-1.5 pl-3">
            <WriteToTeacher teacher={detail.material.teacher} answers="SHUT_FOR_GOOD">
              Ask for it
            </WriteToTeacher>
          </div>
        </>
      )}
    </Part>
  );
}

/** What should be asked about, because the teacher's side is silent for too long or says otherwise. */
function CheckIt({ detail }: { detail: Detail }) {
  const { checkIt } = detail.worth;
  if (checkIt.length === 0) return null;
  return (
    <Part title="Check it">
      {checkIt.map((why) => (
        <p key={why} className="border-loss border-l-2 pl-3">
          {sentence(why)}
        </p>
      ))}
      <div className="mt-1.5 pl-3">
        <WriteToTeacher teacher={detail.material.teacher} />
      </div>
    </Part>
  );
}

/** What it is worth to the course, and by when it must be in to be graded. */
function Worth({ detail }: { detail: Detail }) {
  const { id, zone } = useStudent();
  const now = useNow();
  const { worth, work } = detail;
  const rows = facts(detail, (at) => near(at, zone, now));
  if (rows.length === 0 && !detail.material.classFigures) return null;
  return (
    <Part
      title="What it is worth"
      id="worth"
      aside={
        <span className="flex flex-wrap gap-x-3">
          <Link to={`/s/${id}/standing/${work.courseId}`} className="underline underline-offset-2">
            How it counts
          </Link>
          {work.askUntil && (
            <Link to={`/s/${id}/leeway/${work.id}`} className="underline underline-offset-2">
              Leeway
            </Link>
          )}
          <Link to={`/s/${id}/standing/${work.courseId}/rules`} className="underline underline-offset-2">
            Rules of the course
          </Link>
        </span>
      }
    >
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {rows.map(([name, words, hot]) => (
          <div key={name} className="contents">
            <dt className="text-ink-2">{name}</dt>
            <dd className={hot ? 'text-loss' : undefined}>
              {words}
              {name === 'Expected' && worth.shutBy.length === 0 && <OwnExpected detail={detail} />}
              {name === 'Preparing' && <OwnPreparing detail={detail} />}
            </dd>
          </div>
        ))}
      </dl>
      {detail.material.classFigures && (
        <div className="mt-2">
          <h4 className="text-ink-2">The class</h4>
          <ClassStrip detail={detail} />
        </div>
      )}
      {worth.safeBy && <p className="mt-1.5 text-[13.5px] text-ink-2">{sentence(worth.safeBy.because)}</p>}
    </Part>
  );
}

type Row = readonly [name: string, words: string, hot?: boolean];

function facts({ worth, work }: Detail, when: (at: string) => string): Row[] {
  const rows: Row[] = [];
  const { possible, raw, points } = work.score;
  if (raw !== null && points !== null)
    rows.push(['Kept', `${points} of ${possible}, scored ${raw} before the late penalty`]);
  if (worth.penalty) rows.push(['Penalty so far', sentence(worth.penalty), true]);
  if (work.score.mark === 'PROVISIONAL') {
    rows.push(['Score', `${points ?? '—'} so far: a part is still ungraded, so it counts nowhere yet`]);
  }
  if (worth.shutBy.length > 0) {
    rows.push(['Expected', `0 of ${possible}, as it can’t come any more`]);
  } else if (worth.expectedPoints !== null && possible !== '0') {
    rows.push([
      'Expected',
      Number(worth.expectedPoints) === 0 && worth.lift !== null
        ? `0 of ${possible}, as it stands`
        : `${round(worth.expectedPoints)} of ${possible}, at ${round(worth.expectedPercent)} %${after(worth, possible)}`,
    ]);
  }
  if (worth.lift !== null && worth.raised !== null) {
    rows.push([
      'Lift',
      `raised to ${round(worth.raised)} of ${possible}, it would bring ${liftWords(worth.lift, worth.unit)}`,
    ]);
  }
  if (worth.impact !== null && !(worth.lift !== null && Number(worth.impact) === 0)) {
    rows.push(['Impact', impactWords(worth.impact, worth.unit)]);
  }
  if (worth.preparing !== null) {
    rows.push(['Preparing', `thought to bring ${round(worth.preparing)} % of its points`]);
  }
  if (worth.droppedIn.length > 0) rows.push(['Dropped', dropped(worth.droppedIn)]);
  if (worth.safeBy) {
    rows.push(['Safe by', `${when(worth.safeBy.at)}${safeWords(worth.safeBy)}`, worth.safeBy.passed]);
  }
  if (worth.extension) rows.push(['Extension', sentence(worth.extension)]);
  if (worth.tokens) rows.push(['Tokens', sentence(worth.tokens)]);
  return rows;
}

function safeWords({ safe, passed }: NonNullable<Detail['worth']['safeBy']>): string {
  if (safe) return ': it went in before it';
  return passed ? ', which is past: it may not be graded before the close' : '';
}

function round(number: string | null): string {
  return (Math.round(Number(number) * 10) / 10).toString();
}

function after(worth: Detail['worth'], possible: string): string {
  const raw = (Number(worth.expectedPercent) / 100) * Number(possible);
  return Number(worth.expectedPoints) < raw - 1e-6 ? ' less the penalty' : '';
}

function dropped(readings: Detail['worth']['droppedIn']): string {
  if (readings.length === READINGS.length) return 'in every reading: it is the lowest that may go';
  const names = readings.map((reading) => READING_WORDS[reading].toLowerCase());
  return `in ${names.length === 1 ? 'the reading' : 'the readings'} ${names.join(', ')}`;
}

export { CheckIt, Locks, Worth };
