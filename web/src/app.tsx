import { QueryClientProvider, useQuery } from '@tanstack/react-query';
import { type ComponentType, lazy, Suspense, useMemo } from 'react';
import { createBrowserRouter, Navigate, RouterProvider, useLocation } from 'react-router';
import { Toaster } from 'sonner';
import type { Session } from './api/client';
import { queryClient, sessionQuery } from './api/queries';
import { Frame } from './frame/frame';
import { HouseholdFrame } from './frame/household-frame';
import { applyFormats } from './lib/formats';
import { Boundary } from './ui/boundary';
import { Button } from './ui/button';
import { Empty, Failed, Loading } from './ui/states';
import { Confirm } from './views/signin/confirm';
import { Reset } from './views/signin/forgotten';
import { Join } from './views/signin/join';
import { SignIn } from './views/signin/sign-in';
import { TakeOver } from './views/signin/take-over';
import { WorkView } from './views/work/work-view';

function NotFetched() {
  return (
    <Empty title="This view can’t be shown just now">
      <p className="mb-4">The connection may be lost, or Navlo was renewed. Nothing was lost.</p>
      <Button onClick={() => window.location.reload()}>Load the page again</Button>
    </Empty>
  );
}

/** A view that is fetched when it is first gone to. */
function Later({ view: View }: { view: ComponentType }) {
  return (
    <Boundary instead={<NotFetched />}>
      <Suspense fallback={<Loading />}>
        <View />
      </Suspense>
    </Boundary>
  );
}

const AdministrationView = lazy(async () => ({
  default: (await import('./views/administration/administration-view')).AdministrationView,
}));
const FeedbackView = lazy(async () => ({
  default: (await import('./views/feedback/feedback-view')).FeedbackView,
}));
const FilesView = lazy(async () => ({ default: (await import('./views/files/files-view')).FilesView }));
const LeewayView = lazy(async () => ({
  default: (await import('./views/leeway/leeway-view')).LeewayView,
}));
const PaceView = lazy(async () => ({ default: (await import('./views/pace/pace-view')).PaceView }));
const SheetView = lazy(async () => ({ default: (await import('./views/sheet/sheet-view')).SheetView }));
const StartView = lazy(async () => ({ default: (await import('./views/start/start-view')).StartView }));
const HouseholdView = lazy(async () => ({
  default: (await import('./views/household/household-view')).HouseholdView,
}));
const LinksView = lazy(async () => ({ default: (await import('./views/links/links-view')).LinksView }));
const TimelineView = lazy(async () => ({
  default: (await import('./views/timeline/timeline-view')).TimelineView,
}));
const NextView = lazy(async () => ({ default: (await import('./views/next/next-view')).NextView }));
const NotesView = lazy(async () => ({ default: (await import('./views/notes/notes-view')).NotesView }));
const RulesView = lazy(async () => ({ default: (await import('./views/standing/rules-view')).RulesView }));
const CourseView = lazy(async () => ({
  default: (await import('./views/standing/course/course-view')).CourseView,
}));
const StandingView = lazy(async () => ({
  default: (await import('./views/standing/standing-view')).StandingView,
}));

