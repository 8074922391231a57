import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { client, type NewsItem, type Schemas, take } from '../../api/client';
import { useOffline } from '../../api/offline';
import { newsQuery, queryClient } from '../../api/queries';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { Belonging } from '../../ui/belonging';
import { Button, TextButton } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { useWrite } from '../../ui/use-write';
import { useStudent } from '../student';
import { groupsOf, newsWords, placeOf } from './model';

/** How many things are new, in the bar; opens what they are. */
function NewsButton() {
  const { id } = useStudent();
  const news = useQuery(newsQuery(id));
  const [open, setOpen] = useState(false);
  const fresh = news.data?.fresh ?? 0;
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className={clsx(
          'h-[30px] shrink-0 whitespace-nowrap rounded border px-2.5 text-[14px] hover:border-ink-3',
          fresh > 0 ? 'border-yours font-[680] text-ink' : 'border-line text-ink-2',
        )}
      >
        <Fresh many={news.data?.fresh} />
      </button>
      {open && news.data && <Panel first={news.data} onClose={() => setOpen(false)} />}
    </>
  );
}

/** @param many undefined while nobody has told */
function Fresh({ many }: { many: number | undefined }) {
  if (many === undefined) return <>New</>;
  if (many > 0)
    return (
      <>
        <span className="tnum">{many}</span> new
      </>
    );
  return (
    <>
      <span className="max-sm:sr-only">Nothing </span>new
    </>
  );
}

/** What is new as it was when it was opened; what was in sight counts as seen once it is closed. */
function useMarks(first: Schemas['NewsView'], onClose: () => void) {
  const { id } = useStudent();
  const offline = useOffline();
  const [unseen, setUnseen] = useState<ReadonlySet<string>>(
    () => new Set(first.items.filter((item) => item.isNew).map((item) => item.key)),
  );
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set());
  const inSight = useRef(new Set<string>());
  const fresh = first.items.filter((item) => item.isNew);
  const earlier = first.items.filter((item) => !item.isNew);
  const send = async (items: readonly string[], seen: boolean) => {
    // What was read without a connection stays new until it is seen with one.
    if (items.length === 0 || offline !== null) return;
    await take(
      client.POST('/api/news/{student}/marks', {
        params: { path: { student: id } },
        body: { items: [...items], seen },
      }),
    );
  };
  const { write: close } = useWrite(async () => {
    onClose();
    await send(
      [...inSight.current].filter((key) => unseen.has(key) && !held.has(key)),
      true,
    );
    await queryClient.invalidateQueries({ queryKey: newsQuery(id).queryKey });
  });
  const { write: hold } = useWrite(async (key: string) => {
    setHeld(new Set(held).add(key));
    setUnseen(new Set(unseen).add(key));
    await send([key], false);
  });
  const { write: all } = useWrite(async () => {
    await take(
      client.POST('/api/news/{student}/all', {
        params: { path: { student: id } },
        body: { until: first.now },
      }),
    );
    onClose();
    await queryClient.invalidateQueries({ queryKey: newsQuery(id).queryKey });
  });
  return {
    fresh,
    earlier,
    isNew: (key: string) => unseen.has(key),
    onSight: (key: string) => inSight.current.add(key),
    close,
    hold,
    all,
  };
}

