import type { Course, Work } from '../api/client';

/** What a category is mostly called that holds work of a kind. */
const OF_KIND: Record<Work['kind'], readonly string[]> = {
  ASSIGNMENT: ['assignment', 'homework', 'coursework', 'worksheet'],
  QUIZ: ['quiz'],
  TEST: ['test', 'exam', 'assessment'],
  PROJECT: ['project'],
  DISCUSSION: ['discussion', 'forum', 'participation'],
  PRACTICE: ['practice', 'exercise'],
};

/** "quizzes" and "labs" as "quiz" and "lab", so that a category and a title meet. */
function stems(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length >= 3)
    .map((word) => word.replace(/zzes$/, 'z').replace(/ies$/, 'y').replace(/s$/, ''));
}

/** The category or standard that a piece of work likely counts in: one of its own words, else what its kind is called. */
export function partOf(title: string, kind: Work['kind'], parts: readonly string[]): string | null {
  const named = stems(title);
  const only = (words: readonly string[]) => {
    const found = parts.filter((part) => stems(part).some((stem) => words.includes(stem)));
    return found.length === 1 ? (found[0] ?? null) : null;
  };
  return only(named) ?? only(OF_KIND[kind]);
}

/** What its work names of how a course is graded: "Category", "Standard"; null where it names nothing. */
export function partWord(course: Course | undefined): 'Category' | 'Standard' | null {
  if (!course || course.parts.length === 0) return null;
  return course.standing.kind === 'STANDARDS' ? 'Standard' : 'Category';
}
