import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { Plus, Search } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useContext, useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Work } from '../api/client';
import { searchQuery } from '../api/queries';
import { partOf } from '../lib/course-parts';
import { hasModifier, isTyping } from '../lib/keys';
import { type Line, lineWords, overIn, understand } from '../lib/lines';
import { useNow, useWall } from '../lib/now';
import { fits } from '../lib/search';
import { useSettled } from '../lib/settled';
import { addDays, localDate } from '../lib/time';
import { KIND_WORDS, moveWords, stageDetail, stageWord } from '../lib/words';
import { addLine, titlesOf } from '../ui/added';
import { CourseMark } from '../ui/course-mark';
import { noticeFault } from '../ui/notice';
import { StageGlyph } from '../ui/stage-glyph';
import { StudentContext, type StudentView, useStudent } from './student';
import { useTerms } from './terms';
import { viewsOf } from './views';

const ROW = 'flex cursor-pointer items-center gap-3 rounded px-3 py-1.5 data-[selected=true]:bg-line-2';

/** What can be done from anywhere: the words, where it is done, and what else it may be called. */
const DEEDS: readonly (readonly [words: string, path: string, more: string])[] = [
  ['Add work in one line', 'work?add=line', 'new type quick repeat weekly'],
  ['Add a piece of work', 'work?add=work', 'new'],
  ['Add a course', 'work?add=course', 'new'],
  ['Set your time', 'next?set=hours', 'free hours classes holidays breaks'],
  ['Add a busy calendar', 'next?set=hours&part=busy', 'feed'],
  ['Set goals', 'next?set=goals', 'target importance'],
  ['Read in a file', 'links', 'import paste table outline'],
  ['Set up your term', 'start?step=term', 'days off holidays grading close'],
  ['Set what late work costs', 'start?step=late', 'late rule'],
  ['Begin the next term', 'start', 'new close past'],
  ['Take copies of everything', 'links', 'archive download export backup'],
  ['Put your work into a calendar', 'links', 'feed export subscribe'],
];
const HEAD =
  '[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-[13px] [&_[cmdk-group-heading]]:text-ink-2';

/** Find any piece of work or course, or do something, by typing. Opens on `/`. */
function FindOrDo() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '/' || isTyping(event) || hasModifier(event)) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="ml-auto flex h-[30px] min-w-0 items-center justify-between gap-2 rounded border border-line bg-paper px-2.5 text-[14px] text-ink-3 hover:border-ink-3 md:w-[210px]"
      >
        <Search size={15} aria-hidden className="md:hidden" />
        <span className="whitespace-nowrap max-md:sr-only">Find or do</span>
        <kbd className="rounded-sm border border-line border-b-2 px-1.5 font-sans text-[12px] text-ink-2 max-md:hidden">
          /
        </kbd>
      </button>
      <Dialog.Root open={open} onOpenChange={setOpen}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-[#0b1614]/55" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed top-[12dvh] left-1/2 z-50 w-[min(640px,calc(100vw-24px))] -translate-x-1/2 overflow-hidden rounded border border-line bg-raised"
          >
            <Dialog.Title className="sr-only">Find or do</Dialog.Title>
            <Palette onDone={() => setOpen(false)} />
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}

function Palette({ onDone }: { onDone: () => void }) {
  const student = useContext(StudentContext);
  return student ? <Found student={student} onDone={onDone} /> : null;
}

