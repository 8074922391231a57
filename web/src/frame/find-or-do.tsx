import { Command } from 'cmdk';
import { Search } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useContext, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { hasModifier, isTyping } from '../lib/keys';
import { KIND_WORDS, STAGE_WORDS } from '../lib/words';
import { CourseMark } from '../ui/course-mark';
import { StageGlyph } from '../ui/stage-glyph';
import { StudentContext } from './student';
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
        <span className="max-md:sr-only">Find or do</span>
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
  const navigate = useNavigate();
  const go = (path: string) => {
    onDone();
    void navigate(path);
  };
  if (!student) return null;
  const base = `/s/${student.id}`;
  return (
    <Command label="Find or do" loop>
      <Command.Input
        autoFocus
        placeholder="A piece of work, a course, or what to do"
        className="h-12 w-full border-line border-b bg-transparent px-4 text-[16px] outline-none placeholder:text-ink-3"
      />
      <Command.List className="max-h-[56dvh] overflow-auto p-1.5">
        <Command.Empty className="px-3 py-8 text-center text-ink-2">Nothing is called that.</Command.Empty>
        <Command.Group heading="Do" className={HEAD}>
          {viewsOf(student.id).map((view) => (
            <Command.Item
              key={view.path}
              value={`Go to ${view.name}`}
              onSelect={() => go(view.path)}
              className={ROW}
            >
              Go to {view.name}
            </Command.Item>
          ))}
          {student.mayWrite &&
            DEEDS.map(([words, path, more]) => (
              <Command.Item
                key={words}
                value={`${words} ${more}`}
                onSelect={() => go(`${base}/${path}`)}
                className={ROW}
              >
                {words}
              </Command.Item>
            ))}
        </Command.Group>
        <Command.Group heading="Courses" className={HEAD}>
          {student.board.courses.map((course) => (
            <Command.Item
              key={course.id}
              value={`course ${course.name} ${course.id}`}
              onSelect={() => go(`${base}/work?course=${course.id}`)}
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
              value={`${work.title} ${student.course(work.courseId)?.name} ${KIND_WORDS[work.kind]} ${work.id}`}
              onSelect={() => go(`${base}/work/${work.id}`)}
              className={ROW}
            >
              <StageGlyph stage={work.stage} />
              <span className="min-w-0 flex-1 truncate">{work.title}</span>
              <span className="text-[13px] text-ink-2 max-sm:hidden">
                {STAGE_WORDS[work.stage]} · {student.course(work.courseId)?.shortName}
              </span>
            </Command.Item>
          ))}
        </Command.Group>
      </Command.List>
    </Command>
  );
}

export { FindOrDo };
