import { type FormEvent, useState } from 'react';
import { client, Refused, type Session, take } from '../../api/client';
import { queryClient, sessionQuery } from '../../api/queries';
import { signIn } from '../../api/session';
import { Mark } from '../../frame/top-bar';
import { canUsePasskeys, enterByPasskey } from '../../lib/passkeys';
import { Button, TextButton } from '../../ui/button';
import { TextField, WholeFault } from '../../ui/field';
import { useFormWrite } from '../../ui/use-form-write';
import { Forgotten } from './forgotten';
import { NewPersonFields } from './new-person';

/** The door: sign in, or sign up where one may. */
function SignIn({ session }: { session: Session }) {
  const [signingIn, setSigningIn] = useState(false);
  return (
    <div className="grid min-h-dvh place-items-center bg-paper px-4 py-10">
      <main className="w-full max-w-[400px]">
        <Mark />
        {session.signUp && !signingIn ? (
          <SignUpForm first={session.signUp === 'FIRST'} />
        ) : (
          <SignInForm session={session} />
        )}
        {session.signUp === 'ANYBODY' && (
          <p className="mt-4">
            <TextButton onClick={() => setSigningIn(!signingIn)}>
              {signingIn ? 'I am new here' : 'I have signed up before'}
            </TextButton>
          </p>
        )}
      </main>
    </div>
  );
}

async function enter(act: () => Promise<unknown>, onFault: (fault: Refused) => void): Promise<void> {
  try {
    await act();
    await queryClient.fetchQuery({ ...sessionQuery, staleTime: 0 });
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    onFault(error);
  }
}

function SignInForm({ session }: { session: Session }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [fault, setFault] = useState<Refused | null>(null);
  const [busy, setBusy] = useState(false);
  const [forgotten, setForgotten] = useState(false);
  const submit = async (withEmail: string, withPassword: string) => {
    setBusy(true);
    setFault(null);
    await enter(() => signIn(withEmail, withPassword), setFault);
    setBusy(false);
  };
  const byPasskey = async () => {
    setBusy(true);
    setFault(null);
    await enter(enterByPasskey, setFault);
    setBusy(false);
  };
  const onSubmit = (event: FormEvent) => {
    event.preventDefault();
    void submit(email, password);
  };
  if (forgotten) return <Forgotten onBack={() => setForgotten(false)} />;
  return (
    <>
      <h1 className="mt-8 mb-1 font-bold text-[24px]">Sign in</h1>
      <p className="mb-5 text-ink-2">What is due, what it costs to leave it, and what to do next.</p>
      <form onSubmit={onSubmit} className="flex flex-col gap-4">
        <TextField
          label="E-mail address"
          hint="Or the name that your guardian gave you"
          inputMode="email"
          autoComplete="username"
          required
          value={email}
          onChange={(event) => setEmail(event.target.value)}
          fault={fault?.of('email')}
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="current-password"
          required
          value={password}
          onChange={(event) => setPassword(event.target.value)}
          fault={fault ? (fault.of('password') ?? fault.faults[0]?.message) : undefined}
        />
        <Button look="main" type="submit" disabled={busy} className="h-10 text-[15px]">
          Sign in
        </Button>
      </form>
      {canUsePasskeys(session.passkeysOf) && (
        <Button disabled={busy} onClick={() => void byPasskey()} className="mt-3 h-10 w-full text-[15px]">
          Sign in with a passkey
        </Button>
      )}
      {session.mails && (
        <p className="mt-3">
          <TextButton onClick={() => setForgotten(true)}>I forgot my password</TextButton>
        </p>
      )}
      {session.demo && <DemoPeople demo={session.demo} busy={busy} onChoose={submit} />}
    </>
  );
}

interface DemoPeopleProps {
  demo: NonNullable<Session['demo']>;
  busy: boolean;
  onChoose: (email: string, password: string) => Promise<void>;
}

/** Who one can be in the demo. */
function DemoPeople({ demo, busy, onChoose }: DemoPeopleProps) {
  return (
    <section className="mt-8 border-line border-t pt-4">
      <h2 className="font-bold">The demo: {demo.school}</h2>
      <p className="mb-3 text-[14px] text-ink-2">All made up. Choose who you want to be.</p>
      <ul className="flex flex-col gap-2">
        {demo.signIns.map((one) => (
          <li key={one.email}>
            <button
              type="button"
              disabled={busy}
              onClick={() => void onChoose(one.email, one.password)}
              className="flex w-full flex-col rounded border border-line bg-raised px-3 py-2 text-left hover:border-ink-3"
            >
              <span>
                <b className="font-[680]">{one.name}</b>, {one.who}
              </span>
              <span className="text-[13px] text-ink-2">
                {one.email} · {one.password}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The code of the first person, as the address that Navlo prints has it. */
function codeOf(search: string): string {
  return new URLSearchParams(search).get('code') ?? '';
}

function SignUpForm({ first }: { first: boolean }) {
  const { field, submit, writing, faultOf } = useFormWrite(
    { name: '', email: '', password: '', code: codeOf(window.location.search) },
    async (typed) => {
      const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
      await take(client.POST('/api/people', { body: { ...typed, zone, code: typed.code || null } }));
      window.history.replaceState(null, '', '/');
      await queryClient.fetchQuery({ ...sessionQuery, staleTime: 0 });
    },
  );
  return (
    <>
      <h1 className="mt-8 mb-1 font-bold text-[24px]">Begin</h1>
      <p className="mb-5 text-ink-2">
        {first
          ? 'You are the first here, and say who else may come. What you enter stays on this machine.'
          : 'What you enter is yours: nobody sees it whom you don’t let in.'}
      </p>
      <form onSubmit={submit} className="flex flex-col gap-4">
        <NewPersonFields
          fields={{ name: field('name'), email: field('email'), password: field('password') }}
        />
        {first && (
          <TextField
            label="Code"
            required
            autoComplete="off"
            hint="It stands where Navlo was started, beside “Navlo is ready”."
            {...field('code')}
          />
        )}
        <WholeFault words={faultOf('')} />
        <Button look="main" type="submit" disabled={writing} className="h-10 text-[15px]">
          Begin
        </Button>
      </form>
    </>
  );
}

export { SignIn, SignInForm };
