import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { client, Refused, type Schemas, take } from '../api/client';
import { freeHoursQuery, refreshStudent } from '../api/queries';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { noticeFault } from '../ui/notice';
import { useStudent } from './student';

type Span = Schemas['FreeSpan'];
type Day = Span['day'];

const DAYS: readonly Day[] = ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY'];

function dayName(day: Day): string {
  return day.charAt(0) + day.slice(1).toLowerCase();
}

/** The hours that are free in a week: what the tideline measures the load against. Opens by `?set=free-hours`. */
function FreeHours() {
  const { mayWrite } = useStudent();
  const [params, setParams] = useSearchParams();
  const open = mayWrite && params.get('set') === 'free-hours';
  const close = () =>
    setParams((before) => {
      before.delete('set');
      return before;
    });
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => !next && close()}
      title="Free hours"
      about="When you can work in a usual week. The pale bars of the tideline are made of this."
    >
      {open && <FreeHoursForm onDone={close} />}
    </Dialog>
  );
}

/** The way to the free hours, in the words that fit where it stands. */
function FreeHoursLink({ children, className }: { children: string; className?: string }) {
  const { mayWrite } = useStudent();
  const [, setParams] = useSearchParams();
  if (!mayWrite) return null;
  const open = () =>
    setParams((before) => {
      before.set('set', 'free-hours');
      return before;
    });
  return (
    <button
      type="button"
      onClick={open}
      className={clsx('underline underline-offset-2 hover:text-ink', className)}
    >
      {children}
    </button>
  );
}

function FreeHoursForm({ onDone }: { onDone: () => void }) {
  const { id } = useStudent();
  const stored = useQuery(freeHoursQuery(id));
  const [edited, setEdited] = useState<Span[] | null>(null);
  const [fault, setFault] = useState('');
  const spans = edited ?? stored.data?.spans ?? [];
  const set = (index: number, change: Partial<Span>) =>
    setEdited(spans.map((span, i) => (i === index ? { ...span, ...change } : span)));
  const save = async () => {
    setFault('');
    try {
      await take(
        client.PUT('/api/students/{student}/free-hours', {
          params: { path: { student: id } },
          body: { spans },
        }),
      );
      await refreshStudent(id);
      onDone();
    } catch (error) {
      if (error instanceof Refused) setFault(error.faults.map((one) => one.message).join(' '));
      else noticeFault(error);
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {DAYS.map((day) => (
        <fieldset key={day} className="flex items-start gap-3 border-line-2 border-t py-1.5">
          <legend className="float-left w-24 pt-1 text-[14px]">{dayName(day)}</legend>
          <div className="flex flex-1 flex-wrap items-center gap-2">
            {spans.map(
              (span, index) =>
                span.day === day && (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a span has no other name than its place
                  <span key={index} className="flex items-center gap-1 text-[14px]">
                    <TimeBox
                      label={`${dayName(day)} from`}
                      value={span.starts}
                      onChange={(starts) => set(index, { starts })}
                    />
                    –
                    <TimeBox
                      label={`${dayName(day)} to`}
                      value={span.ends}
                      onChange={(ends) => set(index, { ends })}
                    />
                    <button
                      type="button"
                      aria-label={`Remove ${span.starts} to ${span.ends} on ${dayName(day)}`}
                      onClick={() => setEdited(spans.filter((_, i) => i !== index))}
                      className="rounded p-1 text-ink-3 hover:bg-line-2 hover:text-ink"
                    >
                      <X size={14} aria-hidden />
                    </button>
                  </span>
                ),
            )}
            <button
              type="button"
              aria-label={`Add a span on ${dayName(day)}`}
              onClick={() => setEdited([...spans, { day, starts: '16:00:00', ends: '18:00:00' }])}
              className="rounded p-1.5 text-ink-3 hover:bg-line-2 hover:text-ink"
            >
              <Plus size={14} aria-hidden />
            </button>
          </div>
        </fieldset>
      ))}
      {fault && (
        <p role="alert" className="mt-2 font-semibold text-[14px] text-loss">
          {fault}
        </p>
      )}
      <div className="mt-4 flex justify-end gap-2">
        <Button look="quiet" onClick={onDone}>
          Leave as it was
        </Button>
        <Button look="main" type="submit">
          Save free hours
        </Button>
      </div>
    </form>
  );
}

interface TimeBoxProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

function TimeBox({ label, value, onChange }: TimeBoxProps) {
  return (
    <input
      type="time"
      aria-label={label}
      required
      value={value.slice(0, 5)}
      onChange={(event) => onChange(`${event.target.value}:00`)}
      className="h-8 rounded border border-line bg-paper px-1.5 text-[14px]"
    />
  );
}

export { FreeHours, FreeHoursLink };
