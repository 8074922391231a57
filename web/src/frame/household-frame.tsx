import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Session } from '../api/client';
import { ConfirmBar } from './confirm-bar';
import { DemoBar } from './demo-bar';
import { LeavingBar } from './leaving';
import { Mark, PersonMenu } from './top-bar';
import { WordsHere } from './words-here';

/** The bar over what is of no one student. */
function HouseholdFrame({ session, children }: { session: Session; children: ReactNode }) {
  return (
    <div className="flex h-dvh flex-col overflow-clip print:h-auto">
      <header className="no-print flex h-[46px] shrink-0 items-center justify-between border-line border-b bg-raised px-5 max-sm:px-3">
        <Link to="/" aria-label="Navlo, to the beginning">
          <Mark />
        </Link>
        <PersonMenu session={session} />
      </header>
      <WordsHere person={session.person} />
      <LeavingBar />
      <ConfirmBar />
      <main className="flex min-h-0 flex-1 flex-col">{children}</main>
      {session.demo && <DemoBar />}
    </div>
  );
}

export { HouseholdFrame };
