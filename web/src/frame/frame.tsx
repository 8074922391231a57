import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { Outlet, useLocation, useParams, useSearchParams } from 'react-router';
import type { Board, Session } from '../api/client';
import { holdNow, serverNow } from '../api/clock';
import { useLive } from '../api/live';
import { useOffline } from '../api/offline';
import { boardQuery, refreshStudent } from '../api/queries';
import { moment } from '../lib/time';
import { StageGlyphs } from '../ui/stage-glyph';
import { Failed, Loading } from '../ui/states';
import { AlarmBar } from './alarm-bar';
import { AsItWasBar } from './as-it-was';
import { AskedBar } from './asked-bar';
import { ConfirmBar } from './confirm-bar';
import { DemoBar } from './demo-bar';
import { LeavingBar } from './leaving';
import { PaperHead } from './paper-head';
import { Shortcuts } from './shortcuts';
import { StudentContext } from './student';
import { Tideline } from './tideline';
import { TopBar } from './top-bar';
import { WordsHere } from './words-here';

const LONGEST_TIMER = 2 ** 31 - 1;

const VIEW = 'flex min-h-0 flex-1 flex-col outline-none';

/** Without a connection: how old is what is shown. */
function OfflineBar({ zone }: { zone: string | undefined }) {
  const readAt = useOffline();
  if (!readAt) return null;
  return (
    <p
      role="status"
      className="shrink-0 border-line border-b bg-wait-soft px-5 py-1.5 text-[14px] max-sm:px-3"
    >
      <b className="font-semibold">No connection.</b> This is as it was {moment(readAt, zone ?? 'UTC')}.
      Nothing can be changed until there is one.
    </p>
  );
}

const NOTHING_MORE = { words: false, messages: false };

/** What stands around every view: the bar on top, the tideline under it, the demo's clock at the foot. */
function Frame({ session }: { session: Session }) {
  const student = Number(useParams().student);
  const asof = useAsOf();
  const board = useQuery(boardQuery(student, asof));
  useLive(student);
  useClockEdges(student, asof === null ? board.data : undefined);
  useHeldClock(asof === null ? null : (board.data?.now ?? null));
  const sees = session.students.find((one) => one.id === student)?.sees ?? NOTHING_MORE;
  const value = useMemo(() => {
    if (!board.data) return null;
    const courses = new Map(board.data.courses.map((course) => [course.id, course]));
    const works = new Map(board.data.works.map((work) => [work.id, work]));
    return {
      id: student,
      board: board.data,
      zone: board.data.zone,
      own: session.person?.id === student,
      mayWrite: board.data.mayWrite,
      sees,
      mayWriteLetters: asof === null && sees.messages,
      asof,
      course: (id: number) => courses.get(id),
      work: (id: number) => works.get(id),
    };
  }, [student, board.data, asof, session.person?.id, sees]);

  return (
    <StudentContext value={value}>
      <div className="relative flex h-dvh flex-col overflow-clip print:h-auto print:overflow-visible">
        <a
          href="#view"
          className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-raised focus:p-2"
        >
          Skip to the work
        </a>
        <TopBar session={session} student={student} />
        {value ? <Tideline /> : <div className="no-print h-[75px] shrink-0 border-line border-b bg-raised" />}
        <WordsHere person={session.person} />
        <LeavingBar />
        <ConfirmBar />
        <AskedBar />
        <OfflineBar zone={value?.zone} />
        {value && (asof === null ? <AlarmBar /> : <AsItWasBar day={asof} />)}
        {value ? (
          <main id="view" tabIndex={-1} className={VIEW}>
            <PaperHead />
            <Outlet />
          </main>
        ) : (
          <div className={VIEW}>
            {board.isError ? (
              <Failed error={board.error} onRetry={() => void board.refetch()} />
            ) : (
              <Loading />
            )}
          </div>
        )}
        {session.demo && asof === null && <DemoBar />}
        <Shortcuts student={student} words={sees.words} />
        <StageGlyphs />
      </div>
    </StudentContext>
  );
}

/** The day that is looked at as it was: in Work and Standing only. */
function useAsOf(): string | null {
  const { pathname } = useLocation();
  const [params] = useSearchParams();
  const day = params.get('asof');
  return day && /^\d{4}-\d\d-\d\d$/.test(day) && /^\/s\/\d+\/(work|standing)(\/|$)/.test(pathname)
    ? day
    : null;
}

function useHeldClock(at: string | null): void {
  useEffect(() => {
    holdNow(at);
    return () => holdNow(null);
  }, [at]);
}

/** Asks again when the clock alone changes something. */
function useClockEdges(student: number, board: Board | undefined): void {
  useEffect(() => {
    if (!board?.nextChange) return;
    const wait = new Date(board.nextChange).getTime() - serverNow() + 1_000;
    if (wait > LONGEST_TIMER) return;
    const timer = setTimeout(() => void refreshStudent(student), Math.max(wait, 1_000));
    return () => clearTimeout(timer);
  }, [student, board]);
}

export { Frame };
