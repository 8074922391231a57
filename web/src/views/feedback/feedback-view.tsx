import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { ChevronDown } from 'lucide-react';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { feedbackQuery } from '../../api/queries';
import { Signals, SlowList } from '../../frame/signals';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { Menu, MenuChoice } from '../../ui/menu';
import { Empty, Failed, Loading, NotShown } from '../../ui/states';
import { useWrite } from '../../ui/use-write';
import { Messages } from '../piece/message';
import type { Said } from '../piece/model';
import { markKey } from '../piece/model';
import { Piece } from '../piece/piece';
import { OnPages, PLACES, Words } from '../piece/words';
import { CHIP } from '../work/narrow-chips';
import { writeTogether } from '../work/own-forms';
import { type Entry, entriesOf, hasWords, sizeOf } from './model';

/** All that was said, in one stream: unread first, who spoke and where, and what it may be asking for. */
function FeedbackView() {
  const { id, sees, board } = useStudent();
  const feedback = useQuery({ ...feedbackQuery(id), enabled: sees.words });
  const { work } = useParams();
  const openWork = work ? Number(work) : null;
  const navigate = useNavigate();
  const open = useCallback(
    (next: number | null, mark?: Said) => {
      const pages = mark ? `?marks=${markKey(mark)}&mark=${mark.id}` : '';
      void navigate(`/s/${id}/feedback${next === null ? '' : `/${next}`}${pages}`);
    },
    [navigate, id],
  );
  const close = useCallback(() => open(null), [open]);
  if (!sees.words) return <NotShown name={board.student.name} what="words and files" />;
  if (feedback.isError) return <Failed error={feedback.error} onRetry={() => void feedback.refetch()} />;
  if (!feedback.data) return <Loading />;
  return (
    <div className="flex min-h-0 flex-1">
      <div className={clsx('min-w-0 flex-1 overflow-auto', openWork !== null && 'max-wide:hidden')}>
        <Stream said={feedback.data.said} openWork={openWork} onOpen={open} />
      </div>
      {openWork !== null && <Piece key={openWork} work={openWork} onClose={close} />}
    </div>
  );
}

interface StreamProps {
  said: readonly Said[];
  openWork: number | null;
  onOpen: (work: number, marks?: Said) => void;
}

