import clsx from 'clsx';
import { useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { EVERYTHING, isNarrowed, type Narrowing, narrow } from '../../lib/narrow';
import { useMinute } from '../../lib/now';
import { Button } from '../../ui/button';
import { Empty } from '../../ui/states';
import { CourseDialog } from '../courses/course-form';
import { Piece } from '../piece/piece';
import { ChosenBar } from './chosen-bar';
import { ColumnsDialog } from './columns-dialog';
import { CourseLine } from './course-line';
import { LineAdd } from './line-add';
import { group, lines } from './model';
import { NarrowBar } from './narrow-bar';
import { PrintedWork } from './printed-work';
import { ScoringBar, ScoringContext } from './scoring';
import { useChosen } from './use-chosen';
import { useLayout } from './use-layout';
import { useNarrowing } from './use-narrowing';
import { useOpenWork } from './use-open-work';
import { useScores } from './use-scores';
import { WorkFormDialog } from './work-form';
import { WorkTable } from './work-table';

/** Back to the row that the tab key reaches, from where a piece was opened. */
function focusRow(table: HTMLElement | null): void {
  table?.querySelector<HTMLElement>('[role="row"][tabindex="0"]')?.focus();
}

/** What is left of the work, in groups, and as the lines of the table; typing goes on before they are made. */
function useShown(narrowing: Narrowing, minute: number) {
  const { board } = useStudent();
  const deferred = useDeferredValue(narrowing);
  const shown = useMemo(() => narrow(board, deferred, minute), [board, deferred, minute]);
  const groups = useMemo(
    () => group(board, shown, deferred.by, deferred.sort, minute),
    [board, shown, deferred.by, deferred.sort, minute],
  );
  const list = useMemo(() => lines(groups), [groups]);
  const order = useMemo(() => list.flatMap((line) => (line.kind === 'work' ? [line.work.id] : [])), [list]);
  return { shown, groups, list, order };
}

/** All work of all courses in one dense table, and the piece that is open beside it. */
function WorkView() {
  const { board, mayWrite, course } = useStudent();
  const { work } = useParams();
  const openWork = work ? Number(work) : null;
  const [narrowing, change] = useNarrowing();
  const minute = useMinute();
  const { shown, groups, list, order } = useShown(narrowing, minute);
  const [layout, setLayout] = useLayout();
  const [sizing, setSizing] = useState(false);
  const { chosen, setChosen, choose } = useChosen(order);
  const { scores, scoring, goToScore, begin, stop, setFaults } = useScores(order);
  const score = () => {
    setChosen(null);
    begin();
  };
  const only = narrowing.courses.length === 1 ? course(narrowing.courses[0] ?? 0) : undefined;
  const open = useOpenWork(narrowing);
  const table = useRef<HTMLDivElement>(null);
  const close = useCallback(() => {
    open(null);
    requestAnimationFrame(() => focusRow(table.current));
  }, [open]);

  return (
    <>
      <h1 className="sr-only">Work</h1>
      <div className="flex min-h-0 flex-1">
        <div
          ref={table}
          className={clsx(
            'flex min-w-0 flex-1 flex-col',
            openWork !== null && 'max-wide:hidden print:hidden',
          )}
        >
          <PrintedWork groups={groups} shown={shown.length} narrowing={narrowing} now={minute} />
          <NarrowBar
            shown={shown}
            narrowing={narrowing}
            change={change}
            choosing={chosen !== null}
            onChoosing={(on) => setChosen(on ? new Set() : null)}
            onScoring={score}
            onColumns={() => setSizing(true)}
          />
          <LineHead course={only?.id ?? null} />
          {only && <CourseLine course={only} />}
          {list.length === 0 ? (
            <NothingShown narrowed={isNarrowed(narrowing)} onAll={() => change(EVERYTHING)} />
          ) : (
            <ScoringContext value={scoring}>
              <WorkTable
                goToScore={goToScore}
                lines={list}
                shown={shown.length}
                now={minute}
                openWork={openWork}
                onOpen={open}
                layout={layout}
                onLayout={setLayout}
                sort={narrowing.sort}
                onSort={(sort) => change({ sort })}
                chosen={chosen}
                onChoose={choose}
              />
            </ScoringContext>
          )}
          {scores && <ScoringBar values={scores} onFaults={setFaults} onDone={stop} />}
          {chosen && (
            <ChosenBar
              works={board.works.filter((work) => chosen.has(work.id))}
              onAll={() => setChosen(new Set(shown.map((work) => work.id)))}
              onMore={(works) => setChosen(new Set(works))}
              onDone={() => setChosen(null)}
            />
          )}
        </div>
        {openWork !== null && <Piece key={openWork} work={openWork} onClose={close} />}
      </div>
      <ColumnsDialog open={sizing} onClose={() => setSizing(false)} layout={layout} onLayout={setLayout} />
      {mayWrite && <AddDialogs />}
    </>
  );
}

function NothingShown({ narrowed, onAll }: { narrowed: boolean; onAll: () => void }) {
  const { board } = useStudent();
  if (!narrowed) return <NothingYet />;
  return (
    <Empty title="Nothing is left of the work">
      <p className="mb-4">No piece of work is all of this at once.</p>
      <Button onClick={onAll}>Show all {board.works.length}</Button>
    </Empty>
  );
}

/** One line that adds work, opened by `?add=line`. */
function LineHead({ course }: { course: number | null }) {
  const { mayWrite } = useStudent();
  const [params, setParams] = useAddress();
  if (!mayWrite || params.get('add') !== 'line') return null;
  const close = () =>
    setParams((before) => {
      before.delete('add');
      before.delete('line');
      return before;
    });
  return (
    <div className="no-print flex shrink-0 items-start gap-2 border-line border-b bg-raised px-5 pt-2.5 max-sm:px-3">
      <div className="min-w-0 flex-1">
        <LineAdd course={course} autoFocus first={params.get('line') ?? ''} key={params.get('line')} />
      </div>
      <Button look="quiet" className="h-9" onClick={close}>
        Done
      </Button>
    </div>
  );
}

function NothingYet() {
  const { mayWrite, id } = useStudent();
  const navigate = useNavigate();
  if (!mayWrite) return <Empty title="There is no work here yet" />;
  return (
    <Empty title="There is no work here yet">
      <p className="mb-4">Read in the calendar that your school gives you, or type in what you know.</p>
      <span className="flex flex-wrap justify-center gap-2">
        <Button look="main" onClick={() => void navigate(`/s/${id}/start`)}>
          Set up your term
        </Button>
        <Button onClick={() => void navigate(`/s/${id}/work?add=course`)}>Add a course</Button>
      </span>
    </Empty>
  );
}

/** The forms that open from anywhere by `?add=work` or `?add=course`. */
function AddDialogs() {
  const [params, setParams] = useAddress();
  const { board } = useStudent();
  const add = params.get('add');
  const close = () =>
    setParams((before) => {
      before.delete('add');
      return before;
    });
  const course = add === 'course' || (add === 'work' && board.courses.length === 0);
  return (
    <>
      <CourseDialog open={course} onClose={close} />
      <WorkFormDialog open={add === 'work' && !course} onClose={close} />
    </>
  );
}

export { WorkView };
