import type { Course } from '../../api/client';
import { useStudent } from '../../frame/student';
import { READING_WORDS } from '../../lib/readings';
import { Choice } from '../../ui/choice';
import { GradeExample } from './grade-example';
import { BOX, Cell, faultIn, type Grade, Grid, type RowsProps, replaced, whole, without } from './grade-rows';
import { decimal, type PartProps, RulePart } from './rules-form';

const KINDS = [
  ['POINTS', 'Points'],
  ['WEIGHTED', 'Weighted categories'],
  ['STANDARDS', 'Standards, 0 to 4'],
  ['COMPLETION', 'Completion'],
] as const;

const KIND_ABOUT: Record<Grade['kind'], string> = {
  POINTS: 'All points earned over all points possible.',
  WEIGHTED: 'Each category counts with its weight. An empty one gives its weight up to the others.',
  STANDARDS: 'Each standard is rated from its evidence; the course is the mean of those that have some.',
  COMPLETION: 'There is no percent: all required work done, and the named work at its percent.',
};

/** Schools print what is scored, or that with zeros for what is missing; nothing else is on a school's page. */
const PRINTED = [
  ['SO_FAR', READING_WORDS.SO_FAR],
  ['WITH_ZEROS', READING_WORDS.WITH_ZEROS],
] as const;

const METHODS = {
  LATEST: 'the latest',
  HIGHEST: 'the highest',
  MEAN: 'the mean',
  DECAYING: 'new counts 65 %, old 35 %',
} as const;

interface GradePartProps extends PartProps {
  course: Course;
}

/** How the grade is made, with what it would make of the course as it stands. */
function GradePart({ sheet, change, fault, trial, tried, course }: GradePartProps) {
  const { grade } = sheet;
  const set = (part: Partial<Grade>) => change({ ...sheet, grade: { ...grade, ...part } });
  const rows = { grade, set, fault };
  return (
    <RulePart
      title="How the grade is made"
      about="How scores become the course’s figure. Drops are chosen anew in every reading, so that they help the most."
      example={<GradeExample sheet={sheet} trial={trial} tried={tried} />}
    >
      <div className="flex flex-col gap-4">
        <Choice
          label="The grade is made of"
          value={grade.kind}
          options={KINDS}
          onChange={(kind) => set({ kind })}
          hint={KIND_ABOUT[grade.kind]}
        />
        {grade.kind !== 'COMPLETION' && (
          <Choice
            label="The school prints"
            value={sheet.printed ?? 'SO_FAR'}
            options={PRINTED}
            onChange={(printed) => change({ ...sheet, printed })}
            hint="The reading that stands first for this course, so that Navlo’s figure and the school’s can be compared."
          />
        )}
        {grade.kind === 'WEIGHTED' && <Categories {...rows} course={course} />}
        {grade.kind === 'STANDARDS' && <Standards {...rows} />}
        {grade.kind === 'COMPLETION' && <Thresholds {...rows} course={course} />}
      </div>
    </RulePart>
  );
}

type Category = Grade['categories'][number];

interface CategoryRowProps {
  one: Category;
  label: string;
  /** What is wrong with a field. */
  at: (field: string) => string | undefined;
  change: (part: Partial<Category>) => void;
}

function CategoryRow({ one, label, at, change }: CategoryRowProps) {
  return (
    <>
      <Cell label={label} value={one.name} wrong={at('name')} onChange={(name) => change({ name })} />
      <Cell
        number
        label={`Weight of ${one.name}`}
        value={one.weight}
        wrong={at('weight')}
        onChange={(weight) => change({ weight })}
      />
      <select
        aria-label={`How the percent of ${one.name} is made`}
        value={one.by}
        onChange={(event) => change({ by: event.target.value as typeof one.by })}
        className={BOX}
      >
        <option value="POINTS">its points</option>
        <option value="MEAN">mean of items</option>
      </select>
      <Cell
        number
        label={`Lowest dropped of ${one.name}`}
        value={one.dropLowest}
        wrong={at('dropLowest')}
        onChange={(text) => change({ dropLowest: whole(text) })}
      />
      <Cell
        number
        label={`Highest dropped of ${one.name}`}
        value={one.dropHighest}
        wrong={at('dropHighest')}
        onChange={(text) => change({ dropHighest: whole(text) })}
      />
      <input
        type="checkbox"
        aria-label={`${one.name} is extra credit`}
        checked={one.extra}
        onChange={(event) => change({ extra: event.target.checked })}
        className="size-4 justify-self-center accent-(--ink)"
      />
    </>
  );
}

