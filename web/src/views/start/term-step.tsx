import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { client, csrf, type Refused, refused, type Schemas, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import type { Term } from '../../frame/terms';
import { Button } from '../../ui/button';
import { Check, TextField } from '../../ui/field';
import { FileButton } from '../../ui/file-button';
import { noticeChange, noticeFault } from '../../ui/notice';
import { useWrite } from '../../ui/use-write';

type Form = Schemas['TermForm'];
type Off = Form['daysOff'][number];
type Close = Form['closes'][number];

interface TermStepProps {
  /** The one to change; null to begin one. */
  term: Term | null;
  /** Whether another term runs, which can be closed with this one's beginning. */
  closes?: Term | null;
  onDone: () => void;
}

interface TermWrite extends Pick<TermStepProps, 'term' | 'onDone'> {
  form: Form;
  /** Whether the term before is closed with it. */
  closing: boolean;
}

const CLOSE_AT = '23:59:00';

function blank(zone: string): Form {
  return { name: '', school: '', zone, firstDay: '', lastDay: '', daysOff: [], closes: [] };
}

/** "Autumn term 2026", by the month in which it begins. */
function nameOf(firstDay: string): string {
  const month = Number(firstDay.slice(5, 7));
  const season = month >= 8 ? 'Autumn' : month >= 5 ? 'Summer' : 'Spring';
  return `${season} term ${firstDay.slice(0, 4)}`;
}

/** First and last day, days off, grading closes. */
function TermStep({ term, closes = null, onDone }: TermStepProps) {
  const { zone } = useStudent();
  const [form, setForm] = useState<Form>(term ?? blank(zone));
  const [closing, setClosing] = useState(closes !== null);
  const set = (part: Partial<Form>) => setForm({ ...form, ...part });
  const { write: save, fault } = useTermWrite({ term, form, closing, onDone });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
      className="flex flex-col gap-4"
    >
      <Days form={form} fault={fault} set={set} />
      <Closes closes={form.closes} fault={fault} onChange={(closes) => set({ closes })} />
      <DaysOff days={form.daysOff} fault={fault} onChange={(daysOff) => set({ daysOff })} />
      {closes && !term && (
        <Check
          label={`Close ${closes.name}: its courses leave the counts, and can be looked at`}
          checked={closing}
          onChange={(event) => setClosing(event.target.checked)}
        />
      )}
      <div className="flex gap-2">
        <Button look="main" type="submit" className="h-9">
          {term ? 'Save the term' : 'Begin the term'}
        </Button>
        <Button look="quiet" className="h-9" onClick={onDone}>
          Later
        </Button>
      </div>
    </form>
  );
}

/** Begins the term, or changes it. */
function useTermWrite({ term, form, closing, onDone }: TermWrite) {
  const { id } = useStudent();
  const [key] = useState(writeKey);
  return useWrite(async () => {
    const body: Form = {
      ...form,
      name: form.name.trim() || (form.firstDay ? nameOf(form.firstDay) : 'Term'),
      daysOff: form.daysOff.map((off) => ({ ...off, last: off.last || off.first })),
      closes: form.closes.filter((close) => close.day),
    };
    const done = await take(
      term
        ? client.PUT('/api/students/{student}/terms/{term}', {
            params: {
              path: { student: id, term: term.id },
              header: { 'If-Match': `"${term.version}"`, 'Idempotency-Key': key },
            },
            body,
          })
        : client.POST('/api/students/{student}/terms', {
            params: { path: { student: id }, header: { 'Idempotency-Key': key } },
            body: { term: body, closing },
          }),
    );
    await refreshStudent(id);
    noticeChange(id, done.change, `${term ? 'Changed' : 'Began'} ${body.name}`);
    onDone();
  }, true);
}

interface DaysProps {
  form: Form;
  fault: Refused | null;
  set: (part: Partial<Form>) => void;
}

/** From when to when it runs, and where. */
function Days({ form, fault, set }: DaysProps) {
  return (
    <div className="grid grid-cols-4 gap-3 max-sm:grid-cols-2">
      <TextField
        label="First day"
        type="date"
        required
        value={form.firstDay}
        onChange={(event) => set({ firstDay: event.target.value })}
        fault={fault?.of('firstDay') ?? fault?.of('term.firstDay')}
      />
      <TextField
        label="Last day"
        type="date"
        required
        value={form.lastDay}
        onChange={(event) => set({ lastDay: event.target.value })}
        fault={fault?.of('lastDay') ?? fault?.of('term.lastDay')}
      />
      <TextField
        label="Name"
        maxLength={120}
        placeholder={form.firstDay ? nameOf(form.firstDay) : ''}
        value={form.name}
        onChange={(event) => set({ name: event.target.value })}
        fault={fault?.of('name')}
      />
      <TextField
        label="School"
        maxLength={120}
        value={form.school}
        onChange={(event) => set({ school: event.target.value })}
        fault={fault?.of('school')}
      />
      <TextField
        frame="col-span-2"
        label="Time zone"
        required
        value={form.zone}
        onChange={(event) => set({ zone: event.target.value })}
        fault={fault?.of('zone')}
      />
    </div>
  );
}

