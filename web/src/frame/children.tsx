import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { client, type Schemas, take } from '../api/client';
import { childrenQuery, queryClient } from '../api/queries';
import { Button, TextButton } from '../ui/button';
import { TextField } from '../ui/field';
import { useFormWrite } from '../ui/use-form-write';
import { useWrite } from '../ui/use-write';
import { OnceLink } from './once-link';

type Child = Schemas['Child'];

const again = () => queryClient.invalidateQueries({ queryKey: childrenQuery.queryKey });

/** Accounts of young children that one keeps, until the children take them over. */
function Children({ zone }: { zone: string }) {
  const { data: children } = useQuery(childrenQuery);
  const [adding, setAdding] = useState(false);
  if (!children) return null;
  return (
    <section aria-labelledby="children" className="mt-5 border-line border-t pt-4">
      <h3 id="children" className="font-bold text-[15px]">
        Young children
      </h3>
      <p className="mb-2 text-[14px] text-ink-2">
        You can keep the account of a child who has no address yet: they sign in with a name and a password
        that you choose, until they take it over.
      </p>
      <ul>
        {children.map((child) => (
          <Kept key={child.id} child={child} />
        ))}
      </ul>
      {adding ? (
        <NewChild zone={zone} onDone={() => setAdding(false)} />
      ) : (
        <Button onClick={() => setAdding(true)}>Make an account for a child</Button>
      )}
    </section>
  );
}

function NewChild({ zone, onDone }: { zone: string; onDone: () => void }) {
  const { field, submit, writing } = useFormWrite(
    { name: '', signsInAs: '', password: '' },
    async (typed) => {
      await take(client.POST('/api/people/me/children', { body: { ...typed, zone } }));
      toast(`${typed.name} signs in as ${typed.signsInAs}`);
      await again();
      onDone();
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3 border-line-2 border-t pt-3">
      <TextField label="The child’s name" required maxLength={120} autoComplete="off" {...field('name')} />
      <TextField
        label="They sign in as"
        hint="Letters and digits, with dots and dashes between; no address."
        required
        maxLength={40}
        autoComplete="off"
        {...field('signsInAs')}
      />
      <TextField
        label="Their password"
        hint="At least 10 characters. A few words that a child remembers are good."
        required
        autoComplete="off"
        {...field('password')}
      />
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={writing}>
          Make it
        </Button>
        <Button look="quiet" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </form>
  );
}

function Kept({ child }: { child: Child }) {
  const [link, setLink] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const { write: handOver, writing } = useWrite(async () => {
    const { secret } = await take(
      client.POST('/api/people/me/children/{child}/hand-over', { params: { path: { child: child.id } } }),
    );
    setLink(`${window.location.origin}/take-over/${secret}`);
  });
  return (
    <li className="border-line-2 border-t py-2">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <span className="min-w-0 flex-1">
          <b className="font-[680]">{child.name}</b>
          <span className="text-[13.5px] text-ink-2"> signs in as {child.signsInAs}</span>
        </span>
        <TextButton aria-label={`New password for ${child.name}`} onClick={() => setAsking(!asking)}>
          New password
        </TextButton>
        <TextButton
          disabled={writing}
          aria-label={`Hand it over: the account of ${child.name}`}
          onClick={() => void handOver()}
        >
          Hand it over
        </TextButton>
      </div>
      {asking && <ChildsPassword child={child} onDone={() => setAsking(false)} />}
      {link && (
        <div className="mt-2">
          <p className="mb-1 text-[13.5px] text-ink-2">
            Give this to {child.name}; with it they set an address and a password of their own.
          </p>
          <OnceLink label="The link to take it over" text={link} onDone={() => setLink(null)} />
        </div>
      )}
    </li>
  );
}

function ChildsPassword({ child, onDone }: { child: Child; onDone: () => void }) {
  const { field, submit, writing } = useFormWrite({ password: '' }, async (body) => {
    await take(
      client.PUT('/api/people/me/children/{child}/password', { params: { path: { child: child.id } }, body }),
    );
    toast(`${child.name} has a new password`, { description: 'They are signed out everywhere.' });
    onDone();
  });
  return (
    <form onSubmit={submit} className="mt-2 flex items-end gap-2">
      <TextField
        label={`New password for ${child.name}`}
        required
        autoComplete="off"
        {...field('password')}
      />
      <Button type="submit" disabled={writing}>
        Set it
      </Button>
    </form>
  );
}

export { Children };
