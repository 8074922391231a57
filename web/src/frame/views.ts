/** The views by name, and the letter that goes to each after `g`. */
export interface View {
  name: string;
  path: string;
  key: string;
  /** Its name doesn't stand in the bar: it is found by typing, by its keys, or from where the question arises. */
  aside?: true;
}

export function viewsOf(student: number): View[] {
  return [
    { name: 'Next', path: `/s/${student}/next`, key: 'n' },
    { name: 'Work', path: `/s/${student}/work`, key: 'w' },
    { name: 'Feedback', path: `/s/${student}/feedback`, key: 'f' },
    { name: 'Standing', path: `/s/${student}/standing`, key: 's' },
    { name: 'Leeway', path: `/s/${student}/leeway`, key: 'y' },
    { name: 'Pace', path: `/s/${student}/pace`, key: 'p' },
    { name: 'Files', path: `/s/${student}/files`, key: 'i', aside: true },
    { name: 'Notes', path: `/s/${student}/notes`, key: 'o', aside: true },
    { name: 'Links', path: `/s/${student}/links`, key: 'l' },
  ];
}
