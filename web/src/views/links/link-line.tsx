import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { Ellipsis } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { client, type SchoolLink, take, writeKey } from '../../api/client';
import { linksQuery, refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { Menu, MenuItem, MenuRule } from '../../ui/menu';
import { noticeFault } from '../../ui/notice';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';
import { LinkHistory } from './link-history';
import { abilityWords, LINK_KIND_WORDS, STAGE_OF_ASKING } from './model';

/** How often one looks how far an asking is, in milliseconds. */
const LOOK = 400;

/** One link: what it is, how it fares, and what can be done with it. */
function LinkLine({ link }: { link: SchoolLink }) {
  const { mayWrite } = useStudent();
  const asking = useAsking(link);
  const [shown, setShown] = useState(false);
  return (
    <li className="border-line-2 border-b py-3" data-link={link.id}>
      <div className="flex flex-wrap items-start gap-x-4 gap-y-1">
        <div className="min-w-0 flex-1 basis-72">
          <h3 className="truncate font-[680] text-[16px]" title={link.name}>
            {link.name}
            {link.paused && <span className="ml-2 font-normal text-[14px] text-wait">paused</span>}
          </h3>
          <p className="text-[14px] text-ink-2">
            {LINK_KIND_WORDS[link.kind]}: {abilityWords(link.abilities)}
          </p>
        </div>
        <Faring link={link} stage={asking.stage} />
        {mayWrite && (
          <div className="flex shrink-0 items-center gap-1 max-sm:w-full">
            {link.kind !== 'FILE' && asking.running && <Button onClick={asking.stop}>Stop</Button>}
            {link.kind !== 'FILE' && !asking.running && (
              <Button
                disabled={link.paused}
                onClick={() => asking.ask(false)}
                aria-label={`Ask now: ${link.name}`}
              >
                Ask now
              </Button>
            )}
            <LinkMenu link={link} onAnew={() => asking.ask(true)} onHistory={() => setShown(!shown)} />
          </div>
        )}
      </div>
      {shown && <LinkHistory link={link} />}
    </li>
  );
}

/** Asks a link, says how far that is, and can stop it. */
function useAsking(link: SchoolLink) {
  const { id } = useStudent();
  const [running, setRunning] = useState(false);
  const path = { student: id, link: link.id };
  const look = useQuery({ ...linksQuery(id), refetchInterval: running ? LOOK : false });
  const now = look.data?.links.find((one) => one.id === link.id);
  const ask = async (anew: boolean) => {
    setRunning(true);
    try {
      await take(
        client.POST('/api/students/{student}/links/{link}/asking', { params: { path, query: { anew } } }),
      );
    } catch (error) {
      noticeFault(error);
    }
    await refreshStudent(id);
    setRunning(false);
  };
  const stop = () =>
    void take(client.DELETE('/api/students/{student}/links/{link}/asking', { params: { path } })).catch(
      noticeFault,
    );
  return {
    running,
    stage: running || now?.stage ? STAGE_OF_ASKING[now?.stage ?? 'ASKING'] : null,
    ask: (anew: boolean) => void ask(anew),
    stop,
  };
}

function Faring({ link, stage }: { link: SchoolLink; stage: string | null }) {
  const { zone } = useStudent();
  const now = useNow();
  const bad = link.fault !== null;
  return (
    <div
      aria-live="polite"
      className={clsx(
        'min-w-0 flex-1 basis-80 border-l-2 pl-3 text-[14px]',
        bad ? 'border-loss' : 'border-line',
      )}
    >
      {stage && <p className="font-semibold">{stage}</p>}
      {!stage && bad && (
        <p className="text-loss">
          <b className="font-[680]">Can’t be read.</b> {link.fault} What it told before stays.
        </p>
      )}
      {!stage && !bad && (
        <p>
          {link.news && link.toldAt ? (
            <>
              {link.news}, <span className="text-ink-2">{near(link.toldAt, zone, now)}</span>
            </>
          ) : (
            'It has told nothing new yet.'
          )}
        </p>
      )}
      <p className="text-ink-2">
        {link.kind === 'FILE' && 'Read in by hand.'}
        {link.kind !== 'FILE' &&
          (link.askedAt ? `Last answered ${near(link.askedAt, zone, now)}.` : 'Not asked yet.')}
        {link.nextAskAt && !link.paused && ` Next: ${near(link.nextAskAt, zone, now)}.`}
      </p>
    </div>
  );
}

interface LinkMenuProps {
  link: SchoolLink;
  onAnew: () => void;
  onHistory: () => void;
}

function LinkMenu({ link, onAnew, onHistory }: LinkMenuProps) {
  const { id } = useStudent();
  const [renaming, setRenaming] = useState(false);
  const { write: set } = useWrite(([name, paused, words]: [string, boolean, string]) =>
    writeChange(
      id,
      client.PUT('/api/students/{student}/links/{link}', {
        params: { path: { student: id, link: link.id }, header: { 'Idempotency-Key': writeKey() } },
        body: { name, paused },
      }),
      words,
    ),
  );
  const { write: remove } = useWrite(() =>
    writeChange(
      id,
      client.DELETE('/api/students/{student}/links/{link}', {
        params: { path: { student: id, link: link.id }, header: { 'Idempotency-Key': writeKey() } },
      }),
      `Removed ${link.name}`,
    ),
  );
  const pause = () =>
    void set([link.name, !link.paused, link.paused ? `Went on with ${link.name}` : `Paused ${link.name}`]);
  return (
    <>
      <Menu
        align="end"
        trigger={
          <button
            type="button"
            aria-label={`More of ${link.name}`}
            className="grid h-8 w-8 place-items-center rounded text-ink-2 hover:bg-line-2 hover:text-ink"
          >
            <Ellipsis size={17} aria-hidden />
          </button>
        }
      >
        <MenuItem onSelect={onHistory}>What it brought</MenuItem>
        {link.kind !== 'FILE' && (
          <MenuItem onSelect={pause}>{link.paused ? 'Go on with it' : 'Pause it'}</MenuItem>
        )}
        <MenuItem onSelect={() => setRenaming(true)}>Give it another name …</MenuItem>
        {link.kind !== 'FILE' && <MenuItem onSelect={onAnew}>Read all of it again</MenuItem>}
        <MenuRule />
        <MenuItem onSelect={remove}>Remove the link; its work stays</MenuItem>
      </Menu>
      <Dialog open={renaming} onOpenChange={setRenaming} title="What it is called">
        <Rename
          first={link.name}
          onName={(name) => {
            setRenaming(false);
            void set([name, link.paused, `Renamed to ${name}`]);
          }}
        />
      </Dialog>
    </>
  );
}

function Rename({ first, onName }: { first: string; onName: (name: string) => void }) {
  const [name, setName] = useState(first);
  const send = (event: FormEvent) => {
    event.preventDefault();
    onName(name);
  };
  return (
    <form onSubmit={send} className="flex flex-col gap-3">
      <TextField
        label="Name"
        required
        maxLength={200}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Button look="main" type="submit" className="self-end">
        Call it that
      </Button>
    </form>
  );
}

export { LinkLine };
