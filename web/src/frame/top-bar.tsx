import { ChevronDown } from 'lucide-react';
import { useContext, useState } from 'react';
import { NavLink, useLocation, useNavigate } from 'react-router';
import type { Session } from '../api/client';
import { queryClient } from '../api/queries';
import { signOut as signOutNow } from '../api/session';
import { useNow } from '../lib/now';
import { moment } from '../lib/time';
import { tellNoMore } from '../lib/words-here';
import { Menu, MenuChoice, MenuItem, MenuLabel, MenuRule } from '../ui/menu';
import { noticeFault } from '../ui/notice';
import { FindOrDo } from './find-or-do';
import { NewsButton } from './news/news-panel';
import { NoticesDialog } from './notices';
import { PeopleDialog } from './people';
import { PersonDialog } from './person-dialog';
import { SignInsDialog } from './sign-ins';
import { StudentContext } from './student';
import { useTheme } from './theme';
import { addressOf, viewsOf } from './views';

interface TopBarProps {
  session: Session;
  student: number;
}

/** @param slight on a phone the sign alone, where a student's name stands beside it */
function Mark({ slight = false }: { slight?: boolean }) {
  return (
    <span className="flex items-center gap-2 font-[760] text-[19px] tracking-[-0.02em]">
      <svg width="24" height="18" viewBox="0 0 24 18" aria-hidden>
        <path d="M1 14 L8 4 L13 11 L18 4" fill="none" stroke="var(--ink)" strokeWidth="2.4" />
        <path d="M15 2 L23 2 L20 10 Z" fill="var(--yours)" />
      </svg>
      <span className={slight ? 'max-sm:sr-only' : ''}>Navlo</span>
    </span>
  );
}

function TopBar({ session, student }: TopBarProps) {
  const location = useLocation();
  const known = useContext(StudentContext) !== null;
  const words = session.students.find((one) => one.id === student)?.sees.words;
  return (
    <header className="no-print flex h-[46px] shrink-0 items-center gap-x-4 border-line border-b bg-raised px-5 max-sm:gap-x-2 max-sm:px-3">
      <Mark slight={!isAlone(session, student)} />
      <WhoseBoard session={session} student={student} />
      <ViewsInHand student={student} words={words} />
      <nav aria-label="Views" className="flex self-stretch max-sm:hidden">
        {viewsOf(student, words)
          .filter((view) => !view.aside)
          .map((view) => (
            <NavLink
              key={view.path}
              to={addressOf(view, location, student)}
              className="flex items-center border-transparent border-y-[3px] px-3 font-medium text-ink-2 hover:text-ink aria-[current=page]:border-b-yours aria-[current=page]:font-[680] aria-[current=page]:text-ink"
            >
              {view.name}
            </NavLink>
          ))}
      </nav>
      <FindOrDo />
      {known && <NewsButton key={student} />}
      <ClockWords />
      <PersonMenu session={session} />
    </header>
  );
}

/** On a phone the views stand behind the name of the one that is open. */
function ViewsInHand({ student, words }: { student: number; words: boolean | undefined }) {
  const navigate = useNavigate();
  const location = useLocation();
  const views = viewsOf(student, words);
  const here = views.find((view) => location.pathname.startsWith(view.path));
  const go = (path: string) => {
    const view = views.find((one) => one.path === path);
    if (view) void navigate(addressOf(view, location, student));
  };
  return (
    <Menu
      trigger={
        <button type="button" className="flex items-center gap-1 py-2 font-[680] sm:hidden">
          {here?.name ?? 'Views'}
          <ChevronDown size={14} aria-hidden />
        </button>
      }
    >
      <MenuChoice
        value={here?.path ?? ''}
        onChange={(id) => (id === ALL ? void navigate('/household') : go(id))}
        choices={views.map((view) => [view.path, view.name] as const)}
      />
    </Menu>
  );
}

function ClockWords() {
  const now = useNow();
  const student = useContext(StudentContext);
  return (
    <time className="whitespace-nowrap text-[14px] text-ink-2 max-md:hidden">
      {student && moment(new Date(now).toISOString(), student.zone)}
    </time>
  );
}

const ALL = 'all';

/** Whether it goes without saying whose work this is: one's own, and one sees nobody else's. */
function isAlone(session: Session, student: number): boolean {
  return session.person?.id === student && session.students.length < 2;
}