/** What is shown of the stream, kept in the address but for what is being typed. */
function useFound(said: readonly Said[]) {
  const { board } = useStudent();
  const [text, setText] = useState('');
  const [params, setParams] = useAddress();
  const course = Number(params.get('course') ?? 0);
  const place = (params.get('kind') ?? '') as Said['place'] | '';
  const unreadOnly = params.get('only') === 'unread';
  const put = (name: string, value: string) =>
    setParams((now) => {
      if (value) now.set(name, value);
      else now.delete(name);
      return now;
    });
  const works = useMemo(() => new Map(board.works.map((work) => [work.id, work])), [board]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const entries = useMemo(() => entriesOf(said), [said]);
  const found = entries.filter(
    (entry) =>
      hasWords(entry, works.get(entry.first.work)?.title ?? '', words) &&
      (!course || works.get(entry.first.work)?.courseId === course) &&
      (!place || entry.first.place === place) &&
      (!unreadOnly || entry.first.unread),
  );
  const narrowed = Boolean(words.length > 0 || course || place || unreadOnly);
  return { found, narrowed, text, setText, course, place, unreadOnly, put };
}

function Stream({ said, openWork, onOpen }: StreamProps) {
  const { board, id, own, mayWrite } = useStudent();
  const shown = useFound(said);
  const { found, narrowed } = shown;
  const unread = found.filter((entry) => entry.first.unread);
  const read = found.filter((entry) => !entry.first.unread);
  const { write: markAll } = useWrite(() =>
    writeTogether(
      id,
      [...new Set(unread.map((entry) => entry.first.work))],
      { read: true },
      `Marked ${count(sizeOf(unread), 'word')} as read`,
    ),
  );
  const list = (lines: readonly Entry[]) => (
    <ul>
      {lines.map((entry) => (
        <Line key={entry.first.id} entry={entry} open={entry.first.work === openWork} onOpen={onOpen} />
      ))}
    </ul>
  );
  return (
    <div className="mx-auto w-full max-w-[920px] px-5 py-4 max-sm:px-3">
      <Heading said={said} shown={shown} />
      {!narrowed && <Signals view={`/s/${id}/feedback`} />}
      {found.length === 0 && (
        <Empty
          title={said.length === 0 ? 'Nobody has said anything yet' : 'Nothing that was said is all of this'}
        />
      )}
      {unread.length > 0 && (
        <section>
          <h2 className="flex items-baseline justify-between gap-3 border-line border-b pb-1.5 font-bold">
            <span>
              Unread <span className="font-normal">{sizeOf(unread)}</span>
            </span>
            {mayWrite && (
              <Button look="quiet" className="h-7" onClick={() => void markAll()}>
                Mark all read
              </Button>
            )}
          </h2>
          {list(unread)}
        </section>
      )}
      {read.length > 0 && (
        <section className="mt-5">
          <h2 className="border-line border-b pb-1.5 font-bold">
            Read, and {own ? 'my own words' : `words of ${board.student.name}`}{' '}
            <span className="font-normal">{sizeOf(read)}</span>
          </h2>
          {list(read)}
        </section>
      )}
      {!narrowed && <SlowList view={`/s/${id}/feedback`} />}
      {!narrowed && <Messages />}
    </div>
  );
}

interface HeadingProps {
  said: readonly Said[];
  shown: ReturnType<typeof useFound>;
}

/** How much there is, how much of it is shown, and what it can be narrowed to. */
function Heading({ said, shown }: HeadingProps) {
  const { board } = useStudent();
  const { found, narrowed, text, setText, course, place, unreadOnly, put } = shown;
  const theirs = said.filter((one) => one.by === 'TEACHER');
  return (
    <>
      <header className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="font-bold text-[20px] tracking-[-0.01em]">Feedback</h1>
        <p aria-live="polite" className="text-[14px] text-ink-2">
          {count(theirs.length, 'thing')} said by teachers, {theirs.filter((one) => one.unread).length} unread
          {narrowed && `; ${sizeOf(found)} of ${said.length} shown`}
        </p>
        <input
          type="search"
          aria-label="Find in what was said"
          placeholder="Find in what was said"
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="ml-auto h-8 w-[210px] rounded border border-line bg-paper px-2.5 text-[14px] placeholder:text-ink-3 max-sm:ml-0 max-sm:w-full"
        />
      </header>
      <div className="-mt-1.5 mb-4 flex flex-wrap items-center gap-1.5">
        <NarrowMenu
          label="All courses"
          value={course ? String(course) : ''}
          choices={board.courses.map((one) => [String(one.id), one.name] as const)}
          onChange={(value) => put('course', value)}
        />
        <NarrowMenu
          label="All kinds"
          value={place}
          choices={KINDS}
          onChange={(value) => put('kind', value)}
        />
        <button
          type="button"
          data-on={unreadOnly}
          aria-pressed={unreadOnly}
          onClick={() => put('only', unreadOnly ? '' : 'unread')}
          className={CHIP}
        >
          Unread only
        </button>
      </div>
    </>
  );
}

/** What feedback can be narrowed to by where it was said. */
const KINDS = Object.entries(PLACES).map(
  ([place, words]) => [place, words.charAt(0).toUpperCase() + words.slice(1)] as const,
);

interface NarrowMenuProps {
  label: string;
  /** Empty for all. */
  value: string;
  choices: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
}

function NarrowMenu({ label, value, choices, onChange }: NarrowMenuProps) {
  const chosen = choices.find(([key]) => key === value);
  return (
    <Menu
      trigger={
        <button type="button" data-on={value !== ''} className={CHIP}>
          {chosen?.[1] ?? label}
          <ChevronDown size={13} aria-hidden />
        </button>
      }
    >
      <MenuChoice value={value} onChange={onChange} choices={[['', label], ...choices]} />
    </Menu>
  );
}

interface LineProps {
  entry: Entry;
  open: boolean;
  onOpen: (work: number, marks?: Said) => void;
}

function Line({ entry, open, onOpen }: LineProps) {
  const { board, course } = useStudent();
  const work = board.works.find((one) => one.id === entry.first.work);
  const where = (
    <button
      type="button"
      onClick={() => onOpen(entry.first.work)}
      className="flex min-h-[24px] max-w-full items-center text-[14px] text-ink-2 hover:text-ink"
    >
      <CourseMark colour={course(work?.courseId ?? 0)?.colour ?? ''} className="mr-2 h-3.5" />
      <span className="truncate underline underline-offset-2">{work?.title}</span>
      <span className="sr-only">, {course(work?.courseId ?? 0)?.name}</span>
    </button>
  );
  return (
    <li
      data-open={open}
      className="border-line-2 border-b py-2.5 data-[open=true]:pl-3 data-[open=true]:shadow-[inset_3px_0_0_var(--yours)]"
    >
      {entry.first.mark ? (
        <>
          <OnPages marks={entry.all} onShow={(mark) => onOpen(mark.work, mark)} />
          {where}
        </>
      ) : (
        <Words said={entry.first}>{where}</Words>
      )}
    </li>
  );
}

export { FeedbackView };
