import { keepPreviousData, useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { useCallback, useDeferredValue, useMemo } from 'react';
import { useNavigate, useParams } from 'react-router';
import { nextQuery, timelineQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { MOST_TO_PLAN } from '../../lib/budget';
import { EVERYTHING, narrow } from '../../lib/narrow';
import { useMinute } from '../../lib/now';
import { MODES, type Mode, readPlace, writePlace } from '../../lib/timeline-place';
import { Button } from '../../ui/button';
import { Empty, Failed, Loading } from '../../ui/states';
import { Piece } from '../piece/piece';
import { NarrowChips, ShownCount } from '../work/narrow-chips';
import { useNarrowing } from '../work/use-narrowing';
import { Agenda } from './agenda';
import { Lanes } from './lanes';
import { Month } from './month';

const MODE_WORDS: Record<Mode, string> = { lanes: 'Lanes', agenda: 'Agenda', month: 'Month' };

/** All of the term, past and to come: as lanes, as an agenda, as months. */
function TimelineView() {
  const { board, id, zone } = useStudent();
  const { work } = useParams();
  const openWork = work ? Number(work) : null;
  const navigate = useNavigate();
  const [params] = useAddress();
  const { mode } = readPlace(params, zone);
  const [narrowing, change] = useNarrowing();
  const deferred = useDeferredValue(narrowing);
  const minute = useMinute();
  const shown = useMemo(() => narrow(board, deferred, minute), [board, deferred, minute]);
  const timeline = useQuery({ ...timelineQuery(id), placeholderData: keepPreviousData });
  const next = useQuery({
    ...nextQuery(id, null),
    placeholderData: keepPreviousData,
    enabled: board.counts.yours <= MOST_TO_PLAN,
  });
  const open = useCallback(
    (to: number | null) =>
      void navigate(
        { pathname: `/s/${id}/timeline${to === null ? '' : `/${to}`}`, search: window.location.search },
        { replace: to !== null },
      ),
    [navigate, id],
  );
  const close = useCallback(() => {
    open(null);
    requestAnimationFrame(() =>
      document
        .querySelector<HTMLElement>('[data-bar][tabindex="0"], [aria-current="true"]')
        ?.focus({ preventScroll: true }),
    );
  }, [open]);
  return (
    <>
      <h1 className="sr-only">Timeline</h1>
      <div className="flex min-h-0 flex-1">
        <div
          className={clsx(
            'flex min-w-0 flex-1 flex-col',
            openWork !== null && 'max-wide:hidden print:hidden',
          )}
        >
          <div className="@container no-print shrink-0 border-line border-b">
            <div className="flex flex-wrap items-center gap-x-1.5 gap-y-2 px-5 py-2 text-[14px] max-sm:px-3">
              <Modes mode={mode} />
              <ShownCount shown={shown} narrowing={narrowing} />
              <NarrowChips narrowing={narrowing} change={change} />
            </div>
          </div>
          {timeline.isError ? (
            <Failed error={timeline.error} onRetry={() => void timeline.refetch()} />
          ) : !timeline.data ? (
            <Loading />
          ) : board.works.length === 0 ? (
            <NothingYet />
          ) : shown.length === 0 ? (
            <Empty title="Nothing is left of the work">
              <p className="mb-4">No piece of work is all of this at once.</p>
              <Button onClick={() => change(EVERYTHING)}>Show all {board.works.length}</Button>
            </Empty>
          ) : mode === 'agenda' ? (
            <Agenda timeline={timeline.data} shown={shown} next={next.data} openWork={openWork} />
          ) : mode === 'month' ? (
            <Month timeline={timeline.data} shown={shown} next={next.data} openWork={openWork} />
          ) : (
            <Lanes
              timeline={timeline.data}
              shown={shown}
              next={next.data}
              openWork={openWork}
              onOpen={open}
            />
          )}
        </div>
        {openWork !== null && <Piece key={openWork} work={openWork} onClose={close} />}
      </div>
    </>
  );
}

function Modes({ mode }: { mode: Mode }) {
  const { zone } = useStudent();
  const [, setParams] = useAddress();
  return (
    <fieldset className="mr-3 flex">
      <legend className="sr-only">As</legend>
      {MODES.map((one) => (
        <label
          key={one}
          className="flex h-[28px] cursor-pointer items-center border-line border-y border-l px-2.5 first-of-type:rounded-l last-of-type:rounded-r last-of-type:border-r has-checked:bg-ink has-checked:text-paper has-focus-visible:outline-2 has-focus-visible:outline-yours"
        >
          <input
            type="radio"
            name="timeline-as"
            checked={mode === one}
            onChange={() => setParams((before) => writePlace(before, { mode: one }, zone), { replace: true })}
            className="sr-only"
          />
          {MODE_WORDS[one]}
        </label>
      ))}
    </fieldset>
  );
}

function NothingYet() {
  const { id, mayWrite } = useStudent();
  const navigate = useNavigate();
  return (
    <Empty title="There is no work here yet">
      {mayWrite && (
        <>
          <p className="mb-4">What your school’s links, files or you yourself tell lies here in time.</p>
          <Button look="main" onClick={() => void navigate(`/s/${id}/links`)}>
            Say where it comes from
          </Button>
        </>
      )}
    </Empty>
  );
}

export { TimelineView };
