import { useQuery } from '@tanstack/react-query';
import { client, take } from '../../api/client';
import { handOverQuery } from '../../api/queries';
import { Mark } from '../../frame/top-bar';
import { Button } from '../../ui/button';
import { TextField, WholeFault } from '../../ui/field';
import { Failed, Loading } from '../../ui/states';
import { useFormWrite } from '../../ui/use-form-write';

/** Where a child takes over the account that a guardian kept: an address and a password of one's own, and then the door. */
function TakeOver({ secret }: { secret: string }) {
  const way = useQuery(handOverQuery(secret));
  return (
    <div className="grid min-h-dvh place-items-center bg-paper px-4 py-10">
      <main className="w-full max-w-[400px]">
        <Mark />
        {way.isError ? (
          <Failed error={way.error} onRetry={() => void way.refetch()} />
        ) : way.data ? (
          <Taking secret={secret} name={way.data.name} />
        ) : (
          <Loading rows={3} />
        )}
      </main>
    </div>
  );
}

function Taking({ secret, name }: { secret: string; name: string }) {
  const { field, submit, writing, faultOf } = useFormWrite({ email: '', password: '' }, async (body) => {
    await take(client.PUT('/api/hand-overs/{secret}', { params: { path: { secret } }, body }));
    window.location.assign('/');
  });
  return (
    <>
      <h1 className="mt-8 mb-1 font-bold text-[24px]">{name}, it is yours now</h1>
      <p className="mb-5 text-ink-2">
        Choose an address and a password that are yours alone; you sign in with them from now on. Your
        guardian goes on seeing your work, until you end it.
      </p>
      <form onSubmit={submit} className="flex flex-col gap-4">
        <TextField
          label="E-mail address"
          type="email"
          required
          maxLength={254}
          autoComplete="username"
          {...field('email')}
        />
        <TextField
          label="Password"
          type="password"
          required
          autoComplete="new-password"
          hint="At least 10 characters, in any script. A few words that don’t belong together are good."
          {...field('password')}
        />
        <WholeFault words={faultOf('')} />
        <Button look="main" type="submit" disabled={writing} className="h-10 text-[15px]">
          Take it over
        </Button>
      </form>
    </>
  );
}

export { TakeOver };
