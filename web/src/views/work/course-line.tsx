import { Link } from 'react-router';
import type { Course } from '../../api/client';
import { useStudent } from '../../frame/student';
import { figureWords, READING_ABOUT, READING_WORDS, READINGS, readingOf } from '../../lib/readings';

/** Where one course stands, in a line above its work. */
function CourseLine({ course }: { course: Course }) {
  const { id } = useStudent();
  const { standing } = course;
  const letter = readingOf(standing, 'SO_FAR')?.letter;
  return (
    <p className="flex shrink-0 flex-wrap items-baseline gap-x-5 gap-y-0.5 border-line border-b bg-raised px-5 py-1.5 text-[14px] max-sm:px-3">
      <Link to={`/s/${id}/standing`} className="font-semibold underline underline-offset-2">
        Standing
      </Link>
      {standing.completion ? (
        <span>
          <b className="font-semibold">
            {standing.completion.done} of {standing.completion.required}
          </b>{' '}
          <span className="text-ink-2">required done</span>
        </span>
      ) : (
        READINGS.map((reading) => (
          <span key={reading} title={READING_ABOUT[reading]} className="whitespace-nowrap">
            <span className="text-ink-2">{READING_WORDS[reading].toLowerCase()}</span>{' '}
            <b className="font-semibold">
              {figureWords(readingOf(standing, reading)?.figure ?? null, standing)}
            </b>
            {reading === 'SO_FAR' && letter && <span className="text-ink-2"> ({letter})</span>}
          </span>
        ))
      )}
    </p>
  );
}

export { CourseLine };
