import { keepPreviousData, useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { useCallback } from 'react';
import { Navigate, useNavigate, useParams } from 'react-router';
import { nextQuery } from '../../api/queries';
import { Signals, SlowList } from '../../frame/signals';
import { useStudent } from '../../frame/student';
import { UnknownList } from '../../frame/unknown';
import { useAddress } from '../../lib/address';
import { budgetOf } from '../../lib/budget';
import { Failed, Loading } from '../../ui/states';
import { Piece } from '../piece/piece';
import { Budget } from './budget';
import { Errands } from './errands';
import { Headline } from './headline';
import { LeftOut } from './left-out';
import { Moves } from './moves';
import { Sitting } from './sitting';
import { Sittings } from './sittings';
import { TimerBar } from './timer';

/** What do I do now? The moves in the plan's order; beside them the hours they go into, and what is left out. */
function NextView() {
  const { id, board, mayWrite } = useStudent();
  const [params, setParams] = useAddress();
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
  if (mayWrite && board.works.length === 0) return <Navigate to={`/s/${id}/start`} replace />;
  return (
    <div className="flex min-h-0 flex-1" data-replanning={next.isPlaceholderData}>
      <div
        className={clsx(
          'min-w-0 flex-1 overflow-auto print:overflow-visible',
          openWork !== null && 'max-wide:hidden!',
        )}
      >
        <div className="flex min-h-full max-wide:block print:block">
          <div className="min-w-0 flex-1 px-5 pt-4 pb-8 max-sm:px-3">
            <header className="mb-3 flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
              <Headline next={next.data} busy={next.isFetching} />
              <Budget budget={budget} onChange={setBudget} busy={next.isFetching} />
            </header>
            <TimerBar />
            <Signals view={`/s/${id}/next`} most={3} />
            <Errands errands={next.data.errands} />
            <Moves next={next.data} openWork={openWork} onOpen={open} />
            <SlowList view={`/s/${id}/next`} />
            <UnknownList heading="Not known yet" />
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
      </div>
      {openWork !== null && <Piece key={openWork} work={openWork} onClose={close} />}
      <Sitting next={next.data} />
    </div>
  );
}

export { NextView };
