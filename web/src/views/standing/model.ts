import type { Standing } from '../../lib/readings';

/** What is between the student and the end of a course, in one line. */
export function completionWords({ completion }: Standing): string {
  if (!completion) return '';
  if (completion.complete) return 'Complete';
  const left = completion.below.map(
    (below) =>
      `${below.title} wants ${Number(below.from)} %, ${
        below.percent === null ? 'not scored yet' : `is at ${Number(below.percent).toFixed(1)} %`
      }`,
  );
  const works = `${completion.done} of ${completion.required} required pieces of work done`;
  return [works, ...left].join('; ');
}
