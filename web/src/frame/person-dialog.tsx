import { type FormEvent, useState } from 'react';
import { client, Refused, type Schemas, take } from '../api/client';
import { queryClient, sessionQuery } from '../api/queries';
import { applyFormats } from '../lib/formats';
import { Button } from '../ui/button';
import { Choice } from '../ui/choice';
import { Dialog } from '../ui/dialog';
import { TextField } from '../ui/field';
import { noticeFault } from '../ui/notice';
import { AccessTokens } from './access-tokens';

type Person = Schemas['PersonView'];
type Form = Schemas['PersonForm'];

interface PersonDialogProps {
  person: Person;
  open: boolean;
  onClose: () => void;
}

/** Who one is here, and how one reads times and days. */
function PersonDialog({ person, open, onClose }: PersonDialogProps) {
  return (
    <Dialog open={open} onOpenChange={(next) => !next && onClose()} title="You, and how you read times">
      {open && <PersonForm person={person} onClose={onClose} />}
      {open && <AccessTokens zone={person.zone} />}
    </Dialog>
  );
}

const CLOCKS = [
  ['', 'as this device does'],
  ['24', '16:20'],
  ['12', '4:20 pm'],
] as const;

const ORDERS = [
  ['', 'as this device does'],
  ['DAY_FIRST', '24 Nov'],
  ['MONTH_FIRST', 'Nov 24'],
] as const;

const WEEKS = [
  ['1', 'Monday'],
  ['7', 'Sunday'],
  ['6', 'Saturday'],
] as const;

function PersonForm({ person, onClose }: Omit<PersonDialogProps, 'open'>) {
  const [form, setForm] = useState<Form>({
    name: person.name,
    email: person.email,
    zone: person.zone,
    ...person.formats,
  });
  const [fault, setFault] = useState<Refused | null>(null);
  const set = (part: Partial<Form>) => setForm({ ...form, ...part });
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setFault(null);
    try {
      const now = await take(client.PUT('/api/people/me', { body: form }));
      applyFormats(now.formats);
      await queryClient.invalidateQueries({ queryKey: sessionQuery.queryKey });
      onClose();
    } catch (error) {
      if (error instanceof Refused && error.status === 422) setFault(error);
      else noticeFault(error);
    }
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3.5">
      <TextField
        label="Name"
        required
        maxLength={120}
        autoComplete="name"
        value={form.name}
        onChange={(event) => set({ name: event.target.value })}
        fault={fault?.of('name')}
      />
      <TextField
        label="Address, with which you sign in"
        type="email"
        required
        maxLength={254}
        autoComplete="email"
        value={form.email}
        onChange={(event) => set({ email: event.target.value })}
        fault={fault?.of('email')}
      />
      <TextField
        label="Time zone"
        required
        hint="Of times where neither a term nor a course says another"
        value={form.zone}
        onChange={(event) => set({ zone: event.target.value })}
        fault={fault?.of('zone')}
      />
      <Choice
        label="Clock"
        value={form.hour12 === null ? '' : form.hour12 ? '12' : '24'}
        options={CLOCKS}
        onChange={(clock) => set({ hour12: clock === '' ? null : clock === '12' })}
      />
      <Choice
        label="Dates"
        value={form.dateOrder === 'MONTH_FIRST' || form.dateOrder === 'DAY_FIRST' ? form.dateOrder : ''}
        options={ORDERS}
        onChange={(order) => set({ dateOrder: order || null })}
      />
      <Choice
        label="A week begins on"
        value={String(form.firstWeekday ?? 1) as '1' | '6' | '7'}
        options={WEEKS}
        onChange={(day) => set({ firstWeekday: Number(day) })}
      />
      <div className="mt-1 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Leave it
        </Button>
        <Button look="main" type="submit">
          Save
        </Button>
      </div>
    </form>
  );
}

export { PersonDialog };