function Categories({ grade, set, fault, course }: RowsProps & { course: Course }) {
  const { board } = useStudent();
  const list = grade.categories;
  const used = board.works
    .filter((work) => work.courseId === course.id && work.category && work.kind !== 'PRACTICE')
    .map((work) => work.category ?? '');
  const missing = [...new Set(used)].filter((name) => !list.some((one) => one.name === name));
  const change = (i: number, part: Partial<Category>) => set({ categories: replaced(list, i, part) });
  const at = (i: number, field: string) => fault(`grade.categories[${i}].${field}`);
  const add = () =>
    set({
      categories: [
        ...list,
        { name: missing[0] ?? '', weight: '10', by: 'POINTS', dropLowest: 0, dropHighest: 0, extra: false },
      ],
    });
  return (
    <>
      <Grid
        tracks="minmax(128px,1fr) 60px 132px 84px 86px 44px"
        heads={['Category', 'Weight', 'Percent by', 'Drop lowest', 'Drop highest', 'Extra']}
        onAdd={add}
        addWords={missing[0] ? `Add ${missing[0]}` : 'Add a category'}
        onRemove={(i) => set({ categories: without(list, i) })}
        fault={faultIn(fault, 'grade.categories', list.length, [
          'name',
          'weight',
          'dropLowest',
          'dropHighest',
        ])}
        rows={list.map((one, i) => (
          <CategoryRow
            // biome-ignore lint/suspicious/noArrayIndexKey: a row is told apart by its place; its name is being typed
            key={i}
            one={one}
            label={`Category ${i + 1}`}
            at={(field) => at(i, field)}
            change={(part) => change(i, part)}
          />
        ))}
      />
      {list.length > 0 && <WeightSum list={list} />}
    </>
  );
}

const A_HUNDRED = 100;

/** What the weights add up to, while one types. Others than 100 are right, too: they count in proportion. */
function WeightSum({ list }: { list: Grade['categories'] }) {
  const sum = list.reduce((all, one) => all + (one.extra ? 0 : Number(one.weight) || 0), 0);
  const shown = Math.round(sum * A_HUNDRED) / A_HUNDRED;
  return (
    <p className="-mt-2 text-[14px] text-ink-2" aria-live="polite">
      The weights add up to <b className={shown === A_HUNDRED ? '' : 'text-loss'}>{shown}</b>
      {shown === A_HUNDRED ? '.' : ', not to 100: each counts in proportion.'}
    </p>
  );
}

function Standards({ grade, set, fault }: RowsProps) {
  const list = grade.standards;
  const change = (i: number, part: Partial<Grade['standards'][number]>) =>
    set({ standards: replaced(list, i, part) });
  return (
    <>
      <Grid
        tracks="minmax(110px,1fr) minmax(120px,220px)"
        heads={['Standard', 'Its rating is']}
        onAdd={() => set({ standards: [...list, { name: '', method: 'LATEST' }] })}
        addWords="Add a standard"
        onRemove={(i) => set({ standards: without(list, i) })}
        fault={faultIn(fault, 'grade.standards', list.length, ['name'])}
        rows={list.map((one, i) => (
          <>
            <Cell
              label={`Standard ${i + 1}`}
              value={one.name}
              wrong={fault(`grade.standards[${i}].name`)}
              onChange={(name) => change(i, { name })}
            />
            <select
              aria-label={`How ${one.name} is rated`}
              value={one.method}
              onChange={(event) => change(i, { method: event.target.value as typeof one.method })}
              className={BOX}
            >
              {Object.entries(METHODS).map(([method, words]) => (
                <option key={method} value={method}>
                  {words}
                </option>
              ))}
            </select>
          </>
        ))}
      />
      <label className="flex flex-wrap items-center gap-2 text-[14px]">
        No standard may be below
        <input
          inputMode="decimal"
          value={grade.noneBelow ?? ''}
          onChange={(event) => set({ noneBelow: decimal(event.target.value) })}
          className={`${BOX} !w-16 text-right`}
        />
        <span className="text-ink-2">for a pass; empty: no such rule</span>
        {fault('grade.noneBelow') && <b className="text-[13px] text-loss">{fault('grade.noneBelow')}</b>}
      </label>
    </>
  );
}

function Thresholds({ grade, set, fault, course }: RowsProps & { course: Course }) {
  const { board } = useStudent();
  const works = board.works.filter((work) => work.courseId === course.id && work.score.possible !== '0');
  const list = grade.thresholds;
  const change = (i: number, part: Partial<Grade['thresholds'][number]>) =>
    set({ thresholds: replaced(list, i, part) });
  return (
    <Grid
      tracks="minmax(140px,1fr) 72px"
      heads={['Piece of work', 'Percent']}
      onAdd={() => set({ thresholds: [...list, { work: works[0]?.id ?? 0, percent: '60' }] })}
      addWords="Add a piece of work with its percent"
      onRemove={(i) => set({ thresholds: without(list, i) })}
      fault={faultIn(fault, 'grade.thresholds', list.length, ['work', 'percent'])}
      rows={list.map((one, i) => (
        <>
          <select
            aria-label={`Piece of work ${i + 1}`}
            value={one.work}
            onChange={(event) => change(i, { work: Number(event.target.value) })}
            className={BOX}
          >
            {works.map((work) => (
              <option key={work.id} value={work.id}>
                {work.title}
              </option>
            ))}
          </select>
          <Cell
            number
            label={`Percent of row ${i + 1}`}
            value={one.percent}
            wrong={fault(`grade.thresholds[${i}].percent`)}
            onChange={(percent) => change(i, { percent })}
          />
        </>
      ))}
    />
  );
}

export { GradePart };
