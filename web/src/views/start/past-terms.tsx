import { useState } from 'react';
import { client, type Schemas, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { runningTerm, type Term } from '../../frame/terms';
import { dateWords } from '../../lib/time';
import { Button, TextButton } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';
import { CourseList } from '../courses/course-list';
import { ClosedBoard } from './closed-board';
import { TermStep } from './term-step';

interface PastTermsProps {
  terms: readonly Term[];
  courses: readonly Schemas['TermCourse'][];
}

/** The next term, and those that were closed: kept to look at. */
function PastTerms({ terms, courses }: PastTermsProps) {
  const { id } = useStudent();
  const [beginning, setBeginning] = useState(false);
  const [shown, setShown] = useState<number | null>(null);
  const running = runningTerm(terms);
  const closed = terms.filter((term) => term.closed);
  const alone = courses.filter((course) => course.closed && !closed.some((term) => term.id === course.term));
  const { write: reopen } = useWrite(([term, to]: [Term, boolean]) =>
    writeChange(
      id,
      client.PUT('/api/students/{student}/terms/{term}/closing', {
        params: {
          path: { student: id, term: term.id },
          header: { 'If-Match': `"${term.version}"`, 'Idempotency-Key': writeKey() },
        },
        body: { closed: to },
      }),
      `${to ? 'Closed' : 'Opened again'} ${term.name}`,
    ),
  );
  return (
    <section aria-label="Terms" className="mt-6 text-[14px]">
      {running && (
        <p className="flex flex-wrap gap-3">
          <Button onClick={() => setBeginning(true)}>Begin the next term</Button>
          <Button onClick={() => reopen([running, true])}>Close {running.name}</Button>
        </p>
      )}
      {closed.length > 0 && <h2 className="mt-4 font-[680] text-[15px]">Closed, and kept to look at</h2>}
      {closed.map((term) => (
        <div key={term.id} className="border-line-2 border-t py-1.5">
          <p className="flex flex-wrap items-baseline gap-x-3">
            <span className="font-semibold">{term.name}</span>
            <span className="min-w-0 flex-1 text-ink-2">
              {dateWords(term.firstDay)} to {dateWords(term.lastDay)} {term.lastDay.slice(0, 4)}
            </span>
            <TextButton
              aria-expanded={shown === term.id}
              onClick={() => setShown(shown === term.id ? null : term.id)}
            >
              {shown === term.id ? 'Fold it' : 'Look at it'}
            </TextButton>
            <TextButton onClick={() => reopen([term, false])}>Open it again</TextButton>
          </p>
          {shown === term.id && (
            <ClosedBoard
              courses={
                new Set(courses.filter((course) => course.term === term.id).map((course) => course.id))
              }
            />
          )}
        </div>
      ))}
      {alone.length > 0 && (
        <>
          <h2 className="mt-4 font-[680] text-[15px]">Closed courses</h2>
          <CourseList courses={alone} />
        </>
      )}
      <Dialog
        wide
        open={beginning}
        onOpenChange={setBeginning}
        title="Begin the next term"
        about="What is read in or added from then on belongs to it."
      >
        {beginning && <TermStep term={null} closes={running} onDone={() => setBeginning(false)} />}
      </Dialog>
    </section>
  );
}

export { PastTerms };
