import { useEffect, useState } from 'react';

const A_VISIT = 30 * 60_000;

interface Seen {
  at: number;
  figures: Record<string, string | null>;
}

/**
 * What figures were the last time they were looked at, in this browser: a look counts as another visit when the one before
 * is half an hour past. Null on the first.
 */
export function useLastVisit(key: string, figures: Record<string, string | null>): Seen | null {
  const name = `navlo.seen.${key}`;
  const [before] = useState(() => read(`${name}.before`, name));
  const text = JSON.stringify(figures);
  useEffect(() => {
    localStorage.setItem(name, JSON.stringify({ at: Date.now(), figures: JSON.parse(text) as object }));
  }, [name, text]);
  return before;
}

/** The visit before this one: what was last seen, if that is long enough ago, and is then kept as such. */
function read(before: string, last: string): Seen | null {
  const seen = parse(localStorage.getItem(last));
  if (seen && Date.now() - seen.at > A_VISIT) {
    localStorage.setItem(before, JSON.stringify(seen));
    return seen;
  }
  return parse(localStorage.getItem(before));
}

function parse(text: string | null): Seen | null {
  try {
    return text === null ? null : (JSON.parse(text) as Seen);
  } catch {
    return null;
  }
}
