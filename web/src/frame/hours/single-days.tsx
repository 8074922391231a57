import { Plus } from 'lucide-react';
import type { Schemas } from '../../api/client';
import { useNow } from '../../lib/now';
import { dateWords, localDate } from '../../lib/time';
import { Button } from '../../ui/button';
import { useStudent } from '../student';
import { changed, without } from './model';
import { Remove, SpanBox } from './spans';
import type { PartProps } from './week';

/** Days on which other hours hold than in a usual week. */
function SingleDays({
  sheet,
  onChange,
  holidays,
}: PartProps & { holidays: readonly Schemas['HolidayView'][] }) {
  const { zone } = useStudent();
  const now = useNow();
  const set = (days: typeof sheet.days) => onChange({ days });
  return (
    <>
      <p className="mb-2 text-[14px] text-ink-2">
        A day that isn’t as usual: a birthday with no work, a long train ride with much. What stands here
        holds, also on a holiday
        {holidays.length > 0 &&
          ` (${holidays.map((one) => `${one.name}, ${dateWords(one.first)} to ${dateWords(one.last)}`).join('; ')})`}
        .
      </p>
      <ul>
        {sheet.days.map((day, place) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: while its date is typed, a day has no other name
            key={place}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-line-2 border-t py-1.5"
          >
            <input
              type="date"
              required
              aria-label="Date"
              value={day.date}
              onChange={(event) => set(changed(sheet.days, place, { date: event.target.value }))}
              className="h-8 rounded border border-line bg-paper px-1.5 text-[14px]"
            />
            {day.spans.length === 0 && <span className="text-[14px] text-ink-2">no free hours</span>}
            {day.spans.map((span, i) => (
              <SpanBox
                // biome-ignore lint/suspicious/noArrayIndexKey: a span has no other name than its place
                key={i}
                of={day.date || 'this day'}
                span={span}
                onChange={(change) =>
                  set(changed(sheet.days, place, { spans: changed(day.spans, i, change) }))
                }
                onRemove={() => set(changed(sheet.days, place, { spans: without(day.spans, i) }))}
              />
            ))}
            <Button
              look="quiet"
              onClick={() =>
                set(
                  changed(sheet.days, place, {
                    spans: [...day.spans, { starts: '10:00:00', ends: '12:00:00' }],
                  }),
                )
              }
            >
              <Plus size={14} aria-hidden /> Hours
            </Button>
            <span className="ml-auto">
              <Remove
                label={`As usual on ${day.date || 'this day'}`}
                onClick={() => set(without(sheet.days, place))}
              />
            </span>
          </li>
        ))}
      </ul>
      <Button
        className="mt-2"
        onClick={() => set([...sheet.days, { date: localDate(now, zone), spans: [] }])}
      >
        <Plus size={14} aria-hidden /> Add a day
      </Button>
    </>
  );
}

export { SingleDays };