function Found({ student, onDone }: { student: StudentView; onDone: () => void }) {
  const navigate = useNavigate();
  const [sought, setSought] = useState('');
  const line = useLine(sought, student);
  const go = (path: string) => {
    onDone();
    void navigate(path);
  };
  return (
    <Command
      label="Find or do"
      loop
      filter={(name, text, more) => fits(name.replace(/ #\d+$/, ''), text, more)}
    >
      <Command.Input
        autoFocus
        value={sought}
        onValueChange={setSought}
        placeholder="A piece of work, a course, what to do, or a line to add"
        className="h-12 w-full border-line border-b bg-transparent px-4 text-[16px] outline-none placeholder:text-ink-3"
      />
      <Command.List className="max-h-[56dvh] overflow-auto p-1.5">
        {!line && (
          <Command.Empty className="px-3 py-8 text-center text-ink-2">Nothing is called that.</Command.Empty>
        )}
        <Deeds student={student} onGo={go} />
        <OfTheBoard student={student} onGo={go} />
        <Written text={sought} student={student} onGo={go} />
        {line && <AddRow text={sought} line={line} onDone={onDone} onGo={go} />}
      </Command.List>
    </Command>
  );
}

interface Going {
  student: StudentView;
  onGo: (path: string) => void;
}

/** The views, and what can be done from anywhere. */
function Deeds({ student, onGo }: Going) {
  const now = useNow();
  const base = `/s/${student.id}`;
  return (
    <Command.Group heading="Do" className={HEAD}>
      {viewsOf(student.id, student.sees.words).map((view) => (
        <Command.Item
          key={view.path}
          value={`Go to ${view.name}`}
          onSelect={() => onGo(view.path)}
          className={ROW}
        >
          Go to {view.name}
        </Command.Item>
      ))}
      <Command.Item
        value="Look at a past day as it was"
        keywords={['history yesterday then before']}
        onSelect={() => onGo(`${base}/work?asof=${addDays(localDate(now, student.zone), -1)}`)}
        className={ROW}
      >
        Look at a past day as it was
      </Command.Item>
      {student.mayWrite &&
        DEEDS.map(([words, path, more]) => (
          <Command.Item
            key={words}
            value={words}
            keywords={[more]}
            onSelect={() => onGo(`${base}/${path}`)}
            className={ROW}
          >
            {words}
          </Command.Item>
        ))}
    </Command.Group>
  );
}

/** All courses and all work, whatever the page shows just now. */
function OfTheBoard({ student, onGo }: Going) {
  const base = `/s/${student.id}`;
  return (
    <>
      <Command.Group heading="Courses" className={HEAD}>
        {student.board.courses.map((course) => (
          <Command.Item
            key={course.id}
            value={`${course.name} #${course.id}`}
            keywords={['course', course.shortName, course.teacher ?? '']}
            onSelect={() => onGo(`${base}/work?course=${course.id}`)}
            className={ROW}
          >
            <CourseMark colour={course.colour} />
            {course.name}
            <span className="text-ink-2">{course.teacher}</span>
          </Command.Item>
        ))}
      </Command.Group>
      <Command.Group heading="Work" className={HEAD}>
        {student.board.works.map((work) => (
          <Command.Item
            key={work.id}
            value={`${work.title} #${work.id}`}
            keywords={soughtIn(work, student)}
            onSelect={() => onGo(`${base}/work/${work.id}`)}
            className={ROW}
          >
            <StageGlyph stage={work.stage} />
            <span className="min-w-0 flex-1 truncate">{work.title}</span>
            <span className="text-[13px] text-ink-2 max-sm:hidden">
              {stageWord(work)} · {student.course(work.courseId)?.shortName}
            </span>
          </Command.Item>
        ))}
      </Command.Group>
    </>
  );
}

/** What a piece of work is found by beside its title. */
function soughtIn(work: Work, student: StudentView): string[] {
  const course = student.course(work.courseId);
  return [
    course?.name ?? '',
    course?.shortName ?? '',
    course?.teacher ?? '',
    KIND_WORDS[work.kind],
    stageWord(work),
    stageDetail(work),
    moveWords(work.move, student),
    work.timing === 'OVERDUE' ? 'overdue' : '',
    work.category ?? '',
    work.unit ?? '',
  ];
}

/** What was asked for or said in these words. */
function Written({ text, student, onGo }: Going & { text: string }) {
  const settled = useSettled(text.trim(), 200);
  const found = useQuery({ ...searchQuery(student.id, settled), placeholderData: keepPreviousData });
  const texts = text.trim().length > 2 ? (found.data?.found ?? []) : [];
  if (texts.length === 0) return null;
  return (
    <Command.Group heading="In instructions and feedback" forceMount className={HEAD}>
      {texts.map((one, at) => (
        <Command.Item
          // biome-ignore lint/suspicious/noArrayIndexKey: the same words may stand in one place twice
          key={`${one.work} ${one.where} ${at}`}
          forceMount
          value={`written ${one.work} ${one.where} ${at}`}
          onSelect={() => onGo(`/s/${student.id}/work/${one.work}`)}
          className={ROW}
        >
          <span className="min-w-0 flex-1">
            <span className="block truncate">
              {student.work(one.work)?.title}
              <span className="text-[13px] text-ink-2">
                {' '}
                · {one.where === 'FEEDBACK' ? one.by : 'instructions'}
              </span>
            </span>
            <span className="block truncate text-[13px] text-ink-2">{one.words}</span>
          </span>
        </Command.Item>
      ))}
    </Command.Group>
  );
}

/** What was typed, where it reads as a piece of work to be added: it names a day, points or effort, or nothing is called so. */
function useLine(text: string, student: StudentView): Line | null {
  const { asked } = useTerms();
  return useMemo(() => {
    const line = text.trim().length > 2 && student.mayWrite ? understand(text, asked) : null;
    if (!line?.title) return null;
    const means = line.dueDay || line.possible || line.effortMinutes || line.every;
    const found = () =>
      student.board.works.some((work) => fits(work.title, text, soughtIn(work, student)) > 0) ||
      student.board.courses.some((course) => fits(course.name, text, [course.shortName]) > 0) ||
      viewsOf(student.id, student.sees.words).some((view) => fits(`Go to ${view.name}`, text) > 0) ||
      DEEDS.some(([words, , more]) => fits(words, text, [more]) > 0);
    return means || !found() ? line : null;
  }, [text, asked, student]);
}

interface AddRowProps {
  text: string;
  line: Line;
  onDone: () => void;
  onGo: (path: string) => void;
}

function AddRow({ text, line, onDone, onGo }: AddRowProps) {
  const { id, zone, board, course: courseOf } = useStudent();
  const now = useWall(zone);
  const only = board.courses.length === 1 ? board.courses[0] : undefined;
  const course = line.course === null ? only : courseOf(line.course);
  const add = async () => {
    const asks = (line.every && line.days.length <= 1) || overIn(line, now) > 0;
    if (!course || asks) {
      onGo(`/s/${id}/work?add=line&line=${encodeURIComponent(text)}`);
      return;
    }
    try {
      const part = partOf(line.title, line.kind, course.parts);
      await addLine(id, line, { course, part, over: 'NOT_HANDED_IN' }, onDone);
    } catch (error) {
      noticeFault(error);
    }
  };
  return (
    <Command.Group heading="Add" forceMount className={HEAD}>
      <Command.Item forceMount value="add this line" onSelect={() => void add()} className={ROW}>
        <Plus size={16} aria-hidden className="shrink-0" />
        <span className="min-w-0 flex-1">
          <span className="font-semibold">{titlesOf(line)[0]}</span>
          {line.days.length > 1 && ` and ${line.days.length - 1} more`}
          <span className="text-ink-2">
            {' '}
            {course ? course.shortName : 'which course?'}, {lineWords(line, now.today)}
          </span>
        </span>
      </Command.Item>
    </Command.Group>
  );
}

export { FindOrDo };
