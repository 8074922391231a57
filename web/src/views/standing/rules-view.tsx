import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { type Course, client, Refused, type Schemas, take, writeKey } from '../../api/client';
import { refreshStudent, rulesQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { Button } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { Check } from '../../ui/field';
import { noticeChange, noticeFault } from '../../ui/notice';
import { Empty, Failed, Loading } from '../../ui/states';
import { GradePart } from './grade-part';
import type { Example } from './kept-chart';
import { LatePart } from './late-part';
import { ExtensionPart, TokenPart } from './leeway-part';
import { LetterPart } from './letter-part';
import {
  type FieldSpec,
  NumberFields,
  type PartProps,
  RulePart,
  type RuleSheet,
  type Trial,
} from './rules-form';

const PAUSE = 220;
const USUAL: Example = { possible: 20, earned: 17, hoursLate: 25 };

/** The rules of one course: what each sets, and what it does, as one types. */
function RulesView() {
  const { id, course } = useStudent();
  const number = Number(useParams().course);
  const whose = course(number);
  const rules = useQuery(rulesQuery(id, number));
  const [held, hold] = useState<Schemas['RulesView'] | null>(null);
  const stored = held ?? rules.data;
  useEffect(() => hold((before) => before ?? rules.data ?? null), [rules.data]);
  if (!whose)
    return (
      <Empty alone title="There is no such course">
        It may have been removed.
      </Empty>
    );
  if (rules.isError) return <Failed error={rules.error} onRetry={() => void rules.refetch()} />;
  if (!stored) return <Loading />;
  const newer = rules.data && rules.data.version !== stored.version ? rules.data : null;
  return (
    <RulesPage
      key={stored.version}
      course={whose}
      stored={stored}
      onNewer={newer ? () => hold(newer) : undefined}
    />
  );
}

interface RulesPageProps {
  course: Course;
  /** As they were when the form was opened; what is typed stays, whatever happens elsewhere. */
  stored: Schemas['RulesView'];
  /** Takes the rules that were saved elsewhere since; undefined if none were. */
  onNewer: (() => void) | undefined;
}

function RulesPage({ course, stored, onNewer }: RulesPageProps) {
  const { id, mayWrite } = useStudent();
  const [sheet, change] = useState(stored.rules);
  const [example, setExample] = useState(USUAL);
  const [refused, setRefused] = useState<Refused | null>(null);
  const { trial, of, faults } = useTrial(course.id, sheet, example, stored.trial);
  const wrong = faults ?? refused;
  const parts: PartProps = { sheet, change, fault: (path) => wrong?.of(path), trial, tried: of };
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex-1 overflow-auto">
        <div className="mx-auto w-full max-w-[1160px] px-5 py-4 max-sm:px-3">
          <p className="text-[14px]">
            <Link to={`/s/${id}/standing`} className="text-ink-2 underline underline-offset-2">
              Standing
            </Link>
          </p>
          <h1 className="mb-4 flex items-center font-bold text-[20px] tracking-[-0.01em]">
            <CourseMark colour={course.colour} className="mr-2.5 h-5" />
            Rules of {course.name}
          </h1>
          {onNewer && (
            <p role="alert" className="mb-4 flex flex-wrap items-center gap-3 border-loss border-l-2 pl-3">
              These rules were changed elsewhere since you opened them, so they can’t be saved over.
              <Button onClick={onNewer}>Show what they say now</Button>
            </p>
          )}
          <fieldset disabled={!mayWrite} className="min-w-0">
            <legend className="sr-only">Rules of {course.name}</legend>
            <LatePart {...parts} example={example} onExample={setExample} />
            <ExtensionPart {...parts} />
            <TokenPart {...parts} />
            <GradePart {...parts} course={course} />
            <LetterPart {...parts} />
            <OrderPart {...parts} />
          </fieldset>
        </div>
      </div>
      {mayWrite && (
        <SaveBar course={course} stored={stored} sheet={sheet} wrong={wrong} onRefused={setRefused} />
      )}
    </div>
  );
}

