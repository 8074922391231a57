import { useQueries } from '@tanstack/react-query';
import clsx from 'clsx';
import { useState } from 'react';
import { Link } from 'react-router';
import { client, type Schemas, writeKey } from '../../api/client';
import { rulesQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { ASSUMED_LATE } from '../../lib/words';
import { Button } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';

type Late = Schemas['LateSheet'];

const PLAIN: Late = {
  graceMinutes: 0,
  kind: 'NONE',
  percent: null,
  cap: null,
  measure: null,
  base: null,
  floorPercent: null,
  cutoffHours: null,
};

function perDay(percent: string): Late {
  return { ...PLAIN, kind: 'PER_DAY', percent, measure: 'SPANS_24H', base: 'POSSIBLE' };
}

/** What courses usually do, so that one press says it. */
const LATE_PRESETS: readonly (readonly [key: string, words: string, late: Late])[] = [
  ['none', 'costs nothing', PLAIN],
  ['five', '5 % a day', perDay('5')],
  ['ten', '10 % a day', perDay('10')],
  ['never', 'isn’t taken', { ...PLAIN, cutoffHours: 0 }],
];

function presetOf(late: Late | undefined): string {
  if (!late || late.kind === 'UNKNOWN') return 'unknown';
  const same = LATE_PRESETS.find(
    ([, , one]) =>
      one.kind === late.kind &&
      (one.percent ?? '') === (late.percent ?? '') &&
      (one.cutoffHours ?? null) === (late.cutoffHours ?? null) &&
      late.graceMinutes === 0 &&
      !late.cap &&
      !late.floorPercent,
  );
  return same?.[0] ?? 'other';
}

/** What late work costs, course by course or in all of them at once. */
function LateStep({ onDone }: { onDone: () => void }) {
  const { id, board } = useStudent();
  const rules = useQueries({ queries: board.courses.map((course) => rulesQuery(id, course.id)) });
  const [chosen, setChosen] = useState<ReadonlyMap<number, string>>(new Map());
  const nowOf = (place: number, course: number) =>
    chosen.get(course) ?? presetOf(rules[place]?.data?.rules.late);
  const choose = (courses: readonly number[], preset: string) =>
    setChosen(new Map([...chosen, ...courses.map((course) => [course, preset] as const)]));
  const { write: save } = useWrite(async () => {
    for (const [preset, , late] of LATE_PRESETS) {
      const courses = [...chosen].filter(([, one]) => one === preset).map(([course]) => course);
      if (courses.length === 0) continue;
      await writeChange(
        id,
        client.PUT('/api/students/{student}/courses/late', {
          params: { path: { student: id }, header: { 'Idempotency-Key': writeKey() } },
          body: { courses, late },
        }),
        'Set what late work costs',
      );
    }
    setChosen(new Map());
    onDone();
  });
  const all = board.courses.map((course) => course.id);
  return (
    <div className="flex flex-col gap-3">
      <p className="max-w-[68ch] text-ink-2">
        As long as nobody says, nothing is said to lose nothing by waiting: the due itself is what counts, and
        where a figure is needed, {ASSUMED_LATE} is assumed.
      </p>
      <table className="w-full max-w-[760px] text-[14px]">
        <thead className="sr-only">
          <tr>
            <th scope="col">Course</th>
            <th scope="col">Late work</th>
          </tr>
        </thead>
        <tbody>
          {board.courses.length > 1 && (
            <Row label="All of them" value="" onChoose={(preset) => choose(all, preset)} />
          )}
          {board.courses.map((course, place) => (
            <Row
              key={course.id}
              label={course.name}
              colour={course.colour}
              value={nowOf(place, course.id)}
              rules={`/s/${id}/standing/${course.id}/rules`}
              onChoose={(preset) => choose([course.id], preset)}
            />
          ))}
        </tbody>
      </table>
      <span className="flex gap-2">
        <Button look="main" className="h-9" disabled={chosen.size === 0} onClick={() => void save()}>
          Save what late work costs
        </Button>
        <Button look="quiet" className="h-9" onClick={onDone}>
          Later
        </Button>
      </span>
    </div>
  );
}

interface RowProps {
  label: string;
  colour?: string;
  value: string;
  rules?: string;
  onChoose: (preset: string) => void;
}

function Row({ label, colour, value, rules, onChoose }: RowProps) {
  return (
    <tr className="border-line-2 border-t">
      <th scope="row" className="py-1.5 pr-3 text-left font-semibold">
        <span className="flex items-center gap-2">
          {colour && <CourseMark colour={colour} className="h-4" />}
          {label}
        </span>
      </th>
      <td className="py-1.5">
        <span className="flex flex-wrap items-center gap-1.5">
          {LATE_PRESETS.map(([preset, words]) => (
            <button
              key={preset}
              type="button"
              aria-label={`${label}: late work ${words}`}
              aria-pressed={value === preset}
              onClick={() => onChoose(preset)}
              className={clsx(
                'h-7 rounded border px-2',
                value === preset
                  ? 'border-ink bg-raised font-semibold shadow-[inset_0_-2px_0_var(--yours)]'
                  : 'border-line bg-paper',
              )}
            >
              {words}
            </button>
          ))}
          {rules && (
            <Link to={rules} className="ml-1 text-ink-2 underline underline-offset-2">
              {value === 'other' ? 'by a rule of its own' : 'another rule'}
            </Link>
          )}
          {value === 'unknown' && <span className="text-ink-2">not known</span>}
        </span>
      </td>
    </tr>
  );
}

export { LateStep };
