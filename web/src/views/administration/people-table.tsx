import { MoreHorizontal } from 'lucide-react';
import { useState } from 'react';
import { client, type Schemas, type Session, take } from '../../api/client';
import { queryClient } from '../../api/queries';
import { OnceLink } from '../../frame/once-link';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { bytes } from '../../lib/words';
import { Menu, MenuItem } from '../../ui/menu';
import { useWrite } from '../../ui/use-write';

type Entry = Schemas['PersonEntry'];
type Me = NonNullable<Session['person']>;

const again = () => queryClient.invalidateQueries({ queryKey: ['administration'] });

interface PeopleTableProps {
  people: readonly Entry[];
  me: Me;
}

function PeopleTable({ people, me }: PeopleTableProps) {
  return (
    <ul className="text-[14px]">
      {people.map((entry) => (
        <Row key={entry.person.id} entry={entry} me={me} />
      ))}
    </ul>
  );
}

/** What somebody is here, in a line. */
function roleWords({ person, sees, seenBy }: Entry): string {
  const names = (tied: Entry['sees']) => tied.map((one) => one.name).join(', ');
  return [
    person.role === 'STUDENT' ? 'student' : 'guardian',
    person.administrator ? 'administers this Navlo' : '',
    sees.length > 0
      ? `sees the work of ${names(sees.slice(0, 5))}${sees.length > 5 ? ` and ${sees.length - 5} more` : ''}`
      : '',
    seenBy.length > 0 ? `is seen by ${names(seenBy)}` : '',
    person.bytes > 0 ? `${bytes(person.bytes)} of files` : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

function Row({ entry, me }: { entry: Entry; me: Me }) {
  const now = useNow();
  const [link, setLink] = useState<string | null>(null);
  const { person } = entry;
  return (
    <li data-person={person.id} className="border-line-2 border-t py-2 first:border-line">
      <div className="flex items-start gap-3">
        <div className="min-w-0 flex-1">
          <b className="font-[680] text-[15px]">{person.name}</b>
          {person.id === me.id && <span className="text-ink-2"> (you)</span>}
          <span className="ml-2 break-words text-ink-2">{person.email}</span>
          <span className="block text-[13.5px] text-ink-2">{roleWords(entry)}</span>
          {person.disabledAt && (
            <span className="block font-semibold text-[13.5px] text-loss">
              Can’t sign in since {near(person.disabledAt, me.zone, now)}
            </span>
          )}
          {person.leavesAt && (
            <span className="block text-[13.5px] text-loss">
              Leaves: everything of theirs is deleted {near(person.leavesAt, me.zone, now)}
            </span>
          )}
        </div>
        <span className="whitespace-nowrap text-[13px] text-ink-2 max-sm:hidden">
          here since {near(person.createdAt, me.zone, now)}
        </span>
        {person.id === me.id ? (
          <span className="size-7" />
        ) : (
          <Doing entry={entry} onLink={(secret) => setLink(`${window.location.origin}/reset/${secret}`)} />
        )}
      </div>
      {link && (
        <div className="mt-2">
          <p className="mb-1 text-[13.5px] text-ink-2">
            Give this to {person.name}; it holds for a day and sets a new password once.
          </p>
          <OnceLink label="The way to a new password" text={link} onDone={() => setLink(null)} />
        </div>
      )}
    </li>
  );
}

/** What can be done about somebody else. */
function Doing({ entry, onLink }: { entry: Entry; onLink: (secret: string) => void }) {
  const { person, seenBy } = entry;
  const path = { person: person.id };
  const { write: set } = useWrite(async (change: Partial<Schemas['PersonStateForm']>) => {
    const body = { administrator: person.administrator, disabled: person.disabledAt !== null, ...change };
    await take(client.PUT('/api/administration/people/{person}', { params: { path }, body }));
    await again();
  });
  const { write: help } = useWrite(async () => {
    const { secret } = await take(
      client.POST('/api/administration/people/{person}/password-resets', { params: { path } }),
    );
    onLink(secret);
  });
  const { write: end } = useWrite(async (guardian: number) => {
    await take(
      client.DELETE('/api/administration/guardianships/{guardian}/{student}', {
        params: { path: { guardian, student: person.id } },
      }),
    );
    await again();
  });
  return (
    <Menu
      align="end"
      trigger={
        <button
          type="button"
          aria-label={`What can be done about ${person.name}`}
          className="grid size-7 shrink-0 place-items-center rounded hover:bg-line-2"
        >
          <MoreHorizontal size={16} aria-hidden />
        </button>
      }
    >
      {!person.disabledAt && <MenuItem onSelect={() => void help()}>Make a way to a new password</MenuItem>}
      <MenuItem onSelect={() => void set({ administrator: !person.administrator })}>
        {person.administrator ? 'Administers this Navlo no longer' : 'Make them an administrator'}
      </MenuItem>
      {seenBy.map((guardian) => (
        <MenuItem key={guardian.id} onSelect={() => void end(guardian.id)}>
          End that {guardian.name} sees their work
        </MenuItem>
      ))}
      <MenuItem onSelect={() => void set({ disabled: !person.disabledAt })}>
        {person.disabledAt ? 'Let them sign in again' : 'Let them sign in no longer'}
      </MenuItem>
    </Menu>
  );
}

export { PeopleTable };
