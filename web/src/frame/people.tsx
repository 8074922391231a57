import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Schemas, type Session, take } from '../api/client';
import { childrenQuery, guardiansQuery, queryClient, sessionQuery } from '../api/queries';
import { useNow } from '../lib/now';
import { moment, near } from '../lib/time';
import { Button, TextButton } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Failed, Loading } from '../ui/states';
import { useWrite } from '../ui/use-write';
import { Ask, Requests } from './asking';
import { Children } from './children';
import { InviteForm } from './invite-form';
import { ALL, isAll, type Sight, SightChecks, sightWords } from './sight';

type Person = NonNullable<Session['person']>;
type Open = Schemas['OpenInvitation'];

interface PeopleDialogProps {
  session: Session;
  open: boolean;
  onClose: () => void;
}

/** Who may see one's work, and whose work one sees. */
function PeopleDialog({ session, open, onClose }: PeopleDialogProps) {
  const { person } = session;
  if (!person) return null;
  const others = session.students.filter((student) => student.id !== person.id);
  // Whose work one sees may be otherwise; the page is made anew then, so not before the dialog is left.
  const close = () => {
    onClose();
    void queryClient.invalidateQueries({ queryKey: sessionQuery.queryKey });
  };
  return (
    <Dialog open={open} onOpenChange={(next) => !next && close()} title="People">
      {open && person.role === 'STUDENT' && <MayRead person={person} mails={session.mails} />}
      {open && others.length > 0 && <Reads students={others} />}
      {open && person.role !== 'STUDENT' && <Ask person={person} />}
      {open && person.role !== 'STUDENT' && <Children zone={person.zone} />}
    </Dialog>
  );
}

/** What a student changes of who may see its work. */
function useRights(student: number) {
  const again = () => queryClient.invalidateQueries({ queryKey: guardiansQuery(student).queryKey });
  const path = { student };
  const invite = async (sees: Sight, email: string | null) => {
    const { secret } = await take(
      client.POST('/api/students/{student}/guardians/invitations', {
        params: { path },
        body: { ...sees, email },
      }),
    );
    await again();
    return secret;
  };
  const { write: end } = useWrite(async (guardian: number) => {
    await take(
      client.DELETE('/api/students/{student}/guardians/{guardian}', {
        params: { path: { ...path, guardian } },
      }),
    );
    await again();
  });
  const { write: show } = useWrite(async ({ guardian, body }: { guardian: number; body: Sight }) => {
    await take(
      client.PUT('/api/students/{student}/guardians/{guardian}/sight', {
        params: { path: { ...path, guardian } },
        body,
      }),
    );
    await again();
  });
  const { write: takeBack } = useWrite(async (invitation: number) => {
    await take(
      client.DELETE('/api/students/{student}/guardians/invitations/{invitation}', {
        params: { path: { ...path, invitation } },
      }),
    );
    await again();
  });
  return { invite, end, show, takeBack };
}

/** Who may see a student's work. */
function MayRead({ person, mails }: { person: Person; mails: boolean }) {
  const guardians = useQuery(guardiansQuery(person.id));
  const { invite, end, show, takeBack } = useRights(person.id);
  const [sees, setSees] = useState(ALL);
  if (guardians.isError) return <Failed error={guardians.error} onRetry={() => void guardians.refetch()} />;
  if (!guardians.data) return <Loading rows={2} />;
  return (
    <section aria-labelledby="may-read">
      <h3 id="may-read" className="font-bold text-[15px]">
        Who may see your work
      </h3>
      <p className="mb-2 text-[14px] text-ink-2">
        A guardian reads what you show them and can change nothing; with messages, they can write to your
        teachers in their own name. Your own notes are never seen.
      </p>
      <Requests student={person.id} requests={guardians.data.requests} zone={person.zone} />
      <ul>
        {guardians.data.guardians.map((one) => (
          <Guardian
            key={one.id}
            guardian={one}
            zone={person.zone}
            shown={!person.kept}
            onShow={(sight) => void show({ guardian: one.id, body: sight })}
            onEnd={() => void end(one.id)}
          />
        ))}
      </ul>
      {guardians.data.guardians.length === 0 && (
        <p className="border-line-2 border-t py-2">Nobody but you.</p>
      )}
      <OpenInvitations
        invitations={guardians.data.invitations}
        zone={person.zone}
        narrows
        onTakeBack={(one) => void takeBack(one)}
      />
      <div className="mt-3">
        <InviteForm mails={mails} button="Invite a guardian" invite={(email) => invite(sees, email)}>
          <SightChecks of="whom you invite" sees={sees} onChange={setSees} />
        </InviteForm>
      </div>
    </section>
  );
}

