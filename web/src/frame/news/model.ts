import type { NewsItem } from '../../api/client';
import { asRead } from '../../lib/time';
import type { StudentView } from '../student';

/** What sort of thing it is, where its words alone don't say so. */
const SORT_WORDS: Partial<Record<NewsItem['kind'], string>> = {
  ANNOUNCEMENT: 'Announcement',
  CHANGE: 'Changed',
};

/** "Scored 18 of 20", "Announcement: Thornmere course site". */
export function newsWords(item: NewsItem): string {
  return [SORT_WORDS[item.kind], asRead(item.words)].filter(Boolean).join(': ');
}

export interface NewsGroup {
  key: string;
  name: string;
  colour: string;
  items: NewsItem[];
}

/** By course, the one that something is newest of first; what is of no course is under its own name. */
export function groupsOf(items: readonly NewsItem[], student: StudentView): NewsGroup[] {
  const groups = new Map<string, NewsGroup>();
  for (const item of items) {
    const course = item.courseId === null ? undefined : student.course(item.courseId);
    const key = course ? String(course.id) : item.kind === 'ANNOUNCEMENT' ? item.words : 'other';
    const name =
      course?.name ?? (item.kind === 'ANNOUNCEMENT' ? item.words || 'The school' : 'Read in or changed');
    const group = groups.get(key) ?? { key, name, colour: course?.colour ?? '', items: [] };
    group.items.push(item);
    groups.set(key, group);
  }
  for (const group of groups.values()) group.items = together(group.items);
  return [...groups.values()];
}

/** What is of one piece of work stands together, where the newest of it is. */
function together(items: readonly NewsItem[]): NewsItem[] {
  const first = new Map<number, number>();
  items.forEach((item, at) => {
    if (item.workId !== null && !first.has(item.workId)) first.set(item.workId, at);
  });
  const place = (item: NewsItem, at: number) => (item.workId === null ? at : (first.get(item.workId) ?? at));
  return items
    .map((item, at) => ({ item, at, place: place(item, at) }))
    .sort((one, other) => one.place - other.place || one.at - other.at)
    .map((one) => one.item);
}

/** Where an item leads; null where there is nothing to open. */
export function placeOf(item: NewsItem, student: number): string | null {
  if (item.workId !== null) {
    return `/s/${student}/work/${item.workId}`;
  }
  if (item.kind === 'ANNOUNCEMENT') {
    return item.courseId === null ? null : `/s/${student}/standing/${item.courseId}`;
  }
  return `/s/${student}/links`;
}
