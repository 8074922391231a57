import { client, type Schemas, take } from '../api/client';
import { queryClient, sessionQuery } from '../api/queries';
import { applyFormats } from '../lib/formats';
import { Button } from '../ui/button';
import { Choice } from '../ui/choice';
import { Dialog } from '../ui/dialog';
import { TextField } from '../ui/field';
import { useFormWrite } from '../ui/use-form-write';
import { AccessTokens } from './access-tokens';
import { Leaving } from './leaving';

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
      {open && !person.kept && <Leaving person={person} />}
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
  const { form, field, submit, writing } = useFormWrite<Form>(
    { name: person.name, email: person.email, zone: person.zone, ...person.formats },
    async (values) => {
      const email = person.kept ? null : values.email;
      const now = await take(client.PUT('/api/people/me', { body: { ...values, email } }));
      applyFormats(now.formats);
      await queryClient.invalidateQueries({ queryKey: sessionQuery.queryKey });
      onClose();
    },
  );
  const [hour12, dateOrder, firstWeekday] = form.watch(['hour12', 'dateOrder', 'firstWeekday']);
  return (
    <form onSubmit={submit} className="flex flex-col gap-3.5">
      <TextField label="Name" required maxLength={120} autoComplete="name" {...field('name')} />
      {person.kept ? (
        <p className="text-[14px] text-ink-2">
          You sign in as <b className="font-semibold text-ink">{person.email}</b>. Your guardian keeps your
          account, and can hand it over to you.
        </p>
      ) : (
        <TextField
          label="Address, with which you sign in"
          type="email"
          required
          maxLength={254}
          autoComplete="email"
          {...field('email')}
        />
      )}
      <TextField
        label="Time zone"
        required
        hint="Of times where neither a term nor a course says another"
        {...field('zone')}
      />
      <Choice
        label="Clock"
        value={hour12 === null ? '' : hour12 ? '12' : '24'}
        options={CLOCKS}
        onChange={(clock) => form.setValue('hour12', clock === '' ? null : clock === '12')}
      />
      <Choice
        label="Dates"
        value={dateOrder === 'MONTH_FIRST' || dateOrder === 'DAY_FIRST' ? dateOrder : ''}
        options={ORDERS}
        onChange={(order) => form.setValue('dateOrder', order || null)}
      />
      <Choice
        label="A week begins on"
        value={String(firstWeekday ?? 1) as '1' | '6' | '7'}
        options={WEEKS}
        onChange={(day) => form.setValue('firstWeekday', Number(day))}
      />
      <div className="mt-1 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Leave it
        </Button>
        <Button look="main" type="submit" disabled={writing}>
          Save
        </Button>
      </div>
    </form>
  );
}

export { PersonDialog };
