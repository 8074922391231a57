import { readNarrowing, writeNarrowing } from '../lib/narrow';

/** The views by name, and the letter that goes to each after `g`. */
export interface View {
  name: string;
  path: string;
  key: string;
  /** Its name doesn't stand in the bar: it is found by typing, by its keys, or from where the question arises. */
  aside?: true;
  /** It shows the work as it is narrowed in the address. */
  narrows?: true;
}

/** Those that hold nothing but words and files, for who is shown them. */
const OF_WORDS = ['Feedback', 'Files'];

/** @param words whether who reads is shown words and files */
export function viewsOf(student: number, words = true): View[] {
  return all(student).filter((view) => words || !OF_WORDS.includes(view.name));
}

function all(student: number): View[] {
  return [
    { name: 'Next', path: `/s/${student}/next`, key: 'n' },
    { name: 'Work', path: `/s/${student}/work`, key: 'w', narrows: true },
    { name: 'Timeline', path: `/s/${student}/timeline`, key: 't', narrows: true },
    { name: 'Feedback', path: `/s/${student}/feedback`, key: 'f' },
    { name: 'Standing', path: `/s/${student}/standing`, key: 's' },
    { name: 'Leeway', path: `/s/${student}/leeway`, key: 'y' },
    { name: 'Pace', path: `/s/${student}/pace`, key: 'p' },
    { name: 'Files', path: `/s/${student}/files`, key: 'i', aside: true },
    { name: 'Notes', path: `/s/${student}/notes`, key: 'o', aside: true },
    { name: 'Links', path: `/s/${student}/links`, key: 'l' },
    { name: 'Meeting', path: `/s/${student}/sheet`, key: 'h', aside: true },
    { name: 'Term', path: `/s/${student}/start`, key: 'm', aside: true },
  ];
}

/** The address of a view. What the work is narrowed to goes along between those that show it narrowed. */
export function addressOf(view: View, from: { pathname: string; search: string }, student: number): string {
  const narrowed = viewsOf(student).some((one) => one.narrows && from.pathname.startsWith(one.path));
  if (!view.narrows || !narrowed) return view.path;
  const query = writeNarrowing(readNarrowing(new URLSearchParams(from.search))).toString();
  return query ? `${view.path}?${query}` : view.path;
}
