import { ChevronDown, X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { hasModifier, isTyping } from '../../lib/keys';
import {
  countTrait,
  EVERYTHING,
  isNarrowed,
  KINDS,
  type Narrowing,
  STAGES,
  TRAIT_WORDS,
  TRAITS,
} from '../../lib/narrow';
import { useNow } from '../../lib/now';
import { dateWords } from '../../lib/time';
import { KIND_WORDS, MOVES, moveWords, STAGE_WORDS } from '../../lib/words';
import { TextButton } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { Menu, MenuCheck, MenuRule, MenuSub } from '../../ui/menu';
import { LensMenu } from './lens-menu';
import { narrowedWords } from './model';

/** Classes of a small button in a bar. */
const CHIP =
  'inline-flex h-[28px] shrink-0 items-center gap-1.5 whitespace-nowrap rounded border border-line bg-raised px-2.5 text-[14px] hover:border-ink-3 data-[on=true]:border-ink data-[on=true]:shadow-[inset_0_-2px_0_var(--yours)]';

interface ChipProps {
  narrowing: Narrowing;
  change: (change: Partial<Narrowing>) => void;
}

/** How many are shown of how many, and by what they are narrowed. */
function ShownCount({ shown, narrowing }: { shown: readonly Work[]; narrowing: Narrowing }) {
  const { board } = useStudent();
  return (
    <p aria-live="polite" className="mr-3">
      <b className="font-bold">
        {shown.length} of {board.counts.total}
      </b>{' '}
      <span className="text-ink-2 @max-[900px]:sr-only">
        {narrowedWords(board, narrowing.courses, narrowing.moves)}
      </span>
    </p>
  );
}

/** Everything that narrows the work, wherever it is shown. */
function NarrowChips({ narrowing, change }: ChipProps) {
  return (
    <>
      <CourseChip narrowing={narrowing} change={change} />
      <MoveChip narrowing={narrowing} change={change} />
      <MoreChip narrowing={narrowing} change={change} />
      <LensMenu narrowing={narrowing} chip={CHIP} />
      {narrowing.day && (
        <button type="button" data-on="true" onClick={() => change({ day: '' })} className={CHIP}>
          {dateWords(narrowing.day)}
          <X size={13} aria-label="Let go of this day" />
        </button>
      )}
      <TextBox text={narrowing.text} onChange={(text) => change({ text })} />
      {isNarrowed(narrowing) && (
        <TextButton onClick={() => change(EVERYTHING)} className="px-2 text-ink-2 hover:text-ink">
          Show all
        </TextButton>
      )}
    </>
  );
}

function toggled<T>(list: readonly T[], item: T, on: boolean): T[] {
  return on ? [...list, item] : list.filter((one) => one !== item);
}

/** Everything else that the work can be narrowed by. */
function MoreChip({ narrowing, change }: ChipProps) {
  const { board } = useStudent();
  const now = useNow();
  const { stages, kinds, units, traits } = narrowing;
  const chosen = stages.length + kinds.length + units.length + traits.length;
  const allUnits = [...new Set(board.works.map((work) => work.unit ?? ''))].filter(Boolean);
  return (
    <Menu
      trigger={
        <button type="button" data-on={chosen > 0} className={CHIP}>
          {chosen === 0 ? 'More' : `More: ${chosen}`}
          <ChevronDown size={13} aria-hidden />
        </button>
      }
    >
      {TRAITS.map((trait) => (
        <MenuCheck
          key={trait}
          checked={traits.includes(trait)}
          onChange={(on) => change({ traits: toggled(traits, trait, on) })}
        >
          {TRAIT_WORDS[trait]}
          <span className="ml-auto pl-6 text-ink-2">{countTrait(board, trait, now)}</span>
        </MenuCheck>
      ))}
      <MenuRule />
      <MenuSub label="State">
        <Checks
          all={STAGES}
          chosen={stages}
          words={(one) => STAGE_WORDS[one]}
          onChange={(stages) => change({ stages })}
        />
      </MenuSub>
      <MenuSub label="Kind">
        <Checks
          all={KINDS}
          chosen={kinds}
          words={(one) => KIND_WORDS[one]}
          onChange={(kinds) => change({ kinds })}
        />
      </MenuSub>
      <MenuSub label="Unit">
        <Checks all={allUnits} chosen={units} words={(one) => one} onChange={(units) => change({ units })} />
      </MenuSub>
    </Menu>
  );
}

interface ChecksProps<T extends string> {
  all: readonly T[];
  chosen: readonly T[];
  words: (one: T) => string;
  onChange: (chosen: T[]) => void;
}

function Checks<T extends string>({ all, chosen, words, onChange }: ChecksProps<T>) {
  return all.map((one) => (
    <MenuCheck key={one} checked={chosen.includes(one)} onChange={(on) => onChange(toggled(chosen, one, on))}>
      {words(one)}
    </MenuCheck>
  ));
}

function CourseChip({ narrowing, change }: ChipProps) {
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

function MoveChip({ narrowing, change }: ChipProps) {
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

/** Holds what is typed by itself: the address follows a moment later, and must not pull the caret back. */
function TextBox({ text, onChange }: { text: string; onChange: (text: string) => void }) {
  const box = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState(text);
  useEffect(() => {
    if (document.activeElement !== box.current) setTyped(text);
  }, [text]);
  const type = (next: string) => {
    setTyped(next);
    onChange(next);
  };
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
      value={typed}
      onChange={(event) => type(event.target.value)}
      onKeyDown={(event) => event.key === 'Escape' && (typed ? type('') : event.currentTarget.blur())}
      className="h-[28px] w-40 min-w-[150px] @max-[640px]:flex-1 rounded border border-line bg-paper px-2.5 text-[14px] placeholder:text-ink-3"
    />
  );
}

export type { ChipProps };
export { CHIP, NarrowChips, ShownCount };
