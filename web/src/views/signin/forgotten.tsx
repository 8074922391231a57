import { useState } from 'react';
import { client, take } from '../../api/client';
import { Mark } from '../../frame/top-bar';
import { Button, TextButton } from '../../ui/button';
import { TextField, WholeFault } from '../../ui/field';
import { useFormWrite } from '../../ui/use-form-write';

/** Asks for the way to a new password by mail. */
function Forgotten({ onBack }: { onBack: () => void }) {
  const [asked, setAsked] = useState('');
  const { field, submit, writing } = useFormWrite({ email: '' }, async ({ email }) => {
    await take(client.POST('/api/password-resets', { body: { email } }));
    setAsked(email);
  });
  return (
    <>
      <h1 className="mt-8 mb-1 font-bold text-[24px]">A new password</h1>
      {asked ? (
        <p role="status" className="mb-5 text-ink-2">
          If somebody signs in with {asked}, a mail is on its way there. Its link holds for an hour.
        </p>
      ) : (
        <form onSubmit={submit} className="flex flex-col gap-4">
          <p className="text-ink-2">The way to it comes by mail, to the address with which you sign in.</p>
          <TextField
            label="E-mail address"
            type="email"
            autoComplete="username"
            required
            {...field('email')}
          />
          <Button look="main" type="submit" disabled={writing} className="h-10 text-[15px]">
            Send it
          </Button>
        </form>
      )}
      <p className="mt-4">
        <TextButton onClick={onBack}>Back to signing in</TextButton>
      </p>
    </>
  );
}

/** Where the mailed link leads: the new password, and then the door. */
function Reset({ secret }: { secret: string }) {
  const { field, submit, writing, faultOf } = useFormWrite({ password: '' }, async ({ password }) => {
    await take(
      client.PUT('/api/password-resets/{secret}', { params: { path: { secret } }, body: { password } }),
    );
    window.location.assign('/');
  });
  return (
    <div className="grid min-h-dvh place-items-center bg-paper px-4 py-10">
      <main className="w-full max-w-[400px]">
        <Mark />
        <h1 className="mt-8 mb-1 font-bold text-[24px]">A new password</h1>
        <p className="mb-5 text-ink-2">It ends every sign-in of yours. Then sign in with it.</p>
        <form onSubmit={submit} className="flex flex-col gap-4">
          <TextField
            label="New password"
            type="password"
            autoComplete="new-password"
            required
            hint="At least 10 characters, in any script."
            {...field('password')}
          />
          <WholeFault words={faultOf('')} />
          <Button look="main" type="submit" disabled={writing} className="h-10 text-[15px]">
            Set it
          </Button>
        </form>
      </main>
    </div>
  );
}

export { Forgotten, Reset };
