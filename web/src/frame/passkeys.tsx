import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { client, type Schemas, take } from '../api/client';
import { passkeysQuery, queryClient } from '../api/queries';
import { useNow } from '../lib/now';
import { makePasskey } from '../lib/passkeys';
import { near } from '../lib/time';
import { Button, TextButton } from '../ui/button';
import { TextField, WholeFault } from '../ui/field';
import { useFormWrite } from '../ui/use-form-write';
import { useWrite } from '../ui/use-write';

const again = () => queryClient.invalidateQueries({ queryKey: passkeysQuery.queryKey });

interface PasskeysProps {
  zone: string;
  /** Whether one can be made here and now. */
  canMake: boolean;
}

/** The devices with which one signs in without a password. */
function Passkeys({ zone, canMake }: PasskeysProps) {
  const { data: passkeys } = useQuery(passkeysQuery);
  const [making, setMaking] = useState(false);
  if (!canMake && !passkeys?.length) return null;
  return (
    <section aria-labelledby="passkeys" className="mt-5 border-line border-t pt-4">
      <h3 id="passkeys" className="mb-1 font-bold text-[15px]">
        Passkeys
      </h3>
      <p className="mb-2 text-[14px] text-ink-2">
        Sign in with the lock of your phone or computer instead of a password. It works for nobody who only
        knows your password, and on no page but this.
      </p>
      <ul>
        {passkeys?.map((one) => (
          <Row key={one.id} passkey={one} zone={zone} />
        ))}
      </ul>
      {canMake &&
        (making ? (
          <Make onDone={() => setMaking(false)} />
        ) : (
          <Button className="mt-1" onClick={() => setMaking(true)}>
            Make a passkey
          </Button>
        ))}
    </section>
  );
}

function Row({ passkey, zone }: { passkey: Schemas['PasskeyView']; zone: string }) {
  const now = useNow();
  const { write: remove } = useWrite(async () => {
    await take(
      client.DELETE('/api/people/me/passkeys/{passkey}', { params: { path: { passkey: passkey.id } } }),
    );
    await again();
  });
  return (
    <li className="flex items-baseline justify-between gap-3 border-line-2 border-t py-2">
      <span className="min-w-0">
        <b className="block break-words font-[680]">{passkey.name}</b>
        <span className="block text-[13.5px] text-ink-2">
          made {near(passkey.madeAt, zone, now)},{' '}
          {passkey.usedAt ? `last used ${near(passkey.usedAt, zone, now)}` : 'not used yet'}
        </span>
      </span>
      <TextButton aria-label={`Remove the passkey ${passkey.name}`} onClick={() => void remove()}>
        Remove
      </TextButton>
    </li>
  );
}

function Make({ onDone }: { onDone: () => void }) {
  const { field, submit, writing, faultOf } = useFormWrite({ name: '', password: '' }, async (typed) => {
    await makePasskey(typed.name, typed.password);
    toast('The passkey is made', { description: 'You can sign in with it from now on.' });
    await again();
    onDone();
  });
  return (
    <form onSubmit={submit} className="mt-2 flex flex-col gap-3">
      <TextField
        label="Name of the device"
        required
        maxLength={60}
        placeholder="My phone"
        autoComplete="off"
        {...field('name')}
      />
      <TextField
        label="Your password, once more"
        type="password"
        required
        autoComplete="current-password"
        {...field('password')}
      />
      <WholeFault words={faultOf('') ?? faultOf('passkey') ?? faultOf('json')} />
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={writing}>
          Go on
        </Button>
        <Button look="quiet" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </form>
  );
}

export { Passkeys };