/** What is new, and what was seen in the last days. */
function Panel({ first, onClose }: { first: Schemas['NewsView']; onClose: () => void }) {
  const navigate = useNavigate();
  const { fresh, earlier, isNew, onSight, close, hold, all } = useMarks(first, onClose);
  const go = (place: string) => {
    void close();
    void navigate(place);
  };
  const list = (items: readonly NewsItem[]) => (
    <Groups items={items} isNew={isNew} onSight={onSight} onGo={go} onHold={(key) => void hold(key)} />
  );
  return (
    <Radix.Root open onOpenChange={(next) => !next && void close()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[#0b1614]/40" />
        <Radix.Content
          aria-describedby={undefined}
          className="fixed inset-y-0 right-0 z-50 flex w-[min(460px,100vw)] flex-col border-line border-l bg-raised"
        >
          <div className="flex shrink-0 items-center gap-3 border-line border-b px-5 py-3 max-sm:px-3">
            <Radix.Title className="font-bold text-[18px]">What is new</Radix.Title>
            {fresh.length > 0 && (
              <Button className="ml-auto" onClick={() => void all()}>
                {fresh.length === 1 ? 'Mark it as seen' : `Mark all ${fresh.length} as seen`}
              </Button>
            )}
            <Radix.Close
              aria-label="Close"
              className={clsx('rounded p-1.5 text-ink-2 hover:bg-line-2', fresh.length === 0 && 'ml-auto')}
            >
              <X size={17} aria-hidden />
            </Radix.Close>
          </div>
          <div className="min-h-0 flex-1 overflow-auto px-5 pb-6 max-sm:px-3">
            {fresh.length === 0 && (
              <p className="py-6 text-ink-2">Nothing has happened since you last looked.</p>
            )}
            {list(fresh)}
            {earlier.length > 0 && (
              <details open={fresh.length === 0} className="mt-5">
                <summary className="w-fit cursor-pointer font-semibold text-[14px] text-ink-2">
                  Seen in the last seven days, {earlier.length}
                </summary>
                {list(earlier)}
              </details>
            )}
          </div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

interface GroupsProps {
  items: readonly NewsItem[];
  isNew: (key: string) => boolean;
  onSight: (key: string) => void;
  onGo: (place: string) => void;
  onHold: (key: string) => void;
}

function Groups({ items, isNew, onSight, onGo, onHold }: GroupsProps) {
  const student = useStudent();
  return groupsOf(items, student).map((group) => (
    <section key={group.key} aria-label={group.name} className="mt-4">
      <h3 className="flex items-center gap-2 border-line border-b pb-1 font-bold text-[15px]">
        {group.colour && <CourseMark colour={group.colour} className="h-4" />}
        {group.name}
      </h3>
      <ul>
        {group.items.map((item, at) => (
          <Item
            key={item.key}
            item={item}
            titled={item.workId === null || group.items[at - 1]?.workId !== item.workId}
            isNew={isNew(item.key)}
            place={placeOf(item, student.id)}
            onSight={onSight}
            onGo={onGo}
            onHold={onHold}
          />
        ))}
      </ul>
    </section>
  ));
}

interface ItemProps {
  item: NewsItem;
  /** False where the one above is of the same piece of work. */
  titled: boolean;
  isNew: boolean;
  place: string | null;
  onSight: (key: string) => void;
  onGo: (place: string) => void;
  onHold: (key: string) => void;
}

function Item({ item, titled, isNew, place, onSight, onGo, onHold }: ItemProps) {
  const { zone } = useStudent();
  const now = useNow();
  const line = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (!line.current) return;
    const seen = new IntersectionObserver((entries) => {
      if (entries.some((entry) => entry.isIntersecting)) onSight(item.key);
    });
    seen.observe(line.current);
    return () => seen.disconnect();
  }, [item.key, onSight]);
  const what = newsWords(item);
  return (
    <li ref={line} className={clsx(titled && 'border-line-2 border-t pt-2 first:border-t-0', 'pb-2')}>
      {titled && (
        <div className="flex items-baseline gap-3">
          <Title place={place} onGo={onGo} isNew={isNew}>
            {item.title}
          </Title>
          <span className="shrink-0 whitespace-nowrap text-[13.5px] text-ink-2">
            {near(item.happened, zone, now)}
          </span>
        </div>
      )}
      <p className="text-[14px]">
        {what && <span className={clsx(item.kind === 'CLOSED' && 'text-loss')}>{what}</span>}
        {what && item.by && <span className="text-ink-2"> · </span>}
        <span className="text-ink-2">{item.by}</span>
      </p>
      {item.body && <p className="line-clamp-3 whitespace-pre-line text-[14px]">“{item.body}”</p>}
      {item.address && <Belonging address={item.address} title={item.title} />}
      {!isNew && (
        <TextButton className="text-[13.5px] text-ink-2" onClick={() => onHold(item.key)}>
          Make it new again
        </TextButton>
      )}
    </li>
  );
}

function Title({
  place,
  isNew,
  onGo,
  children,
}: {
  place: string | null;
  isNew: boolean;
  onGo: (place: string) => void;
  children: ReactNode;
}) {
  const words = clsx('min-w-0 flex-1 text-left', isNew ? 'font-bold' : 'font-medium text-ink-2');
  if (place === null) return <span className={words}>{children}</span>;
  return (
    <button type="button" onClick={() => onGo(place)} className={clsx(words, 'hover:underline')}>
      {children}
    </button>
  );
}

export { NewsButton };
