import { useQuery } from '@tanstack/react-query';
import { Tabs } from 'radix-ui';
import { type ReactNode, useState } from 'react';
import { client, type Schemas, writeKey } from '../../api/client';
import { hoursQuery } from '../../api/queries';
import { useAddress } from '../../lib/address';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Loading } from '../../ui/states';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';
import { useStudent } from '../student';
import { Busy } from './busy';
import { Classes } from './classes';
import { EffortList } from './efforts';
import type { Sheet } from './model';
import { SingleDays } from './single-days';
import { Limits, Week } from './week';

const PARTS = [
  ['week', 'Usual week'],
  ['classes', 'Classes'],
  ['days', 'Single days'],
  ['busy', 'Busy calendars'],
  ['efforts', 'How long work takes'],
] as const;

type Part = (typeof PARTS)[number][0];

/** When there is time to work, and how long work takes. Opens by `?set=hours`, on a part by `&part=busy`. */
function Hours() {
  const { mayWrite } = useStudent();
  const [params, setParams] = useAddress();
  const open = mayWrite && params.get('set') === 'hours';
  const part = PARTS.find(([name]) => name === params.get('part'))?.[0] ?? 'week';
  const close = () =>
    setParams((before) => {
      before.delete('set');
      before.delete('part');
      return before;
    });
  const turn = (to: string) =>
    setParams(
      (before) => {
        before.set('part', to);
        return before;
      },
      { replace: true },
    );
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => !next && close()}
      title="Your time"
      about="What the plan and the pale bars of the tideline are made of."
      wide
    >
      {open && <HoursForm part={part} onPart={turn} onDone={close} />}
    </Dialog>
  );
}

interface HoursFormProps {
  part: Part;
  onPart: (part: string) => void;
  onDone: () => void;
}

function HoursForm({ part, onPart, onDone }: HoursFormProps) {
  const { id } = useStudent();
  const stored = useQuery(hoursQuery(id));
  const [edited, setEdited] = useState<Sheet | null>(null);
  if (!stored.data) return <Loading rows={6} />;
  const sheet = edited ?? stored.data.sheet;
  const change = (what: Partial<Sheet>) => setEdited({ ...sheet, ...what });
  return (
    <Tabs.Root value={part} onValueChange={onPart}>
      <Tabs.List
        aria-label="Parts of your time"
        className="-mx-1 mb-3 flex flex-wrap gap-x-1 border-line border-b"
      >
        {PARTS.map(([name, words]) => (
          <Tabs.Trigger
            key={name}
            value={name}
            className="-mb-px border-transparent border-b-[3px] px-2 pt-1 pb-1.5 text-[14px] text-ink-2 hover:text-ink data-[state=active]:border-yours data-[state=active]:font-[680] data-[state=active]:text-ink"
          >
            {words}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Content part="week">
        <Saved edited={edited} onDone={onDone}>
          <Week sheet={sheet} onChange={change} />
          <Limits sheet={sheet} onChange={change} />
        </Saved>
      </Content>
      <Content part="classes">
        <Saved edited={edited} onDone={onDone}>
          <Classes sheet={sheet} onChange={change} />
        </Saved>
      </Content>
      <Content part="days">
        <Saved edited={edited} onDone={onDone}>
          <SingleDays sheet={sheet} onChange={change} holidays={stored.data.holidays} />
        </Saved>
      </Content>
      <Content part="busy">
        <Busy calendars={stored.data.calendars} example={stored.data.example} />
      </Content>
      <Content part="efforts">
        <EffortList />
      </Content>
    </Tabs.Root>
  );
}

function Content({ part, children }: { part: Part; children: ReactNode }) {
  return (
    <Tabs.Content value={part} className="min-h-[420px] max-sm:min-h-0">
      {children}
    </Tabs.Content>
  );
}

interface SavedProps {
  edited: Schemas['TimeSheet'] | null;
  onDone: () => void;
  children: ReactNode;
}

/** A part of what is saved together: the week, the classes and the single days. */
function Saved({ edited, onDone, children }: SavedProps) {
  const { id } = useStudent();
  const [key] = useState(writeKey);
  const { write: save, fault } = useWrite(async () => {
    if (edited) {
      await writeChange(
        id,
        client.PUT('/api/students/{student}/hours', {
          params: { path: { student: id }, header: { 'Idempotency-Key': key } },
          body: edited,
        }),
        'Set when there is time to work',
      );
    }
    onDone();
  }, true);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {children}
      {fault && (
        <p role="alert" className="mt-2 font-semibold text-[14px] text-loss">
          {fault.words}
        </p>
      )}
      <div className="sticky -bottom-5 mt-4 flex justify-end gap-2 bg-raised py-2">
        <Button look="quiet" onClick={onDone}>
          Leave as it was
        </Button>
        <Button look="main" type="submit">
          Save your time
        </Button>
      </div>
    </form>
  );
}

export { Hours };
