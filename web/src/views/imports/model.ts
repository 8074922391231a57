import type { ImportPreview, ImportRow, Schemas } from '../../api/client';

export type Choices = Schemas['ImportChoices'];
export type RowEdit = Schemas['RowEdit'];
export type Past = Choices['past'];
type Field = Schemas['MappingForm']['fields'][number];

export const PAST_WORDS: readonly (readonly [Past, string])[] = [
  ['ON_TIME', 'handed in on time'],
  ['LATE', 'handed in late'],
  ['NOT_HANDED_IN', 'not handed in'],
  ['LEAVE_OUT', 'left out here'],
];

export const MEANING_WORDS: readonly (readonly [NonNullable<RowEdit['state']>, string])[] = [
  ['NOTHING', 'nothing'],
  ['NOT_HANDED_IN', 'not handed in'],
  ['HANDED_IN', 'handed in'],
  ['HANDED_IN_LATE', 'handed in late'],
  ['RETURNED', 'it has come back'],
  ['MISSING', 'missing'],
  ['INCOMPLETE', 'incomplete'],
  ['EXCUSED', 'excused'],
];

export const STATE_WORDS: Record<NonNullable<ImportRow['state']>, string> = {
  NOT_HANDED_IN: 'not handed in',
  HANDED_IN: 'handed in',
  PARTLY_SCORED: 'scored in part',
  SCORED: '',
  RETURNED: 'has come back',
  EXCUSED: 'excused',
};

/** What a column can mean, in the order in which it is offered. */
export const FIELD_WORDS: readonly (readonly [field: Field, words: string])[] = [
  ['NONE', 'passed over'],
  ['TITLE', 'title'],
  ['COURSE', 'course'],
  ['DUE', 'due'],
  ['SCORE', 'score'],
  ['POSSIBLE', 'points possible'],
  ['CATEGORY', 'category'],
  ['UNIT', 'unit'],
  ['KIND', 'kind'],
  ['OPENS', 'opens'],
  ['STATE', 'state'],
  ['COMMENT', 'comment'],
  ['LINE', 'line of a text'],
  ['KEY', 'what names it'],
];

export const KIND_OF_SOURCE: Record<ImportPreview['kind'], string> = {
  CALENDAR: 'A calendar',
  TABLE: 'A table',
  BUNDLE: 'A gradebook’s bundle',
  BOX: 'A course site',
};

/** The groups in which rows are shown, the ones to decide about first. */
export interface RowGroup {
  key: string;
  title: string;
  rows: ImportRow[];
  /** Whether its rows can be taken or left. */
  open: boolean;
}

export function groupsOf(rows: readonly ImportRow[]): RowGroup[] {
  const of = (test: (row: ImportRow) => boolean) => rows.filter(test);
  const groups: RowGroup[] = [
    { key: 'ahead', title: 'New', open: true, rows: of((row) => row.status === 'NEW' && !row.past) },
    {
      key: 'past',
      title: 'New, and due before now',
      open: true,
      rows: of((row) => row.past && (row.status === 'NEW' || row.answer === 'LEAVE_OUT')),
    },
    {
      key: 'other',
      title: 'Not work, by their names',
      open: true,
      rows: of((row) => row.status === 'ASIDE' && row.notWork !== null && !row.past),
    },
    { key: 'changed', title: 'Changed', open: false, rows: of((row) => row.status === 'CHANGED') },
    {
      key: 'conflicting',
      title: 'Told otherwise here; what stands stays, and this is kept beside it',
      open: false,
      rows: of((row) => row.status === 'CONFLICTING'),
    },
    { key: 'gone', title: 'Gone', open: false, rows: of((row) => row.status === 'GONE') },
    {
      key: 'kept',
      title: 'No longer told of, but stays, because something was done on it',
      open: false,
      rows: of((row) => row.status === 'KEPT'),
    },
    {
      key: 'aside',
      title: 'Left out',
      open: true,
      rows: of((row) => row.status === 'ASIDE' && row.notWork === null && !row.past),
    },
    { key: 'same', title: 'Here already, as it is', open: false, rows: of((row) => row.status === 'SAME') },
  ];
  return groups.filter((group) => group.rows.length > 0);
}

/** "Add 12, change 3, take in 8 scores"; empty if there is nothing to do. */
export function applyWords(preview: ImportPreview, choices: Choices): string {
  const many = (status: ImportRow['status']) => preview.rows.filter((row) => row.status === status).length;
  const scores = preview.rows.filter((row) => row.score !== null).length;
  const said = [
    [many('NEW'), 'add'],
    [many('CHANGED'), 'change'],
    [many('GONE'), 'remove'],
    [scores, 'take in scores of'],
    [preview.records, 'keep beside what stands'],
    [choices.classes ? preview.classes.length : 0, 'take the hours of classes:'],
  ] as const;
  const words = said
    .filter(([number]) => number > 0)
    .map(([number, verb]) => `${verb} ${number}`)
    .join(', ');
  if (words) return words.charAt(0).toUpperCase() + words.slice(1);
  return preview.results > 0 ? `Take in ${preview.results} entries` : '';
}

/** With one row corrected: what was said of it before stays. */
export function edited(rows: readonly RowEdit[], key: string, change: Partial<RowEdit>): RowEdit[] {
  const before = rows.find((row) => row.key === key) ?? {
    key,
    take: null,
    course: null,
    title: null,
    kind: null,
    category: null,
    dueDay: null,
    dueTime: null,
    possible: null,
    score: null,
    state: null,
    past: null,
  };
  return [...rows.filter((row) => row.key !== key), { ...before, ...change }];
}
