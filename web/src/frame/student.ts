import { createContext, useContext } from 'react';
import type { Board, Course, Schemas, Work } from '../api/client';

export interface StudentView {
  id: number;
  board: Board;
  zone: string;
  /** Whether the student reads; false for a guardian. */
  own: boolean;
  /** False for a guardian, who reads and never changes, and for a day that is past. */
  mayWrite: boolean;
  /** What is shown to who reads, beside work and grades. */
  sees: Schemas['Sight'];
  /** Whether letters to teachers can be written: by the student, or by a guardian in their own name. */
  mayWriteLetters: boolean;
  /** The day that is looked at as it was; null for now. */
  asof: string | null;
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
