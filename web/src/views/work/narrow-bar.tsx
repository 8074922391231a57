import clsx from 'clsx';
import { ChevronDown, Plus, X } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { useStudent } from '../../frame/student';
import { hasModifier, isTyping } from '../../lib/keys';
import { GROUPINGS, type Grouping, isNarrowed, type Narrowing } from '../../lib/narrow';
import { dateWords } from '../../lib/time';
import { MOVES, moveWords } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { Menu, MenuCheck, MenuItem } from '../../ui/menu';
import { narrowedWords } from './model';

const CHIP =
  'inline-flex h-[28px] shrink-0 items-center gap-1.5 whitespace-nowrap rounded border border-line bg-raised px-2.5 text-[14px] hover:border-ink-3 data-[on=true]:border-ink data-[on=true]:shadow-[inset_0_-2px_0_var(--yours)]';

const GROUP_WORDS: Record<Grouping, string> = { move: 'By move', course: 'By course', due: 'By due' };

interface NarrowBarProps {
  shown: number;
  narrowing: Narrowing;
  change: (change: Partial<Narrowing>) => void;
}

/** How many are shown of how many, how they are grouped, and what they are narrowed to. */
function NarrowBar({ shown, narrowing, change }: NarrowBarProps) {
  const { board, mayWrite } = useStudent();
  return (
    <div className="@container shrink-0 no-print border-line border-b">
      <div className="flex flex-wrap items-center gap-x-1.5 gap-y-2 px-5 py-2.5 text-[14px] max-sm:px-3">
        <p aria-live="polite" className="mr-3">
          <b className="font-bold">
            {shown} of {board.counts.total}
          </b>{' '}
          <span className="text-ink-2 @max-[900px]:sr-only">
            {narrowedWords(board, narrowing.courses, narrowing.moves)}
          </span>
        </p>
        <fieldset className="mr-3 flex gap-1.5">
          <legend className="sr-only">Group</legend>
          {GROUPINGS.map((by) => (
            <button
              key={by}
              type="button"
              aria-pressed={narrowing.by === by}
              data-on={narrowing.by === by}
              onClick={() => change({ by })}
              className={CHIP}
            >
              {GROUP_WORDS[by]}
            </button>
          ))}
        </fieldset>
        <CourseChip narrowing={narrowing} change={change} />
        <MoveChip narrowing={narrowing} change={change} />
        {narrowing.day && (
          <button type="button" data-on="true" onClick={() => change({ day: '' })} className={CHIP}>
            {dateWords(narrowing.day)}
            <X size={13} aria-label="Let go of this day" />
          </button>
        )}
        <TextBox text={narrowing.text} onChange={(text) => change({ text })} />
        {isNarrowed(narrowing) && (
          <button
            type="button"
            onClick={() => change({ courses: [], moves: [], text: '', day: '' })}
            className="px-2 text-ink-2 underline underline-offset-2 hover:text-ink"
          >
            Show all
          </button>
        )}
        {mayWrite && <AddMenu />}
      </div>
    </div>
  );
}

function toggled<T>(list: readonly T[], item: T, on: boolean): T[] {
  return on ? [...list, item] : list.filter((one) => one !== item);
}

function CourseChip({ narrowing, change }: Omit<NarrowBarProps, 'shown'>) {
  const { board } = useStudent();
  const chosen = narrowing.courses.length;
  return (
    <Menu
      trigger={
        <button type="button" data-on={chosen > 0} className={CHIP}>
          {chosen === 0 ? 'Course' : `Course: ${chosen} of ${board.courses.length}`}
          <ChevronDown size={13} aria-hidden />
        </button>
      }
    >
      {board.courses.map((course) => (
        <MenuCheck
          key={course.id}
          checked={narrowing.courses.includes(course.id)}
          onChange={(on) => change({ courses: toggled(narrowing.courses, course.id, on) })}
        >
          <CourseMark colour={course.colour} />
          {course.name}
          <span className="ml-auto pl-6 text-ink-2">
            {board.works.filter((work) => work.courseId === course.id).length}
          </span>
        </MenuCheck>
      ))}
    </Menu>
  );
}

function MoveChip({ narrowing, change }: Omit<NarrowBarProps, 'shown'>) {
  const student = useStudent();
  const { board } = student;
  const { counts } = board;
  const numbers = {
    YOURS: counts.yours,
    TEACHERS: counts.teachers,
    SETTLED: counts.settled,
    NOT_YET: counts.notYet,
    OUT_OF_REACH: counts.outOfReach,
  };
  const chosen = narrowing.moves.length;
  return (
    <Menu
      trigger={
        <button type="button" data-on={chosen > 0} className={CHIP}>
          {chosen === 0 ? 'Move' : `Move: ${chosen} of ${MOVES.length}`}
          <ChevronDown size={13} aria-hidden />
        </button>
      }
    >
      {MOVES.map((move) => (
        <MenuCheck
          key={move}
          checked={narrowing.moves.includes(move)}
          onChange={(on) => change({ moves: toggled(narrowing.moves, move, on) })}
        >
          {moveWords(move, student)}
          <span className="ml-auto pl-6 text-ink-2">{numbers[move]}</span>
        </MenuCheck>
      ))}
      <p className="mt-1 border-line border-t px-2.5 pt-1.5 pb-1 text-[13px] text-ink-2">
        {MOVES.map((move) => numbers[move]).join(' + ')} = {counts.total}
      </p>
    </Menu>
  );
}

function TextBox({ text, onChange }: { text: string; onChange: (text: string) => void }) {
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'n' || isTyping(event) || hasModifier(event)) return;
      event.preventDefault();
      box.current?.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <input
      ref={box}
      type="search"
      aria-label="Narrow by text"
      placeholder="Narrow by text"
      value={text}
      onChange={(event) => onChange(event.target.value)}
      onKeyDown={(event) => event.key === 'Escape' && (text ? onChange('') : event.currentTarget.blur())}
      className="h-[28px] w-40 min-w-0 @max-[640px]:flex-1 rounded border border-line bg-paper px-2.5 text-[14px] placeholder:text-ink-3"
    />
  );
}

function AddMenu() {
  const [, setParams] = useSearchParams();
  const add = (what: string) =>
    setParams((before) => {
      before.set('add', what);
      return before;
    });
  return (
    <Menu
      align="end"
      trigger={
        <button type="button" className={clsx(CHIP, 'ml-auto')}>
          <Plus size={14} aria-hidden /> Add
        </button>
      }
    >
      <MenuItem onSelect={() => add('work')}>A piece of work</MenuItem>
      <MenuItem onSelect={() => add('course')}>A course</MenuItem>
    </Menu>
  );
}

export { NarrowBar };
