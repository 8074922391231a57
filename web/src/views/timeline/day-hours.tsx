import { useQuery } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { client, writeKey } from '../../api/client';
import { hoursQuery } from '../../api/queries';
import { changed, type Sheet, type Span, without } from '../../frame/hours/model';
import { SpanBox } from '../../frame/hours/spans';
import { useStudent } from '../../frame/student';
import { dateWords, fromTo, localTime, span60 } from '../../lib/time';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Loading } from '../../ui/states';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';
import { type Day, ms, type Timeline } from './model';

interface DayHoursProps {
  day: Day;
  timeline: Timeline;
  onClose: () => void;
}

/** When one is free on a single day, and when busy: the plan is made anew from it. */
function DayHours({ day: first, timeline, onClose }: DayHoursProps) {
  const { id } = useStudent();
  const hours = useQuery(hoursQuery(id));
  const [date, setDate] = useState(first.day);
  const day = timeline.days.find((one) => one.day === date) ?? first;
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={`Your hours on ${dateWords(day.day)}`}
      about={`${day.dayOff ? `${day.dayOff}. ` : ''}${span60(day.freeMinutes)} free, ${span60(day.needMinutes)} of work falls due.`}
    >
      <label className="mb-3 flex items-center gap-2 text-[14px]">
        Day
        <input
          type="date"
          value={date}
          min={timeline.first}
          max={timeline.last}
          onChange={(event) => event.target.value && setDate(event.target.value)}
          className="h-8 rounded border border-line bg-paper px-1.5"
        />
      </label>
      <Taken day={day} timeline={timeline} />
      {hours.data ? (
        <HoursOfDay key={date} day={day} timeline={timeline} sheet={hours.data.sheet} onDone={onClose} />
      ) : (
        <Loading rows={3} />
      )}
    </Dialog>
  );
}

function spansOn(day: Day, timeline: Timeline) {
  return timeline.spans.filter((span) => span.start < day.ends && span.end > day.starts);
}

/** Classes and what busy calendars say, which aren't changed here. */
function Taken({ day, timeline }: { day: Day; timeline: Timeline }) {
  const { course } = useStudent();
  const taken = spansOn(day, timeline).filter((span) => span.kind !== 'FREE');
  if (taken.length === 0) return null;
  return (
    <ul className="mb-3 text-[14px] text-ink-2">
      {taken.map((span) => (
        <li key={`${span.start} ${span.title}`}>
          {fromTo(span.start, span.end, timeline.zone)}{' '}
          {span.kind === 'CLASS'
            ? `class${span.course === null ? '' : `: ${course(span.course)?.name}`}`
            : `busy: ${span.title ?? 'not said with what'}`}
        </li>
      ))}
    </ul>
  );
}

const ALL_DAY = '00:00:00';
const AFTER_SCHOOL: Span = { starts: '17:00:00', ends: '18:00:00' };

/** The free hours of a day as they are now: pauses and classes are cut out of them anew when they are saved. */
function freeOn(day: Day, timeline: Timeline): Span[] {
  const spans: Span[] = [];
  for (const span of spansOn(day, timeline)) {
    if (span.kind !== 'FREE') continue;
    const starts = `${localTime(Math.max(ms(span.start), ms(day.starts)), timeline.zone)}:00`;
    const ends = `${localTime(Math.min(ms(span.end), ms(day.ends)), timeline.zone)}:00`;
    spans.push({ starts, ends });
  }
  return spans;
}

/** What is left of free hours without a time from one clock to another. */
function withoutTime(spans: readonly Span[], starts: string, ends: string): Span[] {
  const last = (time: string) => (time === ALL_DAY ? '24:00:00' : time);
  return spans.flatMap((span) => {
    const left: Span[] = [];
    if (span.starts < starts)
      left.push({ starts: span.starts, ends: starts < last(span.ends) ? starts : span.ends });
    if (last(ends) < last(span.ends))
      left.push({ starts: ends > span.starts ? ends : span.starts, ends: span.ends });
    return left.filter((one) => one.starts < last(one.ends));
  });
}

interface HoursOfDayProps {
  day: Day;
  timeline: Timeline;
  sheet: Sheet;
  onDone: () => void;
}

function HoursOfDay({ day, timeline, sheet, onDone }: HoursOfDayProps) {
  const { id } = useStudent();
  const own = sheet.days.find((one) => one.date === day.day);
  const [spans, setSpans] = useState<Span[]>(() => own?.spans ?? freeOn(day, timeline));
  const [busy, setBusy] = useState<Span>(AFTER_SCHOOL);
  const [key] = useState(writeKey);
  const { write, fault: refused } = useWrite(async ([next, words]: [Span[] | null, string]) => {
    const others = sheet.days.filter((one) => one.date !== day.day);
    const days = next === null ? others : [...others, { date: day.day, spans: next }];
    await writeChange(
      id,
      client.PUT('/api/students/{student}/hours', {
        params: { path: { student: id }, header: { 'Idempotency-Key': key } },
        body: { ...sheet, days },
      }),
      words,
    );
    onDone();
  }, true);
  const fault = refused?.words ?? '';
  const save = (next: Span[] | null, words: string) => write([next, words]);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void save(spans, `Hours of ${dateWords(day.day)}`);
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3 text-[14px]">
      <fieldset>
        <legend className="font-[680]">Free</legend>
        {spans.length === 0 && <p className="text-ink-2">Not at all.</p>}
        {spans.map((span, place) => (
          <SpanBox
            // biome-ignore lint/suspicious/noArrayIndexKey: a span has no other name than its place
            key={place}
            of="Free"
            span={span}
            onChange={(change) => setSpans(changed(spans, place, change))}
            onRemove={() => setSpans(without(spans, place))}
          />
        ))}
        <Button look="quiet" onClick={() => setSpans([...spans, { starts: '16:00:00', ends: '18:00:00' }])}>
          <Plus size={14} aria-hidden /> Hours
        </Button>
      </fieldset>
      <fieldset className="flex flex-wrap items-center gap-2">
        <legend className="font-[680]">Something comes up</legend>
        <SpanBox
          of="Busy"
          span={busy}
          onChange={(change) => setBusy({ ...busy, ...change })}
          onRemove={() => setBusy(AFTER_SCHOOL)}
        />
        <Button onClick={() => setSpans(withoutTime(spans, busy.starts, busy.ends))}>Busy then</Button>
        <Button look="quiet" onClick={() => setSpans([])}>
          Busy all day
        </Button>
      </fieldset>
      {fault && (
        <p role="alert" className="text-loss">
          {fault}
        </p>
      )}
      <div className="flex justify-end gap-2">
        {own && (
          <Button look="quiet" onClick={() => void save(null, `${dateWords(day.day)} as usual`)}>
            As in a usual week
          </Button>
        )}
        <Button look="main" type="submit">
          Save these hours
        </Button>
      </div>
    </form>
  );
}

export { DayHours };
