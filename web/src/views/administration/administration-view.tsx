import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { toast } from 'sonner';
import { client, type Schemas, take } from '../../api/client';
import { administrationQuery, queryClient, sessionQuery } from '../../api/queries';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { bytes, count } from '../../lib/words';
import { TextButton } from '../../ui/button';
import { TextField } from '../../ui/field';
import { Failed, Loading } from '../../ui/states';
import { useWrite } from '../../ui/use-write';
import { LetIn } from './let-in';
import { PeopleTable } from './people-table';

type Administration = Schemas['AdministrationView'];

const SIGN_UP: Record<Administration['signUp'], string> = {
  FIRST: 'The first person signed up with the code; everybody else by invitation.',
  INVITED: 'By invitation alone.',
  OPEN: 'Anybody may sign up.',
};

/** This Navlo for who administers it: its people, its mail, its space. Nothing of anybody's work. */
function AdministrationView() {
  const [sought, setSought] = useState('');
  const { data, error, refetch } = useQuery({
    ...administrationQuery(sought),
    placeholderData: keepPreviousData,
  });
  const { data: session } = useQuery(sessionQuery);
  if (error) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!data || !session?.person) return <Loading />;
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto grid max-w-[1180px] grid-cols-[minmax(0,1fr)_300px] gap-x-10 gap-y-6 px-5 py-5 max-lg:grid-cols-1 max-sm:px-3">
        <section aria-labelledby="people" className="min-w-0">
          <div className="mb-3 flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
            <div>
              <h1 id="people" className="font-[720] text-[21px] leading-tight">
                People of this Navlo
              </h1>
              <p className="mt-0.5 text-[14px] text-ink-2">
                {count(data.people, 'person', 'people')}. You see who they are, and nothing of their work.
              </p>
            </div>
            <div className="w-60 max-sm:w-full">
              <TextField
                label="Find by name or address"
                type="search"
                value={sought}
                onChange={(event) => setSought(event.target.value)}
              />
            </div>
          </div>
          <PeopleTable people={data.found} me={session.person} />
          {data.found.length === 0 && <p className="border-line border-t py-4">Nobody is called so.</p>}
          {data.found.length < data.people && sought === '' && (
            <p className="border-line border-t py-2 text-[14px] text-ink-2">
              The first {data.found.length} by name; find the others.
            </p>
          )}
        </section>
        <div className="flex flex-col gap-6">
          <LetIn person={session.person} mails={session.mails} />
          <Instance data={data} zone={session.person.zone} />
        </div>
      </div>
    </div>
  );
}

type Counts = NonNullable<Administration['health']['counts']>;

/** What waits to leave, and what doesn't answer. */
function healthWords(counts: Counts): string {
  const waiting = counts.outbox + counts.messages;
  return [
    waiting === 0 ? 'Nothing waits to be sent' : `${count(waiting, 'thing')} to be sent`,
    counts.failingLinks === 0
      ? 'every link answers'
      : `${count(counts.failingLinks, 'link')} to schools don’t answer`,
    `${count(counts.sessions, 'sign-in')}.`,
  ].join(', ');
}

interface CopiesProps {
  copies: Administration['copies'];
  zone: string;
}

/** Copies are made on the machine and stay there: they hold everybody's work. */
function Copies({ copies, zone }: CopiesProps) {
  const now = useNow();
  const { write: make, writing } = useWrite(async () => {
    await take(client.POST('/api/administration/copies'));
    toast('The copy is made', { description: `It lies in ${copies.folder}.` });
    await queryClient.invalidateQueries({ queryKey: administrationQuery('').queryKey.slice(0, 1) });
  });
  if (!copies.possible) return <>None are made here: the data are kept elsewhere, and so are their copies.</>;
  const last = copies.made[0];
  return (
    <>
      {last
        ? `${count(copies.made.length, 'copy', 'copies')}, the last ${near(last.madeAt, zone, now)} (${bytes(last.bytes)}).`
        : 'There is none.'}{' '}
      {copies.days > 0
        ? `One is made each day and kept for ${count(copies.days, 'day')}`
        : 'None is made by itself'}{' '}
      (<code className="text-[13px]">NAVLO_COPIES_DAYS</code>).{' '}
      <TextButton disabled={writing} onClick={() => void make()}>
        Make one now
      </TextButton>
      <span className="block break-all text-[13px]">In {copies.folder}</span>
    </>
  );
}

function Instance({ data, zone }: { data: Administration; zone: string }) {
  const { write: test, writing } = useWrite(async () => {
    await take(client.POST('/api/administration/test-mails'));
    toast('A mail is on its way to you', { description: 'If it doesn’t arrive, look at the server’s log.' });
  });
  return (
    <section aria-labelledby="instance">
      <h2 id="instance" className="font-[720] text-[17px]">
        This Navlo
      </h2>
      <dl className="text-[14px]">
        <Said name="How people come here">
          {SIGN_UP[data.signUp]} Set by <code className="text-[13px]">NAVLO_SIGN_UP</code>.
        </Said>
        <Said name="Mail">
          {data.mails ? (
            <>
              It can be sent. Links in it begin with {data.address}.{' '}
              <TextButton disabled={writing} onClick={() => void test()}>
                Send me one
              </TextButton>
            </>
          ) : (
            <>
              None can be sent. Set <code className="text-[13px]">NAVLO_MAIL_HOST</code> and start again.
            </>
          )}
        </Said>
        <Said name="Space">
          {bytes(data.space.filesBytes)} of files; {bytes(data.space.freeBytes)} are free on the disk.{' '}
          {data.space.quotaBytes > 0
            ? `A student’s files may take ${bytes(data.space.quotaBytes)}`
            : 'A student’s files may take as much as there is'}{' '}
          (<code className="text-[13px]">NAVLO_QUOTA</code>).
        </Said>
        <Said name="Health">
          {data.health.up ? (
            'It is well.'
          ) : (
            <b className="font-semibold text-loss">{`Not well: ${data.health.why.join(', ')}.`}</b>
          )}{' '}
          {data.health.counts && healthWords(data.health.counts)}
        </Said>
        <Said name="Copies of the data">
          <Copies copies={data.copies} zone={zone} />
        </Said>
      </dl>
    </section>
  );
}

function Said({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="border-line-2 border-t py-2 first:border-t-0">
      <dt className="font-semibold text-[13.5px]">{name}</dt>
      <dd className="text-ink-2">{children}</dd>
    </div>
  );
}

export { AdministrationView };