/** Whose work this is, for who reads that of others, and the others that can be chosen. */
function WhoseBoard({ session, student }: TopBarProps) {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const name = session.students.find((one) => one.id === student)?.name;
  const own = session.person?.id === student;
  if (isAlone(session, student)) return null;
  // The same question about another student: the view stays, what is open beside it doesn't.
  const go = (id: string) => void navigate(pathname.replace(/^\/s\/\d+(\/\w+)?.*$/, `/s/${id}$1`));
  const label = (
    <span className="whitespace-nowrap text-[14px]">
      <b className="font-[680]">
        {own ? (
          'Your own'
        ) : (
          <>
            {name?.split(' ')[0]}
            <span className="max-sm:sr-only">{name?.slice(name.split(' ')[0]?.length)}</span>
          </>
        )}
      </b>{' '}
      {!own && <span className="text-ink-2 max-xl:hidden">· you read only</span>}
    </span>
  );
  if (session.students.length < 2) return label;
  return (
    <Menu
      trigger={
        <button type="button">
          {label}
          <span className="sr-only">, choose another student</span>
        </button>
      }
    >
      <MenuChoice
        value={String(student)}
        onChange={(id) => (id === ALL ? void navigate('/household') : go(id))}
        choices={[
          [ALL, 'All students'] as const,
          ...session.students.map(
            (one) => [String(one.id), one.id === session.person?.id ? 'Your own' : one.name] as const,
          ),
        ]}
      />
    </Menu>
  );
}

type Asking = 'self' | 'people' | 'sign-ins' | 'notices';

interface PersonDialogsProps {
  session: Session;
  person: NonNullable<Session['person']>;
  asking: Asking | null;
  onClose: () => void;
}

/** What the menu of a person opens. */
function PersonDialogs({ session, person, asking, onClose }: PersonDialogsProps) {
  return (
    <>
      <PersonDialog person={person} open={asking === 'self'} onClose={onClose} />
      <SignInsDialog
        passkeysOf={session.passkeysOf}
        person={person}
        open={asking === 'sign-ins'}
        onClose={onClose}
      />
      <NoticesDialog
        person={person.id}
        student={person.role === 'STUDENT'}
        open={asking === 'notices'}
        onClose={onClose}
      />
      <PeopleDialog session={session} open={asking === 'people'} onClose={onClose} />
    </>
  );
}

function PersonMenu({ session }: { session: Session }) {
  const [theme, setTheme] = useTheme();
  const [leaving, setLeaving] = useState(false);
  const [asking, setAsking] = useState<Asking | null>(null);
  const navigate = useNavigate();
  const known = useContext(StudentContext);
  const student = known?.mayWrite ? known : null;
  const name = session.person?.name ?? '';
  const initials = name
    .split(/\s+/)
    .map((part) => part[0])
    .join('')
    .slice(0, 2);
  const signOut = async () => {
    setLeaving(true);
    try {
      await signOutNow();
      tellNoMore();
      queryClient.clear();
      window.location.assign('/');
    } catch (error) {
      noticeFault(error);
      setLeaving(false);
    }
  };
  return (
    <>
      <Menu
        align="end"
        trigger={
          <button
            type="button"
            disabled={leaving}
            className="grid size-7 shrink-0 place-items-center rounded bg-ink font-bold text-[12px] text-paper"
          >
            <span aria-hidden>{initials}</span>
            <span className="sr-only">{name}: account and colours</span>
          </button>
        }
      >
        <MenuLabel>{name}</MenuLabel>
        <MenuRule />
        <MenuChoice
          value={theme}
          onChange={setTheme}
          choices={[
            ['system', 'Colours of this device'],
            ['light', 'Light'],
            ['dark', 'Dark'],
          ]}
        />
        <MenuRule />
        {student && <MenuItem onSelect={() => void navigate(`/s/${student.id}/start`)}>Your term</MenuItem>}
        <MenuItem onSelect={() => setAsking('people')}>
          {session.person?.role === 'STUDENT' ? 'Who may see your work' : 'Whose work you see'}
        </MenuItem>
        {session.person?.administrator && (
          <MenuItem onSelect={() => void navigate('/administration')}>This Navlo and its people</MenuItem>
        )}
        <MenuItem onSelect={() => setAsking('self')}>You, and how you read times</MenuItem>
        {!session.person?.kept && <MenuItem onSelect={() => setAsking('notices')}>Reminders</MenuItem>}
        <MenuItem onSelect={() => setAsking('sign-ins')}>Password and sign-ins</MenuItem>
        <MenuItem onSelect={() => void signOut()}>Sign out</MenuItem>
      </Menu>
      {session.person && (
        <PersonDialogs
          session={session}
          person={session.person}
          asking={asking}
          onClose={() => setAsking(null)}
        />
      )}
    </>
  );
}

export { Mark, PersonMenu, TopBar };
