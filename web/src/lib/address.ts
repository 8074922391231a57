import { useCallback } from 'react';
import { type NavigateOptions, useSearchParams } from 'react-router';

type Change = (now: URLSearchParams) => URLSearchParams;

/**
 * The query of the address, and the way to change it. A change starts from what the address holds when it is made, not from
 * what it held when the part that makes it was drawn: what was typed meanwhile stays.
 */
export function useAddress(): [URLSearchParams, (change: Change, options?: NavigateOptions) => void] {
  const [params, setParams] = useSearchParams();
  const set = useCallback(
    (change: Change, options?: NavigateOptions) =>
      setParams(change(new URLSearchParams(window.location.search)), options),
    [setParams],
  );
  return [params, set];
}
