import { type FormEvent, useState } from 'react';
import { type Course, client, type Schemas, writeKey } from '../api/client';
import { useAddress } from '../lib/address';
import { figureWords, readingOf } from '../lib/readings';
import { Button } from '../ui/button';
import { CourseMark } from '../ui/course-mark';
import { Dialog } from '../ui/dialog';
import { useWrite } from '../ui/use-write';
import { writeChange } from '../ui/write-change';
import { useStudent } from './student';

const IMPORTANCE: readonly (readonly [string, string])[] = [
  ['0.5', 'Half as much'],
  ['1', 'As the others'],
  ['1.5', 'Half again'],
  ['2', 'Twice as much'],
  ['3', 'Three times'],
];

/** What each course is to bring, and how much it matters beside the others. Opens by `?set=goals`. */
function Goals() {
  const { board, mayWrite } = useStudent();
  const [params, setParams] = useAddress();
  const open = mayWrite && params.get('set') === 'goals';
  const close = () =>
    setParams((before) => {
      before.delete('set');
      return before;
    });
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => !next && close()}
      title="Goals"
      about="The plan works toward these: it tries to reach a target, and weighs a course’s points by how much the course matters. No grade is changed by them."
      wide
    >
      <ul>
        {board.courses.map((course) => (
          <CourseGoal key={course.id} course={course} />
        ))}
      </ul>
      <p className="mt-3 text-[13.5px] text-ink-2">
        A pass counts 5 points on top, a target 3, each letter 1; all times how much the course matters.
      </p>
    </Dialog>
  );
}

/** A course by completion has nothing to aim at but its end. */
function CourseGoal({ course }: { course: Course }) {
  const { id } = useStudent();
  const [target, setTarget] = useState(course.aim.target ?? '');
  const { kind } = course.standing;
  const expected = readingOf(course.standing, 'EXPECTED')?.figure ?? null;
  const { write: save, fault } = useWrite(
    (aim: Schemas['AimForm']) =>
      writeChange(
        id,
        client.PUT('/api/students/{student}/courses/{course}/aim', {
          params: { path: { student: id, course: course.id }, header: { 'Idempotency-Key': writeKey() } },
          body: aim,
        }),
        `Set the goal of ${course.name}`,
      ),
    true,
  );
  const send = (event: FormEvent) => {
    event.preventDefault();
    void save({ importance: course.aim.importance, target: target.trim().replace(',', '.') || null });
  };
  const changed = target.trim().replace(',', '.') !== (course.aim.target ?? '');
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_150px_220px] items-center gap-x-4 gap-y-1 border-line-2 border-t py-2 max-sm:grid-cols-1">
      <span className="flex min-w-0 items-center gap-2">
        <CourseMark colour={course.colour} />
        <span className="min-w-0">
          <b className="block truncate font-[680]">{course.name}</b>
          <span className="block text-[13.5px] text-ink-2">
            {expected === null ? 'no figure yet' : `expected ${figureWords(expected, course.standing)}`}
          </span>
        </span>
      </span>
      <select
        aria-label={`How much ${course.name} matters`}
        value={course.aim.importance}
        onChange={(event) => void save({ importance: event.target.value, target: course.aim.target })}
        className="h-9 rounded border border-line bg-paper px-2 text-[14px]"
      >
        {IMPORTANCE.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
      {kind === 'COMPLETION' ? (
        <span className="text-[14px] text-ink-2">passed by completing it</span>
      ) : (
        <form onSubmit={send} className="flex items-center gap-2">
          <input
            aria-label={`Target of ${course.name}`}
            inputMode="decimal"
            placeholder="no target"
            value={target}
            onChange={(event) => setTarget(event.target.value)}
            aria-invalid={fault ? true : undefined}
            className="h-9 w-24 rounded border border-line bg-paper px-2 text-right text-[15px] aria-invalid:border-loss"
          />
          <span className="w-8 text-ink-2">{kind === 'STANDARDS' ? 'of 4' : '%'}</span>
          {changed && (
            <Button type="submit" className="h-9">
              Set it
            </Button>
          )}
        </form>
      )}
      {fault && (
        <p role="alert" className="col-span-full font-semibold text-[13.5px] text-loss">
          {fault.words}
        </p>
      )}
    </li>
  );
}

export { Goals };
