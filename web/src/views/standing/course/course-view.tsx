import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Dispatch, type SetStateAction, useCallback, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Course } from '../../../api/client';
import { gradeQuery, termsQuery } from '../../../api/queries';
import { useStudent } from '../../../frame/student';
import { useAddress } from '../../../lib/address';
import {
  figureWords,
  READING_ABOUT,
  READING_WORDS,
  READINGS,
  type Reading,
  type Standing,
} from '../../../lib/readings';
import { useSettled } from '../../../lib/settled';
import { Button } from '../../../ui/button';
import { CourseMark } from '../../../ui/course-mark';
import { Empty, Failed, Loading } from '../../../ui/states';
import { CourseMenu } from '../../courses/course-list';
import { MessageDialog, Messages, WriteToTeacher } from '../../piece/message';
import { LateAssumed } from '../late-assumed';
import { percentDomain, Scale } from '../scale';
import { Announcements } from './announcements';
import { GoalPanel } from './goal-panel';
import type { Changing } from './item-menu';
import {
  changed,
  formula,
  type Grade,
  inOrder,
  isNothing,
  movedBy,
  NOTHING,
  nowhereIn,
  readingIn,
  signed,
  type Unfolded,
  type WhatIf,
} from './model';
import { ColumnHeads, Nowhere, PartTable } from './part-table';
import { Path } from './path';
import { Scenarios } from './scenarios';
import { Trend } from './trend';

/** What a target takes follows once the typing rests, in milliseconds; the readings follow at once. */
const REST = 250;

/** How the grade of one course comes about, down to the fraction, and what it would be if. */
function CourseView() {
  const { course: courseOf } = useStudent();
  const course = courseOf(Number(useParams().course));
  if (!course)
    return (
      <Empty alone title="There is no such course here">
        It may have been removed.
      </Empty>
    );
  return <CoursePage key={course.id} course={course} />;
}

function CoursePage({ course }: { course: Course }) {
  const { id, asof } = useStudent();
  const [whatIf, setWhatIf] = useState<WhatIf>(NOTHING);
  const real = useQuery(gradeQuery(id, course.id, '', asof));
  const text = isNothing(whatIf) ? '' : JSON.stringify(whatIf);
  const shown = useQuery({
    ...gradeQuery(id, course.id, text, asof),
    placeholderData: keepPreviousData,
  });
  if (real.isError) return <Failed error={real.error} onRetry={() => void real.refetch()} />;
  if (!real.data) return <Loading />;
  const grade = shown.data ?? real.data;
  return (
    <div className="flex-1 overflow-auto print:overflow-visible">
      <div className="mx-auto w-full max-w-[1400px] px-5 py-4 max-sm:px-3 print:[zoom:0.78]">
        <CourseHead course={course} whatIf={whatIf} onReset={() => setWhatIf(NOTHING)} />
        <MessageDialog topic={{ title: course.name, teacher: course.teacher, of: { course: course.id } }} />
        <Announcements course={course.id} />
        {course.standing.kind === 'COMPLETION' ? (
          <Path course={course} grade={grade} />
        ) : (
          <Graded
            course={course}
            real={real.data}
            grade={grade}
            whatIf={whatIf}
            onWhatIf={setWhatIf}
            fault={shown.error}
          />
        )}
        <div className="no-print max-w-[760px]">
          <Messages about={{ course: course.id }} />
        </div>
      </div>
    </div>
  );
}

function CourseHead({ course, whatIf, onReset }: { course: Course; whatIf: WhatIf; onReset: () => void }) {
  const { id } = useStudent();
  const many = whatIf.changes.length + whatIf.added.length;
  return (
    <header className="mb-3">
      <p className="no-print text-[14px]">
        <Link to={`/s/${id}/standing`} className="underline underline-offset-2">
          All courses
        </Link>
      </p>
      <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2">
        <h1 className="flex items-center font-[720] text-[21px] leading-tight">
          <CourseMark colour={course.colour} className="mr-2.5" />
          {course.name}
        </h1>
        <p className="no-print flex flex-wrap items-center gap-x-4 text-[14px]">
          <Link to={`/s/${id}/work?course=${course.id}`} className="underline underline-offset-2">
            All its work
          </Link>
          <Link to={`/s/${id}/standing/${course.id}/rules`} className="underline underline-offset-2">
            Its rules
          </Link>
          <button type="button" className="underline underline-offset-2" onClick={() => window.print()}>
            Print
          </button>
          <WriteToTeacher teacher={course.teacher} />
          <MoreOfCourse id={course.id} />
        </p>
      </div>
      {many > 0 && (
        <p
          role="status"
          className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 border-wait border-l-4 bg-wait-soft px-3 py-1.5"
        >
          <b className="font-[680]">Not real.</b>
          {many} {many === 1 ? 'thing is' : 'things are'} other than so here; nothing is saved.
          <Button className="h-[30px]" onClick={onReset}>
            As it is
          </Button>
        </p>
      )}
    </header>
  );
}

/** What can be done to the course itself. */
function MoreOfCourse({ id: course }: { id: number }) {
  const { id, mayWrite } = useStudent();
  const terms = useQuery({ ...termsQuery(id), enabled: mayWrite });
  const known = terms.data?.courses.find((one) => one.id === course);
  return known ? <CourseMenu course={known} /> : null;
}

