import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Schemas, type Session, take } from '../../api/client';
import { invitationsQuery, queryClient } from '../../api/queries';
import { InviteForm } from '../../frame/invite-form';
import { OpenInvitations } from '../../frame/people';
import { Choice } from '../../ui/choice';
import { useWrite } from '../../ui/use-write';

type Person = NonNullable<Session['person']>;
type Open = Schemas['OpenInvitation'];

const ROLES = [
  ['STUDENT', 'a student'],
  ['GUARDIAN', 'a guardian'],
] as const;

/** Who else is let in here, by who administers it. */
function LetIn({ person, mails }: { person: Person; mails: boolean }) {
  const { data: open } = useQuery(invitationsQuery);
  const [role, setRole] = useState<Open['role']>('STUDENT');
  const again = () => queryClient.invalidateQueries({ queryKey: invitationsQuery.queryKey });
  const invite = async (email: string | null) => {
    const { secret } = await take(client.POST('/api/administration/invitations', { body: { role, email } }));
    await again();
    return secret;
  };
  const { write: takeBack } = useWrite(async (invitation: number) => {
    await take(
      client.DELETE('/api/administration/invitations/{invitation}', { params: { path: { invitation } } }),
    );
    await again();
  });
  return (
    <section aria-labelledby="let-in">
      <h2 id="let-in" className="font-[720] text-[17px]">
        Let somebody else in
      </h2>
      <p className="mb-2 text-[14px] text-ink-2">
        Who you invite has an account of their own; their work isn’t yours to see.
      </p>
      <OpenInvitations invitations={open ?? []} zone={person.zone} onTakeBack={(one) => void takeBack(one)} />
      <InviteForm mails={mails} button="Make a link" invite={invite}>
        <Choice label="Invite" value={role} options={ROLES} onChange={setRole} />
      </InviteForm>
    </section>
  );
}

export { LetIn };
