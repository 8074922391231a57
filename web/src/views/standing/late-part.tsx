import type { Schemas } from '../../api/client';
import { sentence } from '../../lib/words';
import { Choice } from '../../ui/choice';
import { type Example, KeptChart } from './kept-chart';
import { type FieldSpec, NumberFields, type PartProps, RulePart } from './rules-form';

type Late = Schemas['LateSheet'];

const KINDS = [
  ['UNKNOWN', 'Not known'],
  ['NONE', 'Costs nothing'],
  ['FLAT', 'Costs once'],
  ['PER_DAY', 'Costs each day'],
] as const;

const MEASURES = [
  ['SPANS_24H', '24 hours begun'],
  ['CALENDAR_DAYS', 'Calendar days'],
  ['SCHOOL_DAYS', 'School days'],
] as const;

const BASES = [
  ['POSSIBLE', 'Points possible'],
  ['EARNED', 'Points earned'],
  ['AFTER_DUE', 'Points earned after the due'],
] as const;

const PENALTY_FIELDS: readonly FieldSpec<Late>[] = [
  { name: 'percent', label: 'Percent lost', kind: 'decimal' },
  {
    name: 'floorPercent',
    label: 'Never below, percent',
    hint: 'Of the points possible. Empty: 0',
    kind: 'decimal',
  },
];

const DAY_FIELDS: readonly FieldSpec<Late>[] = [
  { name: 'percent', label: 'Percent a day', kind: 'decimal' },
  { name: 'cap', label: 'At most, percent', hint: 'Empty: no limit', kind: 'decimal' },
  {
    name: 'floorPercent',
    label: 'Never below, percent',
    hint: 'Of the points possible. Empty: 0',
    kind: 'decimal',
  },
];

const ALWAYS: readonly FieldSpec<Late>[] = [
  { name: 'graceMinutes', label: 'Grace, minutes', hint: 'In it nothing is lost', kind: 'whole' },
  {
    name: 'cutoffHours',
    label: 'Taken for, hours',
    hint: 'After the due. Empty: no end',
    kind: 'whole or none',
  },
];

function fieldsOf(kind: Late['kind']): readonly FieldSpec<Late>[] {
  if (kind === 'UNKNOWN') return [];
  if (kind === 'NONE') return ALWAYS;
  return [...(kind === 'FLAT' ? PENALTY_FIELDS : DAY_FIELDS), ...ALWAYS];
}

interface LatePartProps extends PartProps {
  example: Example;
  onExample: (example: Example) => void;
}

/** What lateness costs, with an example that is worked out as one types. */
function LatePart({ sheet, change, fault, trial, example, onExample }: LatePartProps) {
  const { late } = sheet;
  const set = (part: Partial<Late>) => change({ ...sheet, late: { ...late, ...part } });
  const chooseKind = (kind: Late['kind']) =>
    set({
      kind,
      percent: late.percent ?? '10',
      measure: late.measure ?? 'SPANS_24H',
      base: late.base ?? 'POSSIBLE',
    });
  return (
    <RulePart
      title="Late work"
      about="What a hand-in after the due loses, and how long it is taken at all. A piece of work may have a rule of its own."
      example={<LateExample trial={trial} example={example} onExample={onExample} />}
    >
      <div className="flex flex-col gap-4">
        <Choice label="Being late" value={late.kind} options={KINDS} onChange={chooseKind} />
        {late.kind === 'PER_DAY' && (
          <Choice
            label="A day is"
            value={late.measure ?? 'SPANS_24H'}
            options={MEASURES}
            onChange={(measure) => set({ measure })}
            hint="School days leave out week-ends and days off."
          />
        )}
        {(late.kind === 'FLAT' || late.kind === 'PER_DAY') && (
          <Choice
            label="The percent is of"
            value={late.base ?? 'POSSIBLE'}
            options={BASES}
            onChange={(base) => set({ base })}
          />
        )}
        <NumberFields path="late." sheet={late} fields={fieldsOf(late.kind)} onChange={set} fault={fault} />
      </div>
    </RulePart>
  );
}

function LateExample({ trial, example, onExample }: Pick<LatePartProps, 'trial' | 'example' | 'onExample'>) {
  const number = (name: keyof Example, label: string) => (
    <input
      type="number"
      min={0}
      max={5000}
      aria-label={label}
      value={example[name]}
      onChange={(event) =>
        onExample({ ...example, [name]: Math.max(0, Math.trunc(Number(event.target.value))) })
      }
      className="h-7 w-[58px] rounded border border-line bg-paper px-1.5 text-right"
    />
  );
  return (
    <>
      <p className="flex flex-wrap items-center gap-x-1.5 gap-y-1 text-ink-2">
        {number('earned', 'Example: points earned')} of {number('possible', 'Example: points possible')}{' '}
        points, {number('hoursLate', 'Example: hours late')} h late
      </p>
      <p aria-live="polite" className="my-2 font-semibold text-[15px]">
        {trial.late}
      </p>
      <KeptChart trial={trial} example={example} />
      <p className="text-ink-2">{sentence(trial.policy)}</p>
    </>
  );
}

export { LatePart };