function routes(session: Session) {
  const own = session.students.find((one) => one.id === session.person?.id);
  const first = own ?? session.students[0];
  const several = !own && session.students.length > 1;
  return createBrowserRouter([
    {
      path: '/',
      element: several ? (
        <Navigate to="/household" replace />
      ) : first ? (
        <Navigate to={`/s/${first.id}/next`} replace />
      ) : (
        <HouseholdFrame session={session}>
          <NoStudent />
        </HouseholdFrame>
      ),
    },
    {
      path: '/household',
      element: (
        <HouseholdFrame session={session}>
          <Later view={HouseholdView} />
        </HouseholdFrame>
      ),
    },
    ...(session.person?.administrator
      ? [
          {
            path: '/administration',
            element: (
              <HouseholdFrame session={session}>
                <Later view={AdministrationView} />
              </HouseholdFrame>
            ),
          },
        ]
      : []),
    {
      path: '/s/:student',
      element: <Frame session={session} />,
      children: [
        { index: true, element: <Navigate to="next" replace /> },
        { path: 'next/:work?', element: <Later view={NextView} /> },
        { path: 'work/:work?', element: <WorkView /> },
        { path: 'timeline/:work?', element: <Later view={TimelineView} /> },
        { path: 'feedback/:work?', element: <Later view={FeedbackView} /> },
        { path: 'standing', element: <Later view={StandingView} /> },
        { path: 'standing/:course', element: <Later view={CourseView} /> },
        { path: 'standing/:course/rules', element: <Later view={RulesView} /> },
        { path: 'leeway/:work?', element: <Later view={LeewayView} /> },
        { path: 'pace', element: <Later view={PaceView} /> },
        { path: 'files', element: <Later view={FilesView} /> },
        { path: 'notes', element: <Later view={NotesView} /> },
        { path: 'links', element: <Later view={LinksView} /> },
        { path: 'sheet', element: <Later view={SheetView} /> },
        { path: 'start', element: <Later view={StartView} /> },
        { path: '*', element: <NotHere /> },
      ],
    },
    ...VIEWS_ALONE.map((view) => ({
      path: `/${view}/*`,
      element: first ? <Alone student={first.id} /> : <NoStudent />,
    })),
    { path: '*', element: <NotHere /> },
  ]);
}

/** Views whose address may leave out whose they are. */
const VIEWS_ALONE = [
  'next',
  'work',
  'timeline',
  'feedback',
  'standing',
  'leeway',
  'pace',
  'files',
  'notes',
  'links',
  'start',
  'sheet',
];

/** The same address of one's own, or of the first student that one reads. */
function Alone({ student }: { student: number }) {
  const { pathname, search } = useLocation();
  return <Navigate to={`/s/${student}${pathname}${search}`} replace />;
}

function NoStudent() {
  return (
    <Empty alone title="No student has accepted you yet">
      When a student does, their work is shown here. You can read it then, and never change it. Under your
      name, “Whose work you see”, you can ask one, or make an account for a young child.
    </Empty>
  );
}

function NotHere() {
  return (
    <Empty alone title="There is nothing at this address">
      <a href="/" className="font-semibold text-ink underline">
        Go to your work
      </a>
    </Empty>
  );
}

function Signed({ session }: { session: Session }) {
  if (session.person) applyFormats(session.person.formats);
  const router = useMemo(() => routes(session), [session]);
  return <RouterProvider router={router} />;
}

function Door() {
  const session = useQuery(sessionQuery);
  if (session.isError) return <Failed error={session.error} onRetry={() => void session.refetch()} />;
  if (!session.data) return <Loading />;
  const reset = window.location.pathname.match(/^\/reset\/([\w-]+)$/)?.[1];
  if (reset) return <Reset secret={reset} />;
  const handed = window.location.pathname.match(/^\/take-over\/([\w-]+)$/)?.[1];
  if (handed) return <TakeOver secret={handed} />;
  const confirmed = window.location.pathname.match(/^\/confirm\/([\w-]+)$/)?.[1];
  if (confirmed) return <Confirm secret={confirmed} />;
  const invited = window.location.pathname.match(/^\/join\/([\w-]+)$/)?.[1];
  if (invited) return <Join secret={invited} session={session.data} />;
  return session.data.person ? <Signed session={session.data} /> : <SignIn session={session.data} />;
}

function App() {
  return (
    <QueryClientProvider client={queryClient}>
      <Door />
      <Toaster
        position="bottom-right"
        visibleToasts={1}
        offset={{ bottom: 52, right: 20 }}
        toastOptions={{
          unstyled: true,
          classNames: {
            toast:
              'flex w-[380px] max-w-[calc(100vw-32px)] items-center gap-3 rounded border border-ink bg-ink px-4 py-3 font-sans text-[14px] text-paper',
            title: 'font-semibold',
            description: 'mt-0.5 opacity-90',
            actionButton:
              'ml-auto shrink-0 rounded border border-paper/50 px-2.5 py-1 font-semibold hover:bg-paper hover:text-ink',
            content: 'min-w-0',
          },
        }}
      />
    </QueryClientProvider>
  );
}

export { App };
