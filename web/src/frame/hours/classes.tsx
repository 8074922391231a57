import { Plus } from 'lucide-react';
import { Button } from '../../ui/button';
import { useStudent } from '../student';
import { changed, DAYS, dayName, without } from './model';
import { SpanBox } from './spans';
import type { PartProps } from './week';

const BOX = 'h-8 min-w-0 rounded border border-line bg-paper px-1.5 text-[14px]';

/** Classes, which take their time from the free hours while the term goes on, but not on holidays. */
function Classes({ sheet, onChange }: PartProps) {
  const { board } = useStudent();
  const set = (classes: typeof sheet.classes) => onChange({ classes });
  const ordered = sheet.classes
    .map((held, place) => ({ held, place }))
    .sort((a, b) => DAYS.indexOf(a.held.day) - DAYS.indexOf(b.held.day));
  return (
    <>
      <p className="mb-2 text-[14px] text-ink-2">
        Whatever the week says, no work is planned into these while the term goes on. On holidays they aren’t
        held.
      </p>
      <ul>
        {ordered.map(({ held, place }) => (
          <li
            key={place}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-line-2 border-t py-1.5"
          >
            <select
              aria-label="Day"
              value={held.day}
              onChange={(event) =>
                set(changed(sheet.classes, place, { day: event.target.value as typeof held.day }))
              }
              className={`${BOX} w-32`}
            >
              {DAYS.map((day) => (
                <option key={day} value={day}>
                  {dayName(day)}
                </option>
              ))}
            </select>
            <select
              aria-label="Course"
              value={held.course ?? ''}
              onChange={(event) =>
                set(
                  changed(sheet.classes, place, {
                    course: event.target.value ? Number(event.target.value) : null,
                  }),
                )
              }
              className={`${BOX} flex-1 basis-40`}
            >
              <option value="">No course of these</option>
              {board.courses.map((course) => (
                <option key={course.id} value={course.id}>
                  {course.name}
                </option>
              ))}
            </select>
            <SpanBox
              of={`class on ${dayName(held.day)}`}
              span={held}
              onChange={(change) => set(changed(sheet.classes, place, change))}
              onRemove={() => set(without(sheet.classes, place))}
            />
          </li>
        ))}
      </ul>
      <Button
        className="mt-2"
        onClick={() =>
          set([...sheet.classes, { course: null, day: 'MONDAY', starts: '09:00:00', ends: '11:00:00' }])
        }
      >
        <Plus size={14} aria-hidden /> Add a class
      </Button>
    </>
  );
}

export { Classes };
