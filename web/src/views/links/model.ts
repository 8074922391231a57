import type { ImportPreview, ImportRow, LinkPreview, Schemas, SchoolLink } from '../../api/client';

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

export type LinkKind = SchoolLink['kind'];
type Ability = SchoolLink['abilities'][number];

export const KINDS = ['BOX', 'ROSTER', 'CALENDAR'] as const satisfies readonly LinkKind[];

export const LINK_KIND_WORDS: Record<LinkKind, string> = {
  FILE: 'Files',
  BOX: 'Course site',
  ROSTER: 'Gradebook',
  CALENDAR: 'Calendar',
};

export const LINK_KIND_ABOUT: Record<(typeof KINDS)[number], string> = {
  BOX: 'A site with a hand-in box. It tells dues, scores and comments, and takes what you hand in.',
  ROSTER: 'A gradebook that gives a OneRoster bundle: dues and scores.',
  CALENDAR: 'A calendar that a course gives: dues, and nothing more.',
};

const TELLS = { DUES: 'dues', GRADEBOOK: 'scores' } as const;
const TAKES = { HAND_IN: 'hand-ins', ASK: 'requests', WRITE: 'messages' } as const;

const LIST = new Intl.ListFormat('en-GB');

function named(verb: string, words: Partial<Record<Ability, string>>, abilities: readonly Ability[]): string {
  const said = abilities.map((ability) => words[ability] ?? '').filter(Boolean);
  return said.length === 0 ? '' : `${verb} ${LIST.format(said)}`;
}

/** "tells dues and scores, takes hand-ins, requests and messages". */
export function abilityWords(abilities: readonly Ability[]): string {
  return [named('tells', TELLS, abilities), named('takes', TAKES, abilities)].filter(Boolean).join(', ');
}

export const STAGE_OF_ASKING: Record<NonNullable<SchoolLink['stage']>, string> = {
  ASKING: 'Asking the school …',
  COMPARING: 'Comparing with what is here …',
  WRITING: 'Writing it down …',
};

/** "Add the link and 12 pieces of work"; what adding a link would do. */
export function linkWords(preview: LinkPreview): string {
  const fresh = preview.rows.filter((row) => row.status === 'NEW').length;
  if (fresh === 0) return 'Add the link';
  return `Add the link and ${fresh} ${fresh === 1 ? 'piece' : 'pieces'} of work`;
}

type Field = Schemas['MappingForm']['fields'][number];

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
  ['KEY', 'what names it'],
];

/** Whether a file is a calendar, which goes its own way. */
export function isCalendar(name: string): boolean {
  return /\.(ics|ical|ifb)$/i.test(name);
}

/** "Add 12, change 3, 8 scores"; empty if there is nothing to do. */
export function fileWords(preview: Schemas['FilePreview']): string {
  const many = (status: string) => preview.rows.filter((row) => row.status === status).length;
  const said = [
    [many('NEW'), 'add'],
    [many('CHANGED'), 'change'],
    [many('GONE'), 'remove'],
    [preview.results, 'take in scores of'],
    [preview.records, 'keep beside what stands'],
  ] as const;
  const words = said
    .filter(([number]) => number > 0)
    .map(([number, verb]) => `${verb} ${number}`)
    .join(', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}
