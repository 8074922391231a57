interface Kept {
  text: string;
  /** Of the draft that it was written on. */
  number: number;
}

function name(student: number, work: number): string {
  return `navlo.draft.${student}.${work}`;
}

/** Keeps in this browser what couldn't be saved, so that leaving the page doesn't lose it. */
export function keepText(student: number, work: number, kept: Kept): void {
  localStorage.setItem(name(student, work), JSON.stringify(kept));
}

export function forgetText(student: number, work: number): void {
  localStorage.removeItem(name(student, work));
}

/** What was left unsaved; null for nothing. */
export function keptText(student: number, work: number): Kept | null {
  const kept = localStorage.getItem(name(student, work));
  return kept === null ? null : (JSON.parse(kept) as Kept);
}
