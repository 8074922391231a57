import type { ImportPreview, ImportRow, Schemas } from '../../api/client';

type Status = ImportRow['status'];

export const STATUSES = [
  'NEW',
  'CHANGED',
  'GONE',
  'ASIDE',
  'KEPT',
  'SAME',
] as const satisfies readonly Status[];

export const STATUS_WORDS: Record<Status, string> = {
  NEW: 'New',
  CHANGED: 'Changed',
  GONE: 'Gone',
  ASIDE: 'Left aside by you',
  KEPT: 'Gone from the calendar, but stays',
  SAME: 'As it was',
};

export function rowsOf(rows: readonly ImportRow[], status: Status): ImportRow[] {
  return rows.filter((row) => row.status === status);
}

/** What the preview was made with, to be changed and asked for again. */
export function optionsOf(preview: ImportPreview): Schemas['ImportOptions'] {
  return {
    courseId: preview.courseId,
    newCourse: preview.newCourse,
    byCategory: preview.byCategory,
    leave: rowsOf(preview.rows, 'ASIDE').map((row) => row.key),
  };
}

/** "Add 12, change 3, remove 1"; empty if there is nothing to do. */
export function applyWords(rows: readonly ImportRow[]): string {
  const parts = [
    ['Add', rowsOf(rows, 'NEW').length],
    ['change', rowsOf(rows, 'CHANGED').length],
    ['remove', rowsOf(rows, 'GONE').length],
  ] as const;
  const said = parts.filter(([, number]) => number > 0).map(([verb, number]) => `${verb} ${number}`);
  const words = said.join(', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}
