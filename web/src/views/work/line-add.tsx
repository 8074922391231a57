import { type FormEvent, useMemo, useRef, useState } from 'react';
import type { Course } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useTerms } from '../../frame/terms';
import { partOf, partWord } from '../../lib/course-parts';
import { type Line, lineWords, overIn, understand } from '../../lib/lines';
import { useWall } from '../../lib/now';
import { dateWords } from '../../lib/time';
import { count } from '../../lib/words';
import { addLine, type Over, titlesOf } from '../../ui/added';
import { Button } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { OverChoice } from '../../ui/over';
import { useWrite } from '../../ui/use-write';

interface LineAddProps {
  /** The course of lines that name none; null for the one that was last added to. */
  course?: number | null;
  autoFocus?: boolean;
  /** What stands in it at first. */
  first?: string;
  onDone?: () => void;
}

/** One line adds work: it is understood while one types, and shown as it will be before Enter. */
function LineAdd({ course = null, autoFocus = false, first = '', onDone }: LineAddProps) {
  const { id, board, course: courseOf } = useStudent();
  const { asked } = useTerms();
  const [text, setText] = useState(first);
  const [last, setLast] = useState<number | null>(course ?? board.courses[0]?.id ?? null);
  const [chosen, setChosen] = useState<number | null>(null);
  const [part, setPart] = useState<string | null>(null);
  const [sending, setSending] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const line = useMemo(
    () => understand(text, { ...asked, course: chosen ?? course ?? last }),
    [text, asked, chosen, course, last],
  );
  const of = courseOf(chosen ?? line?.course ?? 0);
  const ready = line !== null && line.title !== '' && of !== undefined;
  const counts = part ?? (line && of ? partOf(line.title, line.kind, of.parts) : null);
  const over = useOver(line);
  const sent = useWrite(async (what: { line: Line; course: Course }) => {
    await addLine(id, what.line, { course: what.course, part: counts || null, over: over.said }, () => {
      // The next line can be written at once.
      setText('');
      setChosen(null);
      setPart(null);
      setLast(what.course.id);
      setSending(null);
      input.current?.focus();
    });
    onDone?.();
  }, true);
  const fault = sent.fault?.words ?? '';
  const busy = sending !== null && sending === text;
  const add = (event: FormEvent) => {
    event.preventDefault();
    if (!ready || busy || over.isAsked()) return;
    setSending(text);
    void sent.write({ line, course: of }).then(() => setSending(null));
  };
  return (
    <form onSubmit={add} className="max-w-[760px]">
      <div className="flex gap-2">
        <input
          ref={input}
          // biome-ignore lint/a11y/noAutofocus: it opens because somebody asked to type here
          autoFocus={autoFocus}
          aria-label="A piece of work in one line"
          placeholder="soil essay fri 17:00 60p 3h, or: quiz every friday until 18 dec"
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="h-9 min-w-0 flex-1 rounded border border-line bg-paper px-2.5"
        />
        <Button look="main" type="submit" className="h-9" disabled={!ready || busy}>
          {line && line.days.length > 1 ? `Add ${line.days.length}` : 'Add'}
        </Button>
      </div>
      <div className="min-h-[52px] pt-1.5 text-[14px]" aria-live="polite">
        {fault ? (
          <p className="font-semibold text-loss">{fault}</p>
        ) : line?.title ? (
          <Understood
            line={line}
            today={asked.today}
            course={of}
            onCourse={(course) => {
              setChosen(course);
              setPart(null);
            }}
            part={counts ?? ''}
            onPart={setPart}
          />
        ) : (
          <p className="text-ink-2">
            A title, and what else you know: course, day, time, points, effort, how often. Days off are left
            out.
          </p>
        )}
        {ready && over.choice}
      </div>
    </form>
  );
}

/** How what is over stands: it is asked before it is added, and stands for the lines after it. */
function useOver(line: Line | null) {
  const { zone } = useStudent();
  const now = useWall(zone);
  const [answer, setAnswer] = useState<Over | null>(null);
  const [unsaid, setUnsaid] = useState(0);
  const many = line === null ? 0 : overIn(line, now);
  const open = many > 0 && answer === null;
  return {
    said: answer ?? 'NOT_HANDED_IN',
    /** Whether it has to be said first, which is pointed out then. */
    isAsked: () => {
      if (open) setUnsaid((times) => times + 1);
      return open;
    },
    choice: many > 0 && (
      <div className="pt-1.5 pb-2">
        <OverChoice
          many={many}
          of={line?.days.length ?? 0}
          value={answer}
          onChange={setAnswer}
          unsaid={unsaid}
        />
      </div>
    ),
  };
}

/** The row that it will be. */
function Understood({
  line,
  today,
  course,
  onCourse,
  part,
  onPart,
}: {
  line: Line;
  today: string;
  course: Course | undefined;
  onCourse: (course: number) => void;
  /** The category or standard that it counts in; empty for none. */
  part: string;
  onPart: (part: string) => void;
}) {
  const { board } = useStudent();
  const word = partWord(course);
  return (
    <>
      <p className="flex flex-wrap items-center gap-x-2">
        <CourseMark colour={course?.colour ?? ''} className="h-4" />
        <span className="font-semibold">{titlesOf(line)[0]}</span>
        <select
          aria-label="Course"
          value={course?.id ?? ''}
          onChange={(event) => onCourse(Number(event.target.value))}
          className="h-7 rounded border border-line bg-paper px-1"
        >
          {!course && <option value="">which course?</option>}
          {board.courses.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </select>
        {word && (
          <select
            aria-label={word}
            value={part}
            onChange={(event) => onPart(event.target.value)}
            className="h-7 rounded border border-line bg-paper px-1"
          >
            <option value="">{word === 'Category' ? 'in no category' : 'of no standard'}</option>
            {course?.parts.map((name) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </select>
        )}
        <span className="text-ink-2">{lineWords(line, today)}</span>
      </p>
      {line.days.length > 1 && (
        <p className="text-ink-2">
          {count(line.days.length, 'time')}, {line.every}:{' '}
          {line.days.length > 6
            ? `${line.days.slice(0, 3).map(dateWords).join(', ')} … ${dateWords(line.days.at(-1) ?? '')}`
            : line.days.map(dateWords).join(', ')}
        </p>
      )}
      {line.every && line.days.length <= 1 && (
        <p className="font-semibold text-loss">Until when? Write “until 18 dec”, or “12 times”.</p>
      )}
    </>
  );
}

export { LineAdd };
