/** The views by name, and the letter that goes to each after `g`. */
export interface View {
  name: string;
  path: string;
  key: string;
}

export function viewsOf(student: number): View[] {
  return [
    { name: 'Work', path: `/s/${student}/work`, key: 'w' },
    { name: 'Feedback', path: `/s/${student}/feedback`, key: 'f' },
    { name: 'Standing', path: `/s/${student}/standing`, key: 's' },
    { name: 'Links', path: `/s/${student}/links`, key: 'l' },
  ];
}
