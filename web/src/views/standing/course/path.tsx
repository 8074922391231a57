import { Link } from 'react-router';
import type { Course } from '../../../api/client';
import { useStudent } from '../../../frame/student';
import { useNow } from '../../../lib/now';
import { countdown, STAGE_WORDS } from '../../../lib/words';
import { StageGlyph } from '../../../ui/stage-glyph';
import { percentDomain, Scale } from '../scale';
import type { Grade } from './model';

/** A course that is passed by completing it: what is done, what is at its threshold, and what is left, in its order. */
function Path({ course, grade }: { course: Course; grade: Grade }) {
  const { id, work, zone } = useStudent();
  const now = useNow();
  const { completion } = course.standing;
  if (!completion) return null;
  return (
    <div className="max-w-[860px]">
      <Scale standing={course.standing} percent={percentDomain([])} />
      <p className="mt-1 mb-4">
        {completion.complete ? (
          <b className="font-[680] text-done">Complete.</b>
        ) : (
          <>
            <b className="font-[680]">{completion.required - completion.done} pieces of required work</b> are
            left
            {completion.below.length > 0 && `, and ${completion.below.length} must reach a threshold`}.
          </>
        )}{' '}
        There is no percent here: it is passed by completing it.
      </p>
      {completion.below.length > 0 && (
        <section aria-labelledby="thresholds" className="mb-5">
          <h2 id="thresholds" className="border-line border-b pb-1 font-[680] text-[16px]">
            To reach a threshold
          </h2>
          <ul>
            {completion.below.map((below) => (
              <li key={below.work} className="flex items-center gap-4 border-line-2 border-b py-1.5">
                <Link to={`/s/${id}/work/${below.work}`} className="min-w-0 flex-1 truncate hover:underline">
                  {below.title}
                </Link>
                <span className="relative h-[9px] w-40 bg-free max-sm:hidden" aria-hidden>
                  <span
                    className="absolute inset-y-0 left-0 bg-done"
                    style={{ width: `${Math.min(100, Number(below.percent ?? 0))}%` }}
                  />
                  <span
                    className="absolute -inset-y-1 w-0.5 bg-ink"
                    style={{ left: `${Number(below.from)}%` }}
                  />
                </span>
                <span className="w-44 text-right text-[14px] text-ink-2">
                  {below.percent === null ? 'not scored yet' : `${Number(below.percent).toFixed(1)} %`} of{' '}
                  {Number(below.from)} %
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Waiting course={course} />
      <section aria-labelledby="undone">
        <h2 id="undone" className="border-line border-b pb-1 font-[680] text-[16px]">
          What is left, in the course’s order
        </h2>
        <ul>
          {grade.undone.map((one) => {
            const piece = work(one);
            return (
              piece && (
                <li key={one} className="flex items-center gap-3 border-line-2 border-b py-1.5">
                  <StageGlyph stage={piece.stage} />
                  <Link to={`/s/${id}/work/${one}`} className="min-w-0 flex-1 truncate hover:underline">
                    {piece.title}
                  </Link>
                  <span className="text-[14px] text-ink-2 max-sm:hidden">{STAGE_WORDS[piece.stage]}</span>
                  <span className="max-w-[280px] truncate text-right text-[14px] text-ink-2">
                    {countdown(piece, zone, now).words}
                  </span>
                </li>
              )
            );
          })}
        </ul>
        {grade.undone.length === 0 && <p className="py-2 text-ink-2">Nothing: all required work is done.</p>}
      </section>
    </div>
  );
}

/** What waits for a person to grade or tick it, and when that usually happens. */
function Waiting({ course }: { course: Course }) {
  const { id, board, zone } = useStudent();
  const now = useNow();
  const waiting = board.works.filter(
    (work) => work.courseId === course.id && work.required && work.move === 'TEACHERS',
  );
  if (waiting.length === 0) return null;
  const day = course.standing.gradingDay;
  return (
    <section aria-labelledby="waiting" className="mb-5">
      <h2 id="waiting" className="border-line border-b pb-1 font-[680] text-[16px]">
        Waits for {course.teacher ?? 'the teacher'}
        {day && (
          <span className="font-normal text-[14px] text-ink-2">
            {' '}
            · usually on {day.charAt(0)}
            {day.slice(1).toLowerCase()}s
          </span>
        )}
      </h2>
      <ul>
        {waiting.map((work) => (
          <li key={work.id} className="flex items-center gap-3 border-line-2 border-b py-1.5">
            <StageGlyph stage={work.stage} />
            <Link to={`/s/${id}/work/${work.id}`} className="min-w-0 flex-1 truncate hover:underline">
              {work.title}
            </Link>
            <span className="text-[14px] text-ink-2">{countdown(work, zone, now).words}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

export { Path };
