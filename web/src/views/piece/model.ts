import type { Detail, Schemas } from '../../api/client';
import { bytes, count } from '../../lib/words';

export type Said = Schemas['SaidView'];

/** Names the file whose pages a mark stands on: "hand-in.position". */
export function markKey(said: Said | undefined): string {
  return said?.mark ? `${said.mark.handIn}.${said.mark.position}` : '';
}

/** Marks from the first page down, as they are numbered. */
export function inOrder(marks: readonly Said[]): Said[] {
  return [...marks].sort(
    (a, b) => (a.mark?.page ?? 0) - (b.mark?.page ?? 0) || (a.mark?.y ?? 0) - (b.mark?.y ?? 0) || a.id - b.id,
  );
}

/** New first, then the latest; new are those that are unread and those in `fresh`. */
export function stillNew(said: readonly Said[], fresh: ReadonlySet<number>): Said[] {
  return said
    .map((one) => ({ ...one, unread: one.unread || fresh.has(one.id) }))
    .sort((a, b) => Number(b.unread) - Number(a.unread) || b.at.localeCompare(a.at) || b.id - a.id);
}

export interface Talk {
  said: Said;
  /** In the order in which they were written. */
  answers: Said[];
}

/** Marks by the file they stand on, and everything else as what was said and what answers it. */
export function threads(said: readonly Said[]): { onPages: Said[][]; talks: Talk[] } {
  const pages = new Map<string, Said[]>();
  const byId = new Map(said.map((one) => [one.id, one]));
  const talks = new Map<number, Talk>();
  for (const one of said) {
    if (one.mark) {
      const key = markKey(one);
      pages.set(key, [...(pages.get(key) ?? []), one]);
    } else if (rootOf(one, byId) === one) {
      talks.set(one.id, { said: one, answers: [] });
    }
  }
  for (const one of said) {
    const root = rootOf(one, byId);
    if (root !== one && !one.mark) talks.get(root.id)?.answers.push(one);
  }
  for (const talk of talks.values()) talk.answers.sort((a, b) => a.at.localeCompare(b.at) || a.id - b.id);
  return { onPages: [...pages.values()], talks: [...talks.values()] };
}

/** What an answer answers in the end; itself where it answers nothing that is here, or a mark on a page. */
function rootOf(said: Said, byId: ReadonlyMap<number, Said>): Said {
  let root = said;
  for (let steps = 0; steps < byId.size && root.answers !== null; steps++) {
    const next = byId.get(root.answers);
    if (!next || next.mark) return root;
    root = next;
  }
  return root;
}

export interface Compared {
  what: string;
  asked: string;
  ready: string;
  fits: boolean;
}

/** What is asked for beside what lies ready, line by line. */
export function compared({ takes, draft, material }: Detail, text: string): Compared[] {
  const lines: Compared[] = [];
  const files = draft.files;
  const wanted = material.filesWanted;
  if (takes.files && (files.length > 0 || !takes.text)) {
    lines.push({
      what: 'Files',
      asked: wanted === null ? `up to ${takes.maxFiles}` : String(wanted),
      ready: String(files.length),
      fits: wanted === null ? files.length > 0 && files.length <= takes.maxFiles : files.length === wanted,
    });
    if (takes.fileTypes.length > 0 && files.length > 0) {
      const types = [
        ...new Set(files.map((file) => file.name.slice(file.name.lastIndexOf('.') + 1).toLowerCase())),
      ];
      lines.push({
        what: 'Type',
        asked: takes.fileTypes.map((type) => `.${type}`).join(' or '),
        ready: types.map((type) => `.${type}`).join(', '),
        fits: types.every((type) => takes.fileTypes.includes(type)),
      });
    }
    if (files.length > 0) {
      const largest = Math.max(...files.map((file) => file.size));
      lines.push({
        what: 'Largest file',
        asked: `up to ${bytes(takes.maxFileBytes)}`,
        ready: bytes(largest),
        fits: largest <= takes.maxFileBytes,
      });
    }
  }
  if (takes.text && text.trim()) {
    const words = text.trim().split(/\s+/).length;
    lines.push({
      what: 'Text',
      asked: takes.files ? 'if you like' : 'a text',
      ready: count(words, 'word'),
      fits: true,
    });
  }
  return lines;
}

export type PartId =
  | 'hand-in'
  | 'said'
  | 'asked'
  | 'attempts'
  | 'rubric'
  | 'costs'
  | 'worth'
  | 'notes'
  | 'hand-ins'
  | 'records'
  | 'life';

export interface PartPlace {
  id: PartId;
  /** In the line of jumps; empty for a part that stands by another. */
  name: string;
}

/** What happens at a time costs nothing by waiting: it can't be done before or after. */
export function hasCosts(detail: Detail): boolean {
  return detail.costs.length > 0 && detail.work.endsAt === null;
}

const RECORD = 'Record that it was done';

/** What the part is called that hands in, or only records what was done elsewhere. */
export function handInTitle({ work, takes, mayHandIn }: Detail): string {
  if (work.toComplete) return 'Add what is lacking';
  return mayHandIn && takes.done && !takes.files && !takes.text ? RECORD : 'Hand in';
}

function jumpTo(detail: Detail): string {
  const title = handInTitle(detail);
  return title === RECORD ? 'Record it' : title;
}

/** The parts that a piece of work has, in the order in which they matter now. */
export function partsOf(detail: Detail, mayWrite: boolean, mayWriteLetters = mayWrite): PartPlace[] {
  const { work, material } = detail;
  // By what stays while it is being read: that something was read must not move what is on screen.
  const answered = work.feedback.count > 0 && (work.stage === 'RETURNED' || work.stage === 'SENT_BACK');
  const disagree = material.records.some((record) => record.disagreements.length > 0);
  const handIn = work.parts !== null || (mayWrite && (detail.mayHandIn || detail.mayRecord));
  const said = detail.said.length > 0 || mayWrite || mayWriteLetters;
  const all: [PartId, string, boolean][] = [
    ['records', 'Records', disagree],
    ['said', 'Feedback', said && answered],
    ['hand-in', work.parts ? 'Discussion' : jumpTo(detail), handIn],
    ['asked', 'Instructions', detail.instructions !== '' || material.attachments.length > 0],
    ['attempts', 'Attempts', material.attempts.length > 0 && work.byAttempts],
    ['rubric', 'Rubric', material.rubric !== null],
    ['costs', 'Cost', hasCosts(detail)],
    ['worth', hasCosts(detail) ? '' : 'Worth', true],
    ['said', 'Feedback', said && !answered],
    ['hand-ins', 'Receipts', detail.handIns.length > 0],
    ['notes', 'Notes', detail.notes.length > 0 || mayWrite],
    ['records', 'Records', material.records.length > 0 && !disagree],
    ['life', 'History', detail.life.length > 0],
  ];
  return all.filter(([, , there]) => there).map(([id, name]) => ({ id, name }));
}
