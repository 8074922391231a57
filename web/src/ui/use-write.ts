import { useMutation } from '@tanstack/react-query';
import { useCallback } from 'react';
import { Refused } from '../api/client';
import { queryClient } from '../api/queries';
import { noticeFault } from './notice';

export interface Write<Values> {
  /** Sends it, and reports what was refused. @returns whether it was written */
  write: (values: Values) => Promise<boolean>;
  writing: boolean;
  /** What doesn't fit, field by field (422); null for none, and for everything that a notice says. */
  fault: Refused | null;
}

/** Whether it is about what was typed, and stands beside it. */
const isOfFields = (error: unknown): error is Refused => error instanceof Refused && error.status === 422;

/**
 * The one way to write from a part of the page: while it goes on it is known, and what is refused is said beside the field or in
 * a notice.
 *
 * @param send writes, shows what it brought and says so, with the helpers `writeChange`, `writePiece` and their like
 * @param inForm whether faults of fields are shown by the part itself; without it, a notice says them as well
 */
export function useWrite<Values = void>(
  send: (values: Values) => Promise<unknown>,
  inForm = false,
): Write<Values> {
  const { mutateAsync, isPending, error } = useMutation({
    mutationFn: send,
    // Without a connection it is said so at once, rather than kept in silence until there is one.
    networkMode: 'always',
    onError: (refused) => {
      if (!inForm || !isOfFields(refused)) noticeFault(refused);
      // It was changed elsewhere meanwhile: what is on the page becomes what it is now.
      if (refused instanceof Refused && refused.status === 412)
        void queryClient.invalidateQueries({ queryKey: ['student'] });
    },
  });
  const write = useCallback(
    (values: Values) =>
      mutateAsync(values).then(
        () => true,
        () => false,
      ),
    [mutateAsync],
  );
  return { write, writing: isPending, fault: inForm && isOfFields(error) ? error : null };
}