interface GuardianProps {
  guardian: Schemas['Guardian'];
  zone: string;
  /** Whether what they see is the student's to say: not that of who keeps the account. */
  shown: boolean;
  onShow: (sees: Sight) => void;
  onEnd: () => void;
}

function Guardian({ guardian, zone, shown, onShow, onEnd }: GuardianProps) {
  const now = useNow();
  const [sure, setSure] = useState(false);
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-line-2 border-t py-2">
      <span className="min-w-0 flex-1 basis-52">
        <b className="block break-words font-[680]">{guardian.name}</b>
        <span className="block break-words text-[13.5px] text-ink-2">
          {guardian.email},{' '}
          {guardian.lookedAt ? `looked ${near(guardian.lookedAt, zone, now)}` : 'hasn’t looked yet'}
        </span>
      </span>
      {sure ? (
        <>
          <Button look="danger" onClick={onEnd}>
            End it
          </Button>
          <Button look="quiet" onClick={() => setSure(false)}>
            Leave it
          </Button>
        </>
      ) : (
        <TextButton aria-label={`End that ${guardian.name} sees your work`} onClick={() => setSure(true)}>
          End
        </TextButton>
      )}
      {shown && (
        <div className="basis-full">
          <SightChecks of={guardian.name} sees={guardian.sees} onChange={onShow} />
        </div>
      )}
    </li>
  );
}

interface OpenInvitationsProps {
  invitations: readonly Open[];
  zone: string;
  onTakeBack: (id: number) => void;
  /** Whether they let somebody see one's own work, so that what they see is said. */
  narrows?: boolean;
}

/** Links that somebody can still use. */
function OpenInvitations({ invitations, zone, onTakeBack, narrows = false }: OpenInvitationsProps) {
  return (
    <ul>
      {invitations.map((one) => (
        <li
          key={one.id}
          className="flex items-center justify-between gap-3 border-line-2 border-t py-2 text-[14px]"
        >
          <span className="text-ink-2">
            A link for a {one.role === 'STUDENT' ? 'student' : 'guardian'}
            {narrows && !isAll(one.sees) && `, who sees ${sightWords(one.sees)}`}, open until{' '}
            {moment(one.endsAt, zone)}
          </span>
          <TextButton className="shrink-0" onClick={() => onTakeBack(one.id)}>
            Take it back
          </TextButton>
        </li>
      ))}
    </ul>
  );
}

/** Whose work one sees. */
function Reads({ students }: { students: Session['students'] }) {
  const { data: children = [] } = useQuery(childrenQuery);
  const kept = new Set(children.map((child) => child.id));
  const { write: leave } = useWrite(async (student: number) => {
    await take(client.DELETE('/api/people/me/students/{student}', { params: { path: { student } } }));
    window.location.assign('/');
  });
  return (
    <section aria-labelledby="reads" className="mt-5 first:mt-0">
      <h3 id="reads" className="font-bold text-[15px]">
        Whose work you see
      </h3>
      <ul>
        {students.map((student) => (
          <li
            key={student.id}
            className="flex items-center justify-between gap-3 border-line-2 border-t py-2"
          >
            <b className="font-[680]">{student.name}</b>
            {kept.has(student.id) ? (
              <span className="text-[14px] text-ink-2">You keep their account.</span>
            ) : (
              <TextButton
                aria-label={`See the work of ${student.name} no longer`}
                onClick={() => void leave(student.id)}
              >
                See it no longer
              </TextButton>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

export { OpenInvitations, PeopleDialog };