interface GradedProps {
  course: Course;
  real: Grade;
  grade: Grade;
  whatIf: WhatIf;
  onWhatIf: Dispatch<SetStateAction<WhatIf>>;
  fault: Error | null;
}

function Graded({ course, real, grade, whatIf, onWhatIf, fault }: GradedProps) {
  const [params, setParams] = useAddress();
  const asked = params.get('reading');
  const reading = READINGS.find((one) => one === asked) ?? 'SO_FAR';
  const unfolded = readingIn(grade, reading);
  const rested = useSettled(whatIf, REST);
  const open = useMemo(() => real.items.filter((item) => item.open).map((item) => Number(item.work)), [real]);
  const standing = useMemo(() => standingOf(course.standing, grade), [course.standing, grade]);
  const change = useCallback<Changing>(
    (work, what) => onWhatIf((before) => changed(before, work, what)),
    [onWhatIf],
  );
  const choose = (next: Reading) =>
    setParams(
      (before) => {
        before.set('reading', next);
        return before;
      },
      { replace: true },
    );
  return (
    <div className="flex items-start gap-6 max-wide:flex-col">
      <div className="min-w-0 flex-1 max-wide:w-full">
        <Scale standing={standing} percent={percentDomain([standing])} target={course.aim.target} />
        <Readings standing={standing} real={real} grade={grade} reading={reading} onChoose={choose} />
        <LateAssumed courses={[course]} />
        {fault && <p className="mt-2 font-semibold text-[14px] text-loss">{fault.message}</p>}
        {unfolded && (
          <section aria-label={`${READING_WORDS[reading]}, unfolded`} className="mt-4">
            <Sum unfolded={unfolded} standing={standing} />
            <ColumnHeads />
            {inOrder(unfolded.parts, standing.kind === 'STANDARDS').map((part) => (
              <PartTable
                key={part.id}
                part={part}
                grade={grade}
                whatIf={whatIf}
                onChange={change}
                byStandards={standing.kind === 'STANDARDS'}
              />
            ))}
            <Nowhere
              items={nowhereIn(grade, unfolded.parts)}
              whatIf={whatIf}
              byStandards={standing.kind === 'STANDARDS'}
            />
          </section>
        )}
      </div>
      <aside
        aria-label="What if"
        className="no-print w-[340px] shrink-0 border-line border-l pl-5 max-wide:w-full max-wide:border-l-0 max-wide:pl-0"
      >
        <GoalPanel course={course} whatIf={rested} open={open} />
        <Scenarios course={course} real={real} whatIf={whatIf} onWhatIf={onWhatIf} />
        <Trend course={course} />
      </aside>
    </div>
  );
}

/** The standing with the readings of what is shown, for what draws one. */
function standingOf(standing: Standing, grade: Grade): Standing {
  return { ...standing, readings: grade.readings };
}

interface ReadingsProps {
  standing: Standing;
  real: Grade;
  grade: Grade;
  reading: Reading;
  onChoose: (reading: Reading) => void;
}

/** The six readings side by side, in sight however far down one types; the chosen one is unfolded below. */
function Readings({ standing, real, grade, reading, onChoose }: ReadingsProps) {
  return (
    <div
      role="tablist"
      aria-label="Readings"
      className="mt-2 grid grid-cols-6 border-line border-y bg-paper max-sm:grid-cols-3 sm:sticky sm:top-0 sm:z-10 print:static"
    >
      {READINGS.map((one) => {
        const now = readingIn(grade, one);
        const moved = movedBy(readingIn(real, one), now);
        return (
          <button
            key={one}
            type="button"
            role="tab"
            aria-selected={reading === one}
            title={READING_ABOUT[one]}
            onClick={() => onChoose(one)}
            className="flex flex-col items-start border-transparent border-b-[3px] px-2.5 py-1.5 text-left hover:bg-line-2 aria-selected:border-yours aria-selected:bg-raised"
          >
            <span className="text-[13px] text-ink-2">{READING_WORDS[one]}</span>
            <span className="font-[680] text-[17px]">{figureWords(now?.figure ?? null, standing)}</span>
            <span className="text-[13px] text-ink-2">
              {now?.letter ?? (standing.letters.length > 0 ? 'no letter' : '')}
              {moved !== null && (
                <b className={moved < 0 ? 'text-loss' : 'text-done'}>
                  {' '}
                  {signed(moved, standing.kind === 'STANDARDS' ? 2 : 1)}
                </b>
              )}
            </span>
          </button>
        );
      })}
    </div>
  );
}

function Sum({ unfolded, standing }: { unfolded: Unfolded; standing: Standing }) {
  const sum = formula(unfolded);
  return (
    <p className="mb-2 max-w-[90ch] text-[14px] text-ink-2">
      {READING_ABOUT[unfolded.reading]}: {unfolded.counted} {unfolded.counted === 1 ? 'piece' : 'pieces'} of
      work.{' '}
      {sum && (
        <>
          {sum} = <b className="font-[680] text-ink">{figureWords(unfolded.figure, standing)}</b>
        </>
      )}
      {standing.kind === 'STANDARDS' && 'The mean of the standards that have evidence, the weakest first.'}
      {unfolded.belowLine.length > 0 && (
        <b className="text-loss"> Below the line that withholds the pass: {unfolded.belowLine.join(', ')}.</b>
      )}
    </p>
  );
}

export { CourseView };
