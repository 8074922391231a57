import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { leewayQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { stakeWords } from '../../lib/readings';
import { minutesBetween, moment, near, span } from '../../lib/time';
import { count } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { Empty, Failed, Loading } from '../../ui/states';
import { CaseOpen } from './case-open';
import { type Case, choiceWords, eventWords } from './model';

/** What can be moved: all that can still be asked for, by the time that is left for it; tokens; what was asked and answered. */
function LeewayView() {
  const { id } = useStudent();
  const leeway = useQuery(leewayQuery(id));
  if (leeway.isError) return <Failed error={leeway.error} onRetry={() => void leeway.refetch()} />;
  if (!leeway.data) return <Loading />;
  const { cases, banks, history } = leeway.data;
  return (
    <div className="flex-1 overflow-auto">
      <div className="mx-auto flex w-full max-w-[1300px] items-start gap-8 px-5 py-4 max-wide:flex-col max-sm:px-3">
        <div className="min-w-0 flex-1 max-wide:w-full">
          <Summary cases={cases} />
          {cases.length === 0 ? (
            <Empty title="Nothing can be moved just now">
              No piece of work may have an extension or a token just now. Write to the teacher all the same,
              if you need to: each piece of work has “Write to” in it.
            </Empty>
          ) : (
            <ul className="border-line border-t">
              {cases.map((one) => (
                <CaseRow key={one.work} one={one} />
              ))}
            </ul>
          )}
        </div>
        <aside aria-label="Tokens and history" className="w-[320px] shrink-0 max-wide:w-full">
          <Banks banks={banks} />
          <History history={history} />
        </aside>
      </div>
    </div>
  );
}

function Summary({ cases }: { cases: readonly Case[] }) {
  const { zone } = useStudent();
  const now = useNow();
  const first = cases.find((one) => one.until !== null);
  return (
    <header className="mb-3">
      <h1 className="font-[720] text-[21px] leading-tight">
        {count(cases.length, 'piece')} of work can still be moved
        {first?.until && (
          <>
            ; the first only{' '}
            <span className="text-yours">
              for {span(minutesBetween(now, first.until))}, until {near(first.until, zone, now)}
            </span>
          </>
        )}
        .
      </h1>
    </header>
  );
}

function CaseRow({ one }: { one: Case }) {
  const { id, zone, work, course } = useStudent();
  const now = useNow();
  const navigate = useNavigate();
  const open = Number(useParams().work) === one.work;
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (open) row.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  const piece = work(one.work);
  if (!piece) return null;
  const left = one.until === null ? null : minutesBetween(now, one.until);
  const choice = one.choices.find((each) => each.best);
  const to = open ? `/s/${id}/leeway` : `/s/${id}/leeway/${one.work}`;
  return (
    <li ref={row} data-case={one.work} className="border-line border-b">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => void navigate(to)}
        className="grid w-full grid-cols-[minmax(0,1fr)_190px_150px] items-center gap-x-4 py-2 text-left hover:bg-line-2 max-sm:grid-cols-[minmax(0,1fr)_110px]"
      >
        <span className="min-w-0">
          <b className="block truncate font-[680]">{piece.title}</b>
          <span className="flex items-center gap-2 text-[13.5px] text-ink-2">
            <CourseMark colour={course(piece.courseId)?.colour ?? ''} className="h-3.5" />
            <span className="truncate">
              {course(piece.courseId)?.name}. {piece.due && `Due ${near(piece.due, zone, now)}`}
              {one.pending && '; asked for, not answered yet'}
            </span>
          </span>
        </span>
        <span className="text-[14px] max-sm:hidden">
          {choice && (
            <>
              best: {choiceWords(choice).toLowerCase()}
              <span className="block text-[13px] text-ink-2">
                {Math.round(Number(choice.score) * 10) / 10} of {Number(one.possible)} points
              </span>
            </>
          )}
        </span>
        <span
          data-hot={left !== null && left < 24 * 60}
          className="text-right text-[14px] text-ink-2 data-[hot=true]:font-semibold data-[hot=true]:text-loss"
        >
          {left === null ? 'no time left to ask' : `${span(left)} left`}
          {one.until && (
            <span className="block text-[13px] font-normal">until {near(one.until, zone, now)}</span>
          )}
        </span>
      </button>
      {open && <CaseOpen one={one} piece={piece} />}
    </li>
  );
}

function Banks({ banks }: { banks: readonly Schemas['BankView'][] }) {
  const { id, course, work } = useStudent();
  if (banks.length === 0) return null;
  return (
    <section aria-labelledby="banks" className="mb-6">
      <h2 id="banks" className="border-line border-b pb-1 font-[680] text-[16px]">
        Tokens
      </h2>
      {banks.map((bank) => (
        <div key={bank.course} className="border-line-2 border-b py-2">
          <p className="flex items-center gap-2">
            <CourseMark colour={course(bank.course)?.colour ?? ''} />
            <b className="font-[680]">{course(bank.course)?.name}</b>
          </p>
          <p className="mt-1 flex items-center gap-1.5" title={`${bank.left} of ${bank.of} left`}>
            {Array.from({ length: bank.of }, (_, i) => (
              <span
                // biome-ignore lint/suspicious/noArrayIndexKey: a token is like the next
                key={i}
                aria-hidden
                className={
                  i < bank.left ? 'h-3.5 w-6 bg-yours' : 'h-3.5 w-6 border border-line border-dashed'
                }
              />
            ))}
            <span className="ml-1 text-[14px]">
              {bank.left} of {bank.of} left
            </span>
          </p>
          <p className="mt-1 text-[14px] text-ink-2">
            {bank.uses.length === 0
              ? 'No token would bring anything just now: keep them.'
              : `The best use, worth ${stakeWords(bank.worth)} of the course:`}
          </p>
          <ul className="text-[14px]">
            {bank.uses.map((use) => (
              <li key={use.work}>
                {count(use.tokens, 'token')} on{' '}
                <Link to={`/s/${id}/leeway/${use.work}`} className="underline underline-offset-2">
                  {work(use.work)?.title}
                </Link>
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function History({ history }: { history: readonly Schemas['LeewayEventView'][] }) {
  const { id, zone, work } = useStudent();
  const now = useNow();
  return (
    <section aria-labelledby="history">
      <h2 id="history" className="border-line border-b pb-1 font-[680] text-[16px]">
        What was asked and used
      </h2>
      {history.length === 0 && <p className="py-2 text-[14px] text-ink-2">Nothing yet.</p>}
      <ul>
        {history.map((event) => (
          <li
            key={`${event.work} ${event.kind} ${event.at}`}
            className="border-line-2 border-b py-1 text-[14px]"
          >
            <span className="text-ink-2">{moment(event.at, zone)}</span>{' '}
            <Link to={`/s/${id}/work/${event.work}`} className="hover:underline">
              {work(event.work)?.title}
            </Link>
            : {eventWords(event, zone, now)}
          </li>
        ))}
      </ul>
    </section>
  );
}

export { LeewayView };
