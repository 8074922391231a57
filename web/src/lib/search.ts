/** What was cut into words before: a table asks for the same few thousand texts at each key. */
const known = new Map<string, readonly string[]>();
const MOST_KNOWN = 20_000;

/** The words of a text, without accents and in small letters. */
export function wordsOf(text: string): readonly string[] {
  let words = known.get(text);
  if (!words) {
    words = text
      .normalize('NFD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter(Boolean);
    if (known.size >= MOST_KNOWN) known.clear();
    known.set(text, words);
  }
  return words;
}

/** Whether words stand there one after the other, the last of them begun at least: "ha-ha" isn't in "Halvor". */
function stands(parts: readonly string[], words: readonly string[]): boolean {
  const last = parts.length - 1;
  return words.some((_, at) =>
    parts.every((part, i) => (i === last ? words[at + i]?.startsWith(part) : words[at + i] === part)),
  );
}

function beginsAll(sought: readonly (readonly string[])[], words: readonly string[]): boolean {
  return sought.every((parts) => stands(parts, words));
}

/**
 * How well something fits what is sought: 1 where its name has all of it, 0.5 where all that is known of it has, 0 where any of it
 * is missing. Each part sought is the beginning of a whole word.
 */
export function fits(name: string, sought: string, more: readonly string[] = []): number {
  const chunks = sought
    .split(/\s+/)
    .map(wordsOf)
    .filter((parts) => parts.length > 0);
  const words = wordsOf(name);
  if (beginsAll(chunks, words)) return 1;
  return beginsAll(chunks, [...words, ...more.flatMap(wordsOf)]) ? 0.5 : 0;
}
