import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Schemas, take } from '../api/client';
import { queryClient, tokensQuery } from '../api/queries';
import { useNow } from '../lib/now';
import { near } from '../lib/time';
import { Button, TextButton } from '../ui/button';
import { Choice } from '../ui/choice';
import { TextField } from '../ui/field';
import { useFormWrite } from '../ui/use-form-write';
import { useWrite } from '../ui/use-write';
import { OnceLink } from './once-link';

type Token = Schemas['AccessToken'];

const SCOPES = [
  ['READ', 'only read'],
  ['WRITE', 'read and write'],
] as const;

/** Access for one's own scripts: made, shown once, revoked. */
function AccessTokens({ zone }: { zone: string }) {
  const { data: tokens } = useQuery(tokensQuery);
  const [made, setMade] = useState<string | null>(null);
  return (
    <section className="mt-5 border-line border-t pt-4">
      <h3 className="mb-1 font-bold text-[15px]">Access for scripts of your own</h3>
      <p className="mb-2.5 text-[14px] text-ink-2">
        A token lets a program in without your password. It sees what you see, and can be revoked at any time.
      </p>
      {tokens && tokens.length > 0 && (
        <ul className="mb-3 border-line border-y">
          {tokens.map((token) => (
            <Row key={token.id} token={token} zone={zone} />
          ))}
        </ul>
      )}
      {made ? (
        <OnceLink label="The token" text={made} onDone={() => setMade(null)} />
      ) : (
        <Make onMade={setMade} />
      )}
    </section>
  );
}

function Row({ token, zone }: { token: Token; zone: string }) {
  const now = useNow();
  const { write: revoke } = useWrite(async () => {
    await take(client.DELETE('/api/people/me/tokens/{token}', { params: { path: { token: token.id } } }));
    await queryClient.invalidateQueries({ queryKey: tokensQuery.queryKey });
  });
  return (
    <li className="flex items-baseline justify-between gap-3 border-line border-b py-1.5 last:border-b-0">
      <span className="min-w-0">
        <b className="block break-words font-semibold">{token.name}</b>
        <span className="text-[13.5px] text-ink-2">
          {token.scope === 'READ' ? 'Only reads' : 'Reads and writes'},{' '}
          {token.usedAt ? `last used ${near(token.usedAt, zone, now)}` : 'not used yet'}
        </span>
      </span>
      <TextButton onClick={() => void revoke()} aria-label={`Revoke ${token.name}`}>
        Revoke
      </TextButton>
    </li>
  );
}

function Make({ onMade }: { onMade: (token: string) => void }) {
  const { form, field, submit, writing } = useFormWrite<Schemas['TokenForm']>(
    { name: '', scope: 'READ' },
    async (values) => {
      const made = await take(client.POST('/api/people/me/tokens', { body: values }));
      onMade(made.token);
      await queryClient.invalidateQueries({ queryKey: tokensQuery.queryKey });
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <TextField label="What the token is for" required maxLength={100} {...field('name')} />
      <Choice
        label="It may"
        value={form.watch('scope')}
        options={SCOPES}
        onChange={(scope) => form.setValue('scope', scope)}
      />
      <Button type="submit" disabled={writing} className="self-start">
        Make a token
      </Button>
    </form>
  );
}

export { AccessTokens };
