import { type StudentView, useStudent } from '../../frame/student';
import type { Narrowing } from '../../lib/narrow';
import { TRAIT_WORDS } from '../../lib/narrow';
import { usePrinting } from '../../lib/printing';
import { dateWords, near } from '../../lib/time';
import {
  count,
  countdown,
  KIND_WORDS,
  moveWords,
  STAGE_WORDS,
  scoreWords,
  stageDetail,
  stageWord,
} from '../../lib/words';
import type { Group } from './model';

/** What the work is narrowed to, in words; "all work" where it isn't. */
function paperWords(narrowing: Narrowing, student: StudentView): string {
  const parts = [
    ...narrowing.courses.map((id) => student.course(id)?.name ?? ''),
    ...narrowing.moves.map((move) => moveWords(move, student)),
    ...narrowing.stages.map((stage) => STAGE_WORDS[stage]),
    ...narrowing.kinds.map((kind) => KIND_WORDS[kind]),
    ...narrowing.units,
    ...narrowing.traits.map((trait) => TRAIT_WORDS[trait]),
    narrowing.day && dateWords(narrowing.day),
    narrowing.text && `“${narrowing.text}”`,
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : 'all work';
}

interface PrintedWorkProps {
  groups: readonly Group[];
  shown: number;
  narrowing: Narrowing;
  now: number;
}

/** All rows as they are on paper: whose they are, of when, and each with its course in words. */
function PrintedWork({ groups, shown, narrowing, now }: PrintedWorkProps) {
  const student = useStudent();
  const printing = usePrinting();
  if (!printing) return null;
  return (
    <section className="hidden text-[11px] print:block">
      <h2 className="font-bold text-[16px]">Work</h2>
      <p className="mb-2">
        {count(shown, 'piece')} of {student.board.counts.total}: {paperWords(narrowing, student)}.
      </p>
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-black border-b text-left">
            <th className="py-0.5 pr-2">Work</th>
            <th className="pr-2">Course</th>
            <th className="pr-2">State</th>
            <th className="pr-2">Due</th>
            <th className="pr-2 text-right">Score</th>
            <th>What counts now</th>
          </tr>
        </thead>
        {groups.map((group) => (
          <tbody key={group.key}>
            <tr>
              <th colSpan={6} className="break-after-avoid pt-2 text-left font-bold text-[12px]">
                {group.key === 'YOURS' ? moveWords('YOURS', student) : group.title}, {group.works.length}
              </th>
            </tr>
            {group.works.map((work) => {
              const score = scoreWords(work.score);
              const detail = stageDetail(work);
              return (
                <tr key={work.id} className="break-inside-avoid border-gray-300 border-b align-top">
                  <td className="py-0.5 pr-2 font-semibold">
                    {work.title}
                    {!work.required && work.kind !== 'PRACTICE' && (
                      <span className="font-normal"> (optional)</span>
                    )}
                  </td>
                  <td className="pr-2">{student.course(work.courseId)?.shortName}</td>
                  <td className="pr-2">
                    {stageWord(work)}
                    {detail && <b>{`, ${detail}`}</b>}
                  </td>
                  <td className="whitespace-nowrap pr-2">{work.due && near(work.due, student.zone, now)}</td>
                  <td className="whitespace-nowrap pr-2 text-right">
                    {score.mark} {score.points} {score.of}
                  </td>
                  <td>{countdown(work, student.zone, now).words}</td>
                </tr>
              );
            })}
          </tbody>
        ))}
      </table>
    </section>
  );
}

export { PrintedWork };
