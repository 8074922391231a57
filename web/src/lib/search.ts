/** The words of a text, without accents and in small letters. */
export function wordsOf(text: string): string[] {
  return text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
}

function beginsAll(sought: readonly string[], words: readonly string[]): boolean {
  return sought.every((part) => words.some((word) => word.startsWith(part)));
}

/**
 * How well something fits what is sought: 1 where its name has all of it, 0.5 where all that is known of it has, 0 where any of it
 * is missing. Each part sought is the beginning of a whole word.
 */
export function fits(name: string, sought: string, more: readonly string[] = []): number {
  const parts = wordsOf(sought);
  if (parts.length === 0) return 1;
  const words = wordsOf(name);
  if (beginsAll(parts, words)) return 1;
  return beginsAll(parts, [...words, ...more.flatMap(wordsOf)]) ? 0.5 : 0;
}
