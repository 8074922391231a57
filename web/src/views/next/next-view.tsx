import { keepPreviousData, useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { type KeyboardEvent, memo, useCallback, useMemo, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { nextQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { hasModifier, isTyping } from '../../lib/keys';
import { useNow } from '../../lib/now';
import { dateWords, localDate, span } from '../../lib/time';
import { count } from '../../lib/words';
import { TextButton } from '../../ui/button';
import { Empty, Failed, Loading } from '../../ui/states';
import { Piece } from '../piece/piece';
import { Budget } from './budget';
import { LeftOut } from './left-out';
import { account, byDay, type DayOfMoves, type Next, proofWords, saved, workOf } from './model';
import { MoveRow } from './move-row';
import { Signals } from './signals';
import { Sitting } from './sitting';
import { Sittings } from './sittings';
import { TimerBar } from './timer';

const MOST_BUDGET = 24 * 60;

function budgetOf(text: string | null): number | null {
  const minutes = Number(text);
  return text !== null && Number.isInteger(minutes) && minutes >= 0 && minutes <= MOST_BUDGET
    ? minutes
    : null;
}

/** What do I do now? The moves in the plan's order; beside them the hours they go into, and what is left out. */
function NextView() {
  const { id } = useStudent();
  const [params, setParams] = useSearchParams();
  const budget = budgetOf(params.get('minutes'));
  const next = useQuery({ ...nextQuery(id, budget), placeholderData: keepPreviousData });
  const { work } = useParams();
  const openWork = work ? Number(work) : null;
  const navigate = useNavigate();
  const open = useCallback(
    (piece: number | null) => {
      const minutes = new URLSearchParams(window.location.search).get('minutes');
      const query = minutes === null ? '' : `?minutes=${minutes}`;
      void navigate(`/s/${id}/next${piece === null ? '' : `/${piece}`}${query}`);
    },
    [navigate, id],
  );
  const close = useCallback(() => open(null), [open]);
  const setBudget = (minutes: number | null) =>
    setParams(
      (before) => {
        if (minutes === null) before.delete('minutes');
        else before.set('minutes', String(minutes));
        return before;
      },
      { replace: true },
    );
  if (next.isError && !next.data) return <Failed error={next.error} onRetry={() => void next.refetch()} />;
  if (!next.data) return <Loading />;
  return (
    <div className="flex min-h-0 flex-1" data-replanning={next.isPlaceholderData}>
      <div
        className={clsx(
          'flex min-w-0 flex-1 overflow-auto max-wide:block print:block print:overflow-visible',
          openWork !== null && 'max-wide:hidden!',
        )}
      >
        <div className="min-w-0 flex-1 px-5 pt-4 pb-8 max-sm:px-3">
          <header className="mb-3 flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
            <Summary next={next.data} />
            <Budget budget={budget} onChange={setBudget} busy={next.isFetching} />
          </header>
          <TimerBar />
          <Signals />
          <Moves next={next.data} openWork={openWork} onOpen={open} />
        </div>
        {openWork === null && (
          <aside
            aria-label="The plan"
            className="w-[352px] shrink-0 border-line border-l px-5 pt-4 pb-8 max-wide:w-auto max-wide:border-t max-wide:border-l-0 max-sm:px-3"
          >
            <Sittings next={next.data} onOpen={open} />
            <LeftOut next={next.data} onOpen={open} />
          </aside>
        )}
      </div>
      {openWork !== null && <Piece key={openWork} work={openWork} onClose={close} />}
    </div>
  );
}

function Summary({ next }: { next: Next }) {
  const points = saved(next);
  return (
    <div className="min-w-[min(100%,340px)] flex-1">
      <h1 className="font-[720] text-[21px] leading-tight">
        {count(next.yours, 'move')} {next.yours === 1 ? 'is' : 'are'} yours
        {points > 0 && (
          <>
            ; <span className="text-yours">{points.toFixed(1)} course points</span> can still be saved
          </>
        )}
        .
      </h1>
      <p className="mt-1 text-[14px] text-ink-2" aria-live="polite">
        {account(next)}. {proofWords(next)}
        {next.wishesCost !== null && Number(next.wishesCost) > 0 && (
          <b className="font-semibold text-loss">
            {' '}
            What you wished costs {Number(next.wishesCost).toFixed(1)} points.
          </b>
        )}
      </p>
    </div>
  );
}

interface MovesProps {
  next: Next;
  openWork: number | null;
  onOpen: (work: number) => void;
}

/** Arrow keys and `j`, `k` walk the rows. */
function walk(event: KeyboardEvent<HTMLElement>): void {
  const step = { j: 1, ArrowDown: 1, k: -1, ArrowUp: -1 }[event.key];
  if (!step || isTyping(event) || hasModifier(event)) return;
  const rows = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-move]')];
  const at = rows.findIndex((row) => row.contains(document.activeElement));
  const row = rows[Math.min(rows.length - 1, Math.max(0, at + step))];
  row?.querySelector<HTMLElement>('[data-open]')?.focus();
  event.preventDefault();
}

const Moves = memo(function Moves({ next, openWork, onOpen }: MovesProps) {
  const { board, zone } = useStudent();
  const days = useMemo(() => byDay(next, zone).filter((day) => day.moves.length > 0), [next, zone]);
  const work = useMemo(() => workOf(board), [board]);
  if (days.length === 0) {
    return (
      <Empty title="Nothing is left to plan">
        {next.left.length > 0
          ? 'There are no free hours for what is yours. Say when you are free, or give today some time.'
          : 'Nothing is yours to move just now.'}
      </Empty>
    );
  }
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the keys walk the rows, which are buttons of their own
    <div onKeyDown={walk}>
      {days.map((day) => (
        <section key={day.date} aria-label={dateWords(day.date)} className="mt-5 first:mt-0">
          <DayHead day={day} />
          <ol className="border-line border-t">
            {day.moves.map(({ move, number }) => {
              const piece = work(move.work);
              return (
                piece && (
                  <MoveRow
                    key={move.work}
                    move={move}
                    number={number}
                    work={piece}
                    open={openWork === move.work}
                    narrow={openWork !== null}
                    onOpen={onOpen}
                  />
                )
              );
            })}
          </ol>
        </section>
      ))}
    </div>
  );
});

function DayHead({ day }: { day: DayOfMoves }) {
  const { zone, mayWrite } = useStudent();
  const [sitting, setSitting] = useState(false);
  const today = localDate(useNow(), zone) === day.date;
  return (
    <div className="mb-1.5 flex items-baseline justify-between gap-3 text-[14px] text-ink-2">
      <h2>
        <span className="mr-1.5 font-[680] text-ink">{today ? 'Today' : dateWords(day.date)}</span>
        {span(day.minutes)} of {span(day.free)} free
      </h2>
      {today && mayWrite && (
        <TextButton onClick={() => setSitting(true)}>Sit down to these {day.moves.length}</TextButton>
      )}
      {sitting && <Sitting day={day} onClose={() => setSitting(false)} />}
    </div>
  );
}

export { NextView };
