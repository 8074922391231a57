import { v4 as uuid } from 'uuid';

const NAME = 'navlo.device';

/** What this browser calls itself, so that what another one does is told as new here. */
export function device(): string {
  const kept = localStorage.getItem(NAME);
  if (kept) return kept;
  const name = uuid();
  localStorage.setItem(NAME, name);
  return name;
}
