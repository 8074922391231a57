import { createContext, useContext } from 'react';
import type { Board, Course, Work } from '../api/client';

export interface StudentView {
  id: number;
  board: Board;
  zone: string;
  /** False for a guardian: reads, never changes. */
  mayWrite: boolean;
  course: (id: number) => Course | undefined;
  work: (id: number) => Work | undefined;
}

export const StudentContext = createContext<StudentView | null>(null);

/** The student whose data is on screen. */
export function useStudent(): StudentView {
  const student = useContext(StudentContext);
  if (!student) throw new Error('useStudent wants the frame around it');
  return student;
}
