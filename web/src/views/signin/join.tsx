import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Schemas, type Session, take } from '../../api/client';
import { invitationQuery } from '../../api/queries';
import { Mark } from '../../frame/top-bar';
import { moment } from '../../lib/time';
import { Button, TextButton } from '../../ui/button';
import { WholeFault } from '../../ui/field';
import { Failed, Loading } from '../../ui/states';
import { useFormWrite } from '../../ui/use-form-write';
import { useWrite } from '../../ui/use-write';
import { NewPersonFields } from './new-person';
import { SignInForm } from './sign-in';

type Invitation = Schemas['InvitationView'];

interface JoinProps {
  secret: string;
  session: Session;
}

/** The other end of an invitation: join as who one is, or as somebody new. */
function Join({ secret, session }: JoinProps) {
  const invitation = useQuery(invitationQuery(secret));
  return (
    <div className="grid min-h-dvh place-items-center bg-paper px-4 py-10">
      <main className="w-full max-w-[420px]">
        <Mark />
        {invitation.isError ? (
          <Failed error={invitation.error} onRetry={() => void invitation.refetch()} />
        ) : invitation.data ? (
          <Invited invitation={invitation.data} secret={secret} session={session} />
        ) : (
          <Loading rows={3} />
        )}
      </main>
    </div>
  );
}

/** What it is to, in a sentence. */
function wordsOf({ by, role, student }: Invitation): string {
  if (student)
    return `${by} invites you to see their work: what is due, what is missing, what came back. You can read all of it and change nothing.`;
  return role === 'GUARDIAN'
    ? `${by} invites you to Navlo as a guardian. You see the work of the students who let you.`
    : `${by} invites you to Navlo, to keep your own work in. Nobody sees it whom you don’t let in.`;
}

/** Into Navlo itself, with what one may see now. */
function enter(): void {
  window.location.assign('/');
}

function Invited({ invitation, secret, session }: JoinProps & { invitation: Invitation }) {
  const [known, setKnown] = useState(false);
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const title = invitation.student ? `See the work of ${invitation.student}` : 'Join Navlo';
  return (
    <>
      <h1 className="mt-8 mb-1 font-bold text-[24px]">{title}</h1>
      <p className="text-ink-2">{wordsOf(invitation)}</p>
      <p className="mt-1 mb-5 text-[14px] text-ink-2">
        The invitation holds until {moment(invitation.endsAt, zone)}, and for one person.
      </p>
      {session.person ? (
        <JoinAs secret={secret} name={session.person.name} />
      ) : known ? (
        <SignInForm session={session} />
      ) : (
        <BecomeNew secret={secret} />
      )}
      {!session.person && (
        <p className="mt-4">
          <TextButton onClick={() => setKnown(!known)}>
            {known ? 'I am new here' : 'I have an account here already'}
          </TextButton>
        </p>
      )}
    </>
  );
}

function JoinAs({ secret, name }: { secret: string; name: string }) {
  const { write: join, writing } = useWrite(async () => {
    await take(client.POST('/api/invitations/{secret}/acceptance', { params: { path: { secret } } }));
    enter();
  });
  return (
    <div className="flex flex-wrap gap-2">
      <Button look="main" className="h-10" disabled={writing} onClick={() => void join()}>
        Accept as {name}
      </Button>
      <Button look="quiet" className="h-10" onClick={enter}>
        Leave it
      </Button>
    </div>
  );
}

function BecomeNew({ secret }: { secret: string }) {
  const { field, submit, writing, faultOf } = useFormWrite(
    { name: '', email: '', password: '' },
    async (typed) => {
      const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
      await take(
        client.POST('/api/invitations/{secret}/people', {
          params: { path: { secret } },
          body: { ...typed, zone },
        }),
      );
      enter();
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-4">
      <NewPersonFields fields={{ name: field('name'), email: field('email'), password: field('password') }} />
      <WholeFault words={faultOf('')} />
      <Button look="main" type="submit" disabled={writing} className="h-10 text-[15px]">
        Join
      </Button>
    </form>
  );
}

export { Join };
