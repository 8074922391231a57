import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { termsQuery } from '../api/queries';
import type { Asked } from '../lib/lines';
import { useNow } from '../lib/now';
import { localDate } from '../lib/time';
import { useStudent } from './student';

export type Term = Schemas['OneTerm'];

/** The term that runs; null where there is none. */
export function runningTerm(terms: readonly Term[]): Term | null {
  return terms.find((term) => !term.closed) ?? null;
}

/** What lines are understood by: today, and the days of the term. */
export function useTerms(): { asked: Asked; term: Term | null } {
  const { id, zone, board } = useStudent();
  const now = useNow();
  const terms = useQuery(termsQuery(id));
  const term = runningTerm(terms.data?.terms ?? []);
  return {
    term,
    asked: {
      courses: board.courses,
      course: null,
      today: localDate(now, zone),
      firstDay: term?.firstDay ?? null,
      lastDay: term?.lastDay ?? null,
      daysOff: term?.daysOff ?? [],
    },
  };
}