interface ClosesProps {
  closes: readonly Close[];
  fault: Refused | null;
  onChange: (closes: Close[]) => void;
}

/** The grading closes; one to fill in where there is none. */
function Closes({ closes, fault, onChange }: ClosesProps) {
  const shown = closes.length > 0 ? closes : [{ name: '', day: '', time: CLOSE_AT }];
  const set = (place: number, part: Partial<Close>) =>
    onChange(closes.map((one, at) => (at === place ? { ...one, ...part } : one)));
  return (
    <fieldset>
      <legend className="mb-1 font-semibold text-[13.5px]">
        Grading closes <span className="font-normal text-ink-2">after which nothing counts</span>
      </legend>
      <div className="flex flex-col gap-2">
        {shown.map((one, place) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a close has no other name than its place
          <div key={place} className="flex flex-wrap items-end gap-2">
            <TextField
              label="Closes on"
              type="date"
              frame="w-40"
              value={one.day}
              onChange={(event) =>
                closes.length > 0
                  ? set(place, { day: event.target.value })
                  : onChange([{ name: '', day: event.target.value, time: CLOSE_AT }])
              }
              fault={fault?.of(`closes[${place}].day`) ?? fault?.of(`term.closes[${place}].day`)}
            />
            <TextField
              label="at"
              type="time"
              frame="w-36"
              disabled={!one.day}
              value={one.time.slice(0, 5)}
              onChange={(event) => set(place, { time: `${event.target.value}:00` })}
              fault={fault?.of(`closes[${place}].time`)}
            />
            <TextField
              label="What it is called"
              frame="w-44"
              disabled={!one.day}
              maxLength={120}
              value={one.name}
              onChange={(event) => set(place, { name: event.target.value })}
            />
            {closes.length > 0 && (
              <Remove
                label="Remove this close"
                onRemove={() => onChange(closes.filter((_, at) => at !== place))}
              />
            )}
          </div>
        ))}
        {closes.length > 0 && (
          <More
            words="Another grading close"
            onAdd={() => onChange([...closes, { name: '', day: '', time: CLOSE_AT }])}
          />
        )}
      </div>
    </fieldset>
  );
}

interface DaysOffProps {
  days: readonly Off[];
  fault: Refused | null;
  onChange: (days: Off[]) => void;
}

function DaysOff({ days, fault, onChange }: DaysOffProps) {
  const { id } = useStudent();
  const set = (place: number, part: Partial<Off>) =>
    onChange(days.map((one, at) => (at === place ? { ...one, ...part } : one)));
  const read = async ([file]: File[]) => {
    if (!file) return;
    const body = new FormData();
    body.append('file', file);
    try {
      const answer = await fetch(`/api/students/${id}/terms/holidays`, {
        method: 'POST',
        headers: csrf(),
        body,
      });
      const told: unknown = await answer.json();
      if (!answer.ok) throw refused(answer.status, told);
      const found = told as Off[];
      onChange([...days, ...found.filter((off) => !days.some((one) => one.first === off.first))]);
    } catch (error) {
      noticeFault(error);
    }
  };
  return (
    <fieldset>
      <legend className="mb-1 font-semibold text-[13.5px]">
        Days off <span className="font-normal text-ink-2">breaks and holidays</span>
      </legend>
      <div className="flex flex-col gap-2">
        {days.map((off, place) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a break has no other name than its place
          <div key={place} className="flex flex-wrap items-end gap-2">
            <TextField
              label="From"
              type="date"
              frame="w-40"
              value={off.first}
              onChange={(event) => set(place, { first: event.target.value })}
              fault={fault?.of(`daysOff[${place}].first`)}
            />
            <TextField
              label="to"
              type="date"
              frame="w-40"
              value={off.last}
              onChange={(event) => set(place, { last: event.target.value })}
              fault={fault?.of(`daysOff[${place}].last`)}
            />
            <TextField
              label="Name"
              frame="w-44"
              maxLength={120}
              value={off.name}
              onChange={(event) => set(place, { name: event.target.value })}
            />
            <Remove
              label={`Remove ${off.name || 'this break'}`}
              onRemove={() => onChange(days.filter((_, at) => at !== place))}
            />
          </div>
        ))}
        <span className="flex flex-wrap gap-2">
          <More words="Add a break" onAdd={() => onChange([...days, { first: '', last: '', name: '' }])} />
          <FileButton
            label="Read in a calendar of holidays"
            busy={null}
            accept=".ics,.ical,text/calendar"
            name="Calendar of holidays"
            onFiles={(files) => void read(files)}
          />
        </span>
      </div>
    </fieldset>
  );
}

function More({ words, onAdd }: { words: string; onAdd: () => void }) {
  return (
    <Button className="w-fit" onClick={onAdd}>
      <Plus size={14} aria-hidden />
      {words}
    </Button>
  );
}

function Remove({ label, onRemove }: { label: string; onRemove: () => void }) {
  return (
    <button
      type="button"
      aria-label={label}
      onClick={onRemove}
      className="grid size-9 place-items-center rounded text-ink-2 hover:bg-line-2 hover:text-ink"
    >
      <X size={15} aria-hidden />
    </button>
  );
}

export { TermStep };
