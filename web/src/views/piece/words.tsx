import clsx from 'clsx';
import { Paperclip } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { bytes, count } from '../../lib/words';
import { TextButton } from '../../ui/button';
import { MarkTick } from './mark-tick';
import { inOrder, type Said } from './model';

type Shown = Schemas['AnswersView'];
type RowMark = Schemas['RowMarkView'];

export const PLACES: Record<Said['place'], string> = {
  ON_WORK: 'on the work',
  CLASS_WIDE: 'to the class',
  IN_FILE: 'in the file',
  RUBRIC: 'in the rubric',
  ANSWERS: 'answers released',
  SENT_BACK: 'sent back',
};

/** Where it was said, as exactly as is known. */
export function placeWords(said: Said): string {
  if (said.mark) return `on page ${said.mark.page} of ${said.mark.fileName}`;
  if (said.released) return `answers of attempt ${said.released.attempt} released`;
  return said.answers !== null && said.by === 'STUDENT' ? 'in answer' : PLACES[said.place];
}

interface WordsProps {
  said: Said;
  /** What it belongs to, and what can be done with it. */
  children?: ReactNode;
}

/** One thing that was said: who, where and when, the words, and what they hold. */
function Words({ said, children }: WordsProps) {
  const student = useStudent();
  const { zone } = student;
  const now = useNow();
  const own = said.by === 'STUDENT';
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-2 text-[14px]">
        {said.unread && <New />}
        <b className={said.unread ? 'font-bold' : 'font-semibold'}>
          {own && student.own ? `${said.name}, my own words` : said.name}
        </b>
        <span className={said.place === 'SENT_BACK' ? 'font-semibold text-loss' : 'text-ink-2'}>
          {placeWords(said)}
        </span>
        <span className="ml-auto whitespace-nowrap text-ink-2">{near(said.at, zone, now)}</span>
      </p>
      {said.text && (
        <blockquote className={clsx('my-0.5 max-w-[72ch] whitespace-pre-line', own && 'text-ink-2')}>
          {said.text}
        </blockquote>
      )}
      {said.rows.length > 0 && <RowMarks rows={said.rows} />}
      {said.released && said.released.shown.answers.length > 0 && (
        <details className="my-0.5">
          <summary className="text-[14px] underline underline-offset-2">
            Show the answers: {shownWords(said.released.shown)}
          </summary>
          <Answers shown={said.released.shown} />
        </details>
      )}
      {said.files.length > 0 && <Enclosed said={said} />}
      {children}
    </>
  );
}

interface OnPagesProps {
  marks: readonly Said[];
  onShow: (mark: Said) => void;
}

/** The marks in one file, numbered as on its pages, with the way to see them there. */
function OnPages({ marks, onShow }: OnPagesProps) {
  const { zone } = useStudent();
  const now = useNow();
  const numbered = inOrder(marks);
  const first = numbered[0];
  if (!first?.mark) return null;
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-2 text-[14px]">
        {marks.some((mark) => mark.unread) && <New />}
        <b className="font-semibold">{first.name}</b>
        <span className="min-w-0 break-words text-ink-2">
          {count(marks.length, 'mark')} on {first.mark.fileName}
        </span>
        <span className="ml-auto whitespace-nowrap text-ink-2">{near(first.at, zone, now)}</span>
      </p>
      <ol className="mt-1 flex flex-col gap-1.5">
        {numbered.map((said, place) => (
          <li key={said.id} className="flex max-w-[72ch] gap-2.5">
            <button
              type="button"
              onClick={() => onShow(said)}
              aria-label={`Mark ${place + 1} on the page`}
              className="grid h-[24px] min-w-[24px] shrink-0 place-items-center bg-loss px-1 font-bold text-[12px] text-raised"
            >
              {place + 1}
            </button>
            <span className={clsx('min-w-0 flex-1', said.mark?.done && 'text-ink-2')}>{said.text}</span>
            <MarkTick said={said} label={`Dealt with: mark ${place + 1}`} />
          </li>
        ))}
      </ol>
      <TextButton onClick={() => onShow(first)} className="mt-1 font-semibold">
        See {marks.length === 1 ? 'it' : 'them'} on the page
      </TextButton>
    </>
  );
}

function New() {
  return (
    <span className="self-center bg-yours px-1 font-bold text-[12px] text-raised leading-[1.4]">new</span>
  );
}

/** Rows of a rubric with what each got and lost. */
function RowMarks({ rows }: { rows: readonly RowMark[] }) {
  return (
    <table className="my-1 w-full max-w-[72ch] text-[14px]">
      <tbody>
        {rows.map((row) => (
          <tr key={row.title} className="border-line-2 border-b align-baseline last:border-0">
            <th scope="row" className="py-1 pr-3 text-left font-semibold">
              {row.title}
              {row.level && <span className="font-normal text-ink-2"> · {row.level}</span>}
              {row.words && <span className="block font-normal">{row.words}</span>}
            </th>
            <td className="whitespace-nowrap py-1 text-right">
              {row.points} <span className="text-ink-2">of {row.most}</span>
            </td>
            <td className="w-14 whitespace-nowrap py-1 pl-3 text-right text-loss">
              {row.lost === '0' ? '' : `−${row.lost}`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What goes with one's own words. */
function Enclosed({ said }: { said: Said }) {
  const { id } = useStudent();
  return (
    <ul className="flex flex-col gap-0.5 text-[14px]">
      {said.files.map((file, place) => (
        <li key={file.name} className="flex items-center gap-1.5 text-ink-2">
          <Paperclip size={13} aria-hidden className="shrink-0" />
          <a
            href={`/api/students/${id}/works/${said.work}/comments/${said.id}/files/${place + 1}`}
            download={file.name}
            className="min-w-0 break-words text-ink underline underline-offset-2"
          >
            {file.name}
          </a>
          {bytes(file.size)}
        </li>
      ))}
    </ul>
  );
}

/** "3 of 15 questions shown", as far as it is known how many there were. */
export function shownWords({ answers, questions, worth, possible }: Shown): string {
  const shown = answers.length;
  if (questions === shown) return shown === 1 ? 'its one question' : `all ${shown} questions`;
  if (questions !== null) return `${shown} of ${questions} questions shown`;
  return `${count(shown, 'question')} shown, worth ${worth} of ${possible} points`;
}

/** Questions of an attempt: what was answered, what was wanted, and what it brought. */
function Answers({ shown }: { shown: Shown }) {
  return (
    <ol className="mt-1 flex max-w-[72ch] flex-col">
      {shown.answers.map((answer, place) => {
        const full = answer.points === answer.possible;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a question has no other name than its place
          <li key={place} className="border-line-2 border-b py-1.5 text-[14px] last:border-0">
            <p className="flex items-baseline justify-between gap-3">
              <span className="font-semibold">{answer.question}</span>
              <span className={clsx('whitespace-nowrap', !full && 'text-loss')}>
                {answer.points} <span className="text-ink-2">of {answer.possible}</span>
              </span>
            </p>
            <p>
              <span className="text-ink-2">Yours: </span>
              {answer.given ?? 'nothing'}
            </p>
            {answer.wanted && !full && (
              <p>
                <span className="text-ink-2">Wanted: </span>
                {answer.wanted}
              </p>
            )}
            {answer.words && <p className="text-ink-2">{answer.words}</p>}
          </li>
        );
      })}
    </ol>
  );
}

export { Answers, New, OnPages, Words };
