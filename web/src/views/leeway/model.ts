import type { Schemas } from '../../api/client';
import { near } from '../../lib/time';
import { count } from '../../lib/words';

export type Case = Schemas['LeewayCaseView'];
export type Choice = Schemas['ChoiceView'];
export type Line = Schemas['LeewayLineView'];
export type Kind = Choice['kind'];

export const KIND_WORDS: Record<Kind, string> = {
  HAND_IN_NOW: 'Hand in what is there now',
  LATE_WITHOUT_ASKING: 'Hand it in when it is done',
  ASK: 'Ask for an extension',
  USE_TOKENS: 'Use tokens',
  WAIT: 'Wait for the answer',
  LET_GO: 'Let it go',
  OPEN_KEY: 'Look at the answer key',
};

export function choiceWords(choice: Pick<Choice, 'kind' | 'tokens'>): string {
  return choice.kind === 'USE_TOKENS' && choice.tokens > 0
    ? `Use ${count(choice.tokens, 'token')}`
    : KIND_WORDS[choice.kind];
}

export function keyOf(choice: Pick<Choice, 'kind' | 'tokens'>): string {
  return `${choice.kind} ${choice.tokens}`;
}

const AFTER = 6 * 3_600_000;

/** What each line is worth up to each instant at which any of them falls. After its last, a line is worth nothing. */
export function timeline(lines: readonly Line[], now: number): Record<string, number>[] {
  const ends = lines.flatMap((line) =>
    line.steps.flatMap((step) => (step.until === null ? [] : [new Date(step.until).getTime()])),
  );
  const last = Math.max(now, ...ends);
  const instants = [...new Set([now, ...ends, last + AFTER])].sort((a, b) => a - b);
  return instants.map((at) => {
    const point: Record<string, number> = { at };
    for (const line of lines) {
      const step = line.steps.find((one) => one.until === null || new Date(one.until).getTime() >= at);
      point[keyOf(line)] = step ? Number(step.score) : 0;
    }
    return point;
  });
}

const EVENT_WORDS: Partial<Record<Schemas['LeewayEventView']['kind'], string>> = {
  EXTENSION_ASKED: 'an extension was asked for',
  EXTENSION_GRANTED: 'an extension was given',
  EXTENSION_DECLINED: 'an extension was declined',
  TOKEN_USED: 'a token was used',
  KEY_OPENED: 'the answer key was opened',
};

export function eventWords(event: Schemas['LeewayEventView'], zone: string, now: number): string {
  const words = EVENT_WORDS[event.kind] ?? '';
  return event.due ? `${words}, due ${near(event.due, zone, now)}` : words;
}
