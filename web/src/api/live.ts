import { useEffect } from 'react';
import { queryClient, refreshStudent, wordsQuery } from './queries';

/** Keeps a student's data fresh while the page is open: the server says once for each commit that something changed. */
export function useLive(student: number): void {
  useEffect(() => {
    const events = new EventSource(`/api/students/${student}/events`);
    let opened = false;
    const refresh = () => {
      void refreshStudent(student);
      void queryClient.invalidateQueries({ queryKey: wordsQuery.queryKey });
    };
    events.addEventListener('board', refresh);
    events.addEventListener('clock', refresh);
    events.addEventListener('hello', () => {
      if (opened) refresh();
      opened = true;
    });
    return () => events.close();
  }, [student]);
}
