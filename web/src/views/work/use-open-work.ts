import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { useStudent } from '../../frame/student';
import { type Narrowing, writeNarrowing } from '../../lib/narrow';

/** Opens a piece of work beside the table, which stays narrowed as it is; null closes it. */
export function useOpenWork(narrowing: Narrowing) {
  const { id } = useStudent();
  const navigate = useNavigate();
  const search = writeNarrowing(narrowing).toString();
  return useCallback(
    (work: number | null, step?: string) => {
      const params = new URLSearchParams(search);
      if (step) params.set('step', step);
      const query = params.toString();
      void navigate({
        pathname: `/s/${id}/work${work === null ? '' : `/${work}`}`,
        search: query ? `?${query}` : '',
      });
    },
    [navigate, id, search],
  );
}