/** What the rules in the form do, asked for when the typing pauses. The last answer stays until the next is there. */
function useTrial(course: number, sheet: RuleSheet, example: Example, first: Trial) {
  const { id, mayWrite } = useStudent();
  const [asked, setAsked] = useState({ rules: sheet, ...example });
  useEffect(() => {
    const timer = setTimeout(() => setAsked({ rules: sheet, ...example }), PAUSE);
    return () => clearTimeout(timer);
  }, [sheet, example]);
  const answer = useQuery({
    queryKey: ['student', id, 'trial', course, asked],
    queryFn: () =>
      take(
        client.POST('/api/students/{student}/courses/{course}/rules/trial', {
          params: { path: { student: id, course } },
          body: asked,
        }),
      ),
    placeholderData: keepPreviousData,
    enabled: mayWrite,
    retry: false,
    gcTime: 10_000,
  });
  const [shown, setShown] = useState({ trial: first, of: sheet });
  const { data, isPlaceholderData } = answer;
  useEffect(() => {
    if (data && !isPlaceholderData) setShown({ trial: data, of: asked.rules });
  }, [data, isPlaceholderData, asked]);
  const faults = answer.error instanceof Refused && answer.error.status === 422 ? answer.error : null;
  return { ...shown, faults };
}

const ORDER_FIELDS: readonly FieldSpec<RuleSheet>[] = [
  { name: 'soonHours', label: 'Due soon, hours', hint: 'Before the due', kind: 'whole' },
  { name: 'paceCap', label: 'Far enough ahead, pieces', kind: 'whole' },
];

function OrderPart({ sheet, change, fault, trial }: PartProps) {
  return (
    <RulePart
      title="Order and pace"
      about="Whether work opens one after another, when a due counts as near, and how far ahead is far enough."
      example={
        <>
          <p>{trial.soon}</p>
          {trial.locked > 0 && (
            <p className="mt-1 text-loss">
              {trial.locked === 1 ? 'One piece of work' : `${trial.locked} pieces of work`} open now would be
              shut.
            </p>
          )}
          {trial.locked < 0 && <p className="mt-1">{-trial.locked} more pieces of work would be open.</p>}
          <p className="mt-1">From {sheet.paceCap + 1} pieces ahead on, going further isn’t wanted.</p>
        </>
      }
    >
      <Check
        label="Each piece of work waits for the one before (projects don’t)"
        checked={sheet.ordered}
        onChange={(event) => change({ ...sheet, ordered: event.target.checked })}
      />
      <div className="mt-3">
        <NumberFields
          path=""
          sheet={sheet}
          fields={ORDER_FIELDS}
          onChange={(part) => change({ ...sheet, ...part })}
          fault={fault}
        />
      </div>
    </RulePart>
  );
}

interface SaveBarProps {
  course: Course;
  stored: Schemas['RulesView'];
  sheet: RuleSheet;
  wrong: Refused | null;
  onRefused: (refused: Refused | null) => void;
}

function SaveBar({ course, stored, sheet, wrong, onRefused }: SaveBarProps) {
  const { id } = useStudent();
  const navigate = useNavigate();
  const [key, setKey] = useState(writeKey);
  const [busy, setBusy] = useState(false);
  const changed = JSON.stringify(sheet) !== JSON.stringify(stored.rules);
  const leave = () => void navigate(`/s/${id}/standing`);
  const save = async () => {
    setBusy(true);
    onRefused(null);
    try {
      const done = await take(
        client.PUT('/api/students/{student}/courses/{course}/rules', {
          params: {
            path: { student: id, course: course.id },
            header: { 'If-Match': `"${stored.version}"`, 'Idempotency-Key': key },
          },
          body: sheet,
        }),
      );
      await refreshStudent(id);
      noticeChange(id, done.change, `Changed the rules of ${course.name}`);
      leave();
    } catch (error) {
      setKey(writeKey());
      if (error instanceof Refused && error.status === 422) onRefused(error);
      else noticeFault(error);
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className="no-print flex shrink-0 items-center justify-end gap-2 border-line border-t bg-raised px-5 py-2.5 max-sm:px-3">
      <p role="status" className="mr-auto text-[14px]">
        {wrong ? (
          <b className="text-loss">{wrong.faults[0]?.message}</b>
        ) : (
          <span className="text-ink-2">{changed ? 'Not saved yet' : 'As saved'}</span>
        )}
      </p>
      <Button look="quiet" onClick={leave}>
        {changed ? 'Leave as they were' : 'Back'}
      </Button>
      <Button look="main" disabled={!changed || busy || wrong !== null} onClick={() => void save()}>
        Save the rules
      </Button>
    </div>
  );
}

export { RulesView };
