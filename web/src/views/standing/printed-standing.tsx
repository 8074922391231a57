import type { Course, Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { usePrinting } from '../../lib/printing';
import { figureWords, READING_ABOUT, READING_WORDS, READINGS, readingOf } from '../../lib/readings';
import { near } from '../../lib/time';
import { countdown, stageDetail, stageWord } from '../../lib/words';
import { completionWords } from './model';

/** What is to be talked over of a course: what is missing, was sent back, or is still to be done though its due has passed. */
function openOf(works: readonly Work[], course: Course): Work[] {
  return works.filter(
    (work) =>
      work.courseId === course.id &&
      (work.timing === 'OVERDUE' || work.stage === 'SENT_BACK' || work.flag === 'MISSING') &&
      work.move !== 'SETTLED',
  );
}

/** What of a course isn't done. */
function OpenOf({ course, now }: { course: Course; now: number }) {
  const { board, zone } = useStudent();
  const open = openOf(board.works, course);
  return (
    <div className="mt-1.5 break-inside-avoid">
      <h4 className="font-bold">
        {course.name}
        {open.length === 0 && <span className="font-normal">: nothing</span>}
      </h4>
      <ul>
        {open.map((work) => (
          <li key={work.id}>
            <b>{work.title}</b>
            {[
              '',
              [stageWord(work), stageDetail(work)].filter(Boolean).join(', '),
              work.due ? `due ${near(work.due, zone, now)}` : '',
              countdown(work, zone, now).words,
            ]
              .filter((part, place) => place === 0 || part)
              .join(' · ')}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** All courses on one sheet, to be talked over: the readings side by side, and what is open in each. */
function PrintedStanding() {
  const { board } = useStudent();
  const printing = usePrinting();
  if (!printing) return null;
  const now = new Date(board.now).getTime();
  return (
    <section className="hidden text-[11px] print:block">
      <h2 className="font-bold text-[16px]">Where each course stands</h2>
      <table className="mt-1 w-full border-collapse">
        <thead>
          <tr className="border-black border-b text-left align-bottom">
            <th className="py-0.5 pr-2">Course</th>
            {READINGS.map((reading) => (
              <th key={reading} className="pr-2 text-right">
                {READING_WORDS[reading]}
              </th>
            ))}
            <th className="pr-2">Letter</th>
            <th className="text-right">Target</th>
          </tr>
        </thead>
        <tbody>
          {board.courses.map(({ id, name, teacher, aim, standing }) => (
            <tr key={id} className="break-inside-avoid border-gray-300 border-b align-top">
              <th scope="row" className="py-1 pr-2 text-left">
                {name}
                <span className="block font-normal">{teacher}</span>
              </th>
              {standing.kind === 'COMPLETION' ? (
                <td colSpan={READINGS.length + 1} className="py-1 pr-2">
                  {completionWords(standing)}
                </td>
              ) : (
                <>
                  {READINGS.map((reading) => (
                    <td
                      key={reading}
                      className={`whitespace-nowrap py-1 pr-2 text-right ${reading === standing.printed ? 'font-bold' : ''}`}
                    >
                      {figureWords(readingOf(standing, reading)?.figure ?? null, standing)}
                    </td>
                  ))}
                  <td className="py-1 pr-2">{readingOf(standing, standing.printed)?.letter ?? '—'}</td>
                </>
              )}
              <td className="whitespace-nowrap py-1 text-right">{aim.target ?? '—'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1">
        In bold what the school prints.{' '}
        {READINGS.map((reading) => `${READING_WORDS[reading]}: ${READING_ABOUT[reading]}.`).join(' ')}
      </p>
      <h3 className="mt-3 font-bold text-[13px]">Missing, sent back or past its due</h3>
      {board.courses.map((course) => (
        <OpenOf key={course.id} course={course} now={now} />
      ))}
    </section>
  );
}

export { PrintedStanding };
