import type { SchoolLink } from '../../api/client';

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
