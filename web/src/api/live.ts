import { useEffect } from 'react';
import { boardQuery, queryClient, refreshStudent } from './queries';

/** How long what this page wrote itself has to arrive here with the answer, in milliseconds. */
const OWN_ANSWER = 300;

/** Whether the page shows a board that has a change in it already. */
async function has(student: number, change: number): Promise<boolean> {
  const board = { queryKey: boardQuery(student).queryKey };
  await new Promise((done) => setTimeout(done, OWN_ANSWER));
  while (queryClient.isFetching(board) > 0) await new Promise((done) => setTimeout(done, OWN_ANSWER));
  const shown = queryClient.getQueryData(boardQuery(student).queryKey);
  return shown !== undefined && shown.version >= change;
}

/** Keeps a student's data fresh while the page is open: the server says when something changed elsewhere. */
export function useLive(student: number): void {
  useEffect(() => {
    const events = new EventSource(`/api/students/${student}/events`);
    let opened = false;
    const refresh = () => void refreshStudent(student);
    events.addEventListener('board', async (event) => {
      if (event.data === '' || !(await has(student, Number(event.data)))) refresh();
    });
    events.addEventListener('clock', refresh);
    events.addEventListener('hello', () => {
      if (opened) refresh();
      opened = true;
    });
    return () => events.close();
  }, [student]);
}
