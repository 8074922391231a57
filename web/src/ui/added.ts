import { type Course, client, once, type Schemas, take } from '../api/client';
import { refreshStudent } from '../api/queries';
import { partWord } from '../lib/course-parts';
import type { Line } from '../lib/lines';
import { noticeChange } from './notice';

/** What repeats is counted: "Quiz 4, Quiz 5, …", or "Quiz 1, Quiz 2, …" where it has no number. */
export function titlesOf(line: Line): string[] {
  if (line.days.length <= 1) return [line.title];
  const found = line.title.match(/\d+/);
  return line.days.map((_, at) =>
    found
      ? line.title.replace(found[0], String(Number(found[0]) + at))
      : `${line.title.replace(/^modules$/i, 'Module').replace(/^quizzes$/i, 'Quiz')} ${at + 1}`,
  );
}

function formsOf(line: Line, course: Course, part: string | null): Schemas['WorkForm'][] {
  const word = partWord(course);
  const days = line.days.length > 0 ? line.days : [line.dueDay];
  return titlesOf(line).map((title, at) => ({
    courseId: course.id,
    title,
    kind: line.kind,
    unit: null,
    category: word === 'Category' ? part : null,
    required: line.kind !== 'PRACTICE',
    opensDay: at === 0 ? line.opensDay : null,
    dueDay: days[at] ?? null,
    dueTime: line.dueTime ? `${line.dueTime}:00` : null,
    endsTime: line.endsTime ? `${line.endsTime}:00` : null,
    possible: line.possible,
    effortMinutes: line.effortMinutes,
    address: null,
    instructions: '',
    standards: word === 'Standard' && part ? [part] : null,
    extra: null,
  }));
}

/** Of work that was due before it was typed in: when it was handed in, or that it wasn't. */
export type Over = Exclude<Schemas['SeveralForm']['past'], null | undefined | 'NOW'> | 'NOT_HANDED_IN';

/** What isn't in the line itself. */
interface Beside {
  course: Course;
  /** The category or standard that it counts in; null for none. */
  part: string | null;
  over: Over;
}

/** Adds what a line says, as one change, and says so. @throws Refused */
export async function addLine(
  student: number,
  line: Line,
  { course, part, over }: Beside,
  onWritten?: () => void,
): Promise<void> {
  const works = formsOf(line, course, part);
  const past = over === 'NOT_HANDED_IN' ? null : over;
  const done = await once(`line ${JSON.stringify(works)} ${past}`, (key) =>
    take(
      client.POST('/api/students/{student}/works/several', {
        params: { path: { student }, header: { 'Idempotency-Key': key } },
        body: { works, past },
      }),
    ),
  );
  onWritten?.();
  await refreshStudent(student);
  noticeChange(
    student,
    done.change,
    works.length > 1 ? `Added ${works.length} pieces of work` : `Added ${line.title}`,
  );
}
