import { useQuery } from '@tanstack/react-query';
import { toast } from 'sonner';
import { client, type Schemas, type Session, take } from '../api/client';
import { placesQuery, queryClient } from '../api/queries';
import { useNow } from '../lib/now';
import { canUsePasskeys } from '../lib/passkeys';
import { near } from '../lib/time';
import { Button, TextButton } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { TextField } from '../ui/field';
import { Loading } from '../ui/states';
import { useFormWrite } from '../ui/use-form-write';
import { useWrite } from '../ui/use-write';
import { Passkeys } from './passkeys';

type Person = NonNullable<Session['person']>;
type Place = Schemas['Place'];

interface SignInsDialogProps {
  person: Person;
  /** The name of the place that passkeys belong to. */
  passkeysOf: string;
  open: boolean;
  onClose: () => void;
}

/** One's password, and where one is signed in. */
function SignInsDialog({ person, passkeysOf, open, onClose }: SignInsDialogProps) {
  return (
    <Dialog open={open} onOpenChange={(next) => !next && onClose()} title="Password and sign-ins">
      {open && <Password />}
      {open && <Passkeys zone={person.zone} canMake={canUsePasskeys(passkeysOf)} />}
      {open && <Places zone={person.zone} />}
    </Dialog>
  );
}

const again = () => queryClient.invalidateQueries({ queryKey: placesQuery.queryKey });

function Password() {
  const { form, field, submit, writing } = useFormWrite({ current: '', next: '' }, async (typed) => {
    await take(client.PUT('/api/people/me/password', { body: typed }));
    form.reset();
    toast('Your password is changed', { description: 'You are signed out everywhere else.' });
    await again();
  });
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <TextField
        label="Password now"
        type="password"
        required
        autoComplete="current-password"
        {...field('current')}
      />
      <TextField
        label="New password"
        type="password"
        required
        autoComplete="new-password"
        hint="At least 10 characters, in any script. It signs you out everywhere else."
        {...field('next')}
      />
      <Button type="submit" disabled={writing} className="self-start">
        Change the password
      </Button>
    </form>
  );
}

function Places({ zone }: { zone: string }) {
  const { data: places } = useQuery(placesQuery);
  const { write: endOthers } = useWrite(async () => {
    await take(client.DELETE('/api/people/me/sessions'));
    await again();
  });
  return (
    <section aria-labelledby="places" className="mt-5 border-line border-t pt-4">
      <h3 id="places" className="mb-1 flex items-baseline justify-between gap-3 font-bold text-[15px]">
        Where you are signed in
        {places && places.length > 1 && (
          <TextButton className="font-normal text-[14px]" onClick={() => void endOthers()}>
            End all but this
          </TextButton>
        )}
      </h3>
      {places ? (
        <ul>
          {places.map((place) => (
            <Row key={place.id} place={place} zone={zone} />
          ))}
        </ul>
      ) : (
        <Loading rows={2} />
      )}
    </section>
  );
}

/** An address, or in words where it is this machine. */
function fromWords(from: string): string {
  return from === '127.0.0.1' || from === '::1' || from === '0:0:0:0:0:0:0:1' ? 'this machine' : from;
}

function Row({ place, zone }: { place: Place; zone: string }) {
  const now = useNow();
  const { write: end } = useWrite(async () => {
    await take(
      client.DELETE('/api/people/me/sessions/{session}', { params: { path: { session: place.id } } }),
    );
    await again();
  });
  return (
    <li className="flex items-baseline justify-between gap-3 border-line-2 border-t py-2">
      <span className="min-w-0">
        <b className="block font-[680]">
          {place.browser}
          {place.here && <span className="font-normal text-ink-2">, this one</span>}
        </b>
        <span className="block text-[13.5px] text-ink-2">
          {place.from && `from ${fromWords(place.from)}, `}since {near(place.since, zone, now)}, used{' '}
          {near(place.usedAt, zone, now)}
        </span>
      </span>
      {!place.here && (
        <TextButton aria-label={`End the sign-in of ${place.browser}`} onClick={() => void end()}>
          End
        </TextButton>
      )}
    </li>
  );
}

export { SignInsDialog };
