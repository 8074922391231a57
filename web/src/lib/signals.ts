import type { Schemas } from '../api/client';

export type Signal = Schemas['SignalView'];
type Step = Signal['step'];
type Group = Signal['group'];

/** What pressing a signal's button leads to. */
const STEP_WORDS: Record<Step, string> = {
  HAND_IN: 'Finish the hand-in',
  ASK_FOR_TIME: 'Ask for more days',
  COMPLETE: 'Add what is lacking',
  FIX: 'Fix it',
  REDO: 'Go to the redo',
  ASK_TO_REOPEN: 'Ask to open it again',
  ANSWER: 'Answer',
  SEND_RECEIPT: 'Send the receipt',
  ASK_WHICH_HOLDS: 'Ask which holds',
  ASK_WHY: 'Ask about it',
  READ: 'Look at it',
};

/** What a group is about; a guardian is told of the student by name. */
export function groupWords(
  group: Group,
  student: { own: boolean; board: { student: { name: string } } },
): string {
  const whom = student.own ? 'you' : (student.board.student.name.split(' ')[0] ?? '');
  const words: Record<Group, string> = {
    ABOUT_TO_BE_LOST: 'About to be lost',
    ASKED: `Asked of ${whom}`,
    AGAINST: `Came out against ${whom}`,
    NEWS: 'News',
  };
  return words[group];
}

/** Steps that are taken where work is handed in, and those that are a letter. */
const AT_THE_HAND_IN: readonly Step[] = ['HAND_IN', 'COMPLETE', 'FIX', 'REDO'];
const LETTERS: readonly Step[] = ['ASK_TO_REOPEN', 'SEND_RECEIPT', 'ASK_WHICH_HOLDS', 'ASK_WHY'];

interface Way {
  words: string;
  /** Whole address. */
  to: string;
}

/**
 * The one thing to do about a signal, and where.
 *
 * @param view that the work opens beside, "/s/1/next"
 */
export function wayOf(signal: Signal, student: number, view: string, mayWrite: boolean): Way {
  const piece = `${view}/${signal.work}`;
  if (!mayWrite) return { words: 'Look at it', to: piece };
  const words = signal.kind.startsWith('PARTS') ? 'Write what is left' : STEP_WORDS[signal.step];
  if (signal.step === 'ASK_FOR_TIME') return { words, to: `/s/${student}/leeway/${signal.work}` };
  if (AT_THE_HAND_IN.includes(signal.step)) return { words, to: `${piece}?step=hand-in` };
  if (LETTERS.includes(signal.step)) return { words, to: `${piece}?step=message&answers=${signal.kind}` };
  return { words, to: signal.step === 'ANSWER' ? `${piece}?step=said` : piece };
}

/** By what they are about, each group in the order of the list. */
export function grouped(signals: readonly Signal[]): [Group, Signal[]][] {
  const groups = new Map<Group, Signal[]>();
  for (const signal of signals) groups.set(signal.group, [...(groups.get(signal.group) ?? []), signal]);
  return [...groups];
}

export function signalKey(signal: Signal): string {
  return `${signal.work} ${signal.kind}`;
}
