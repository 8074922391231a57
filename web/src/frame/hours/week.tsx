import { Plus } from 'lucide-react';
import { Choice } from '../../ui/choice';
import { TextField } from '../../ui/field';
import { changed, DAYS, dayName, HOLIDAY_WORDS, type Sheet, without } from './model';
import { SpanBox } from './spans';

export interface PartProps {
  sheet: Sheet;
  onChange: (change: Partial<Sheet>) => void;
}

/** The hours of a usual week. */
function Week({ sheet, onChange }: PartProps) {
  const set = (week: Sheet['week']) => onChange({ week });
  return (
    <>
      {DAYS.map((day) => (
        <fieldset
          key={day}
          className="flex items-start gap-3 border-line-2 border-t py-1.5 max-sm:flex-wrap max-sm:gap-x-2"
        >
          <legend className="float-left w-24 pt-1 text-[14px] max-sm:w-full">{dayName(day)}</legend>
          <div className="flex flex-1 flex-wrap items-center gap-x-3 gap-y-1">
            {sheet.week.map(
              (span, place) =>
                span.day === day && (
                  <SpanBox
                    // biome-ignore lint/suspicious/noArrayIndexKey: a span has no other name than its place
                    key={place}
                    of={dayName(day)}
                    span={span}
                    onChange={(change) => set(changed(sheet.week, place, change))}
                    onRemove={() => set(without(sheet.week, place))}
                  />
                ),
            )}
            <button
              type="button"
              aria-label={`Add a span on ${dayName(day)}`}
              onClick={() => set([...sheet.week, { day, starts: '16:00:00', ends: '18:00:00' }])}
              className="grid size-8 place-items-center rounded text-ink-2 hover:bg-line-2 hover:text-ink"
            >
              <Plus size={14} aria-hidden />
            </button>
          </div>
        </fieldset>
      ))}
    </>
  );
}

/** How long one sits, and what a holiday is like. */
function Limits({ sheet, onChange }: PartProps) {
  return (
    <div className="mt-3 grid grid-cols-[1fr_1fr] gap-x-4 gap-y-3 border-line border-t pt-3 max-sm:grid-cols-1">
      <TextField
        label="Longest sitting, in minutes"
        type="number"
        min={10}
        max={600}
        hint="Empty: as long as the hours are."
        value={sheet.longestMinutes ?? ''}
        onChange={(event) =>
          onChange({ longestMinutes: event.target.value === '' ? null : Number(event.target.value) })
        }
      />
      <TextField
        label="Then a break of, in minutes"
        type="number"
        min={1}
        max={240}
        required
        disabled={sheet.longestMinutes === null}
        value={sheet.breakMinutes}
        onChange={(event) => onChange({ breakMinutes: Number(event.target.value) })}
      />
      <TextField
        label="A sitting may run over by, in minutes"
        type="number"
        min={0}
        max={120}
        required
        hint="Where that saves enough; never into a class or past a due."
        value={sheet.overrunMinutes ?? ''}
        onChange={(event) =>
          onChange({ overrunMinutes: event.target.value === '' ? null : Number(event.target.value) })
        }
      />
      <div className="col-span-full">
        <Choice
          label="On holidays"
          value={sheet.onHolidays}
          options={HOLIDAY_WORDS}
          onChange={(onHolidays) => onChange({ onHolidays })}
        />
      </div>
    </div>
  );
}

export { Limits, Week };
