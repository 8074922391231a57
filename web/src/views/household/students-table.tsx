import { ChevronDown, ChevronUp } from 'lucide-react';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { useAddress } from '../../lib/address';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { count } from '../../lib/words';
import { Choice } from '../../ui/choice';
import { CourseMark } from '../../ui/course-mark';
import { TextField } from '../../ui/field';
import {
  atStakeWords,
  expectedWords,
  figuresOf,
  groupsOf,
  headline,
  type Looking,
  lookAt,
  type Order,
  type Row,
  readLooking,
  type Span,
  weakest,
  writeLooking,
} from './model';
import { OwnWords } from './own-words';
import { Courses, Dates } from './row-parts';

interface Column {
  order: Order;
  head: string;
  /** Read out, where the head alone says too little. */
  about?: string;
  /** Not on a phone: it stands in the row when that is unfolded. */
  wide?: boolean;
}

const WORDS: readonly Column[] = [
  { order: 'name', head: 'Student' },
  { order: 'need', head: 'about to be lost', about: 'about to be lost, within three days' },
  { order: 'weakest', head: 'weakest course', about: 'the course of which least is expected', wide: true },
];

const FIGURES: readonly Column[] = [
  { order: 'savable', head: 'missing, can be had', about: 'missing, can still be had' },
  { order: 'closed', head: 'missing, closed', wide: true },
  { order: 'listed', head: 'in, yet listed missing', about: 'handed in, yet listed missing', wide: true },
  { order: 'back', head: 'sent back', about: 'sent back or asked for more' },
  { order: 'long', head: 'with teacher long', about: 'with the teacher longer than usual', wide: true },
  { order: 'fresh', head: 'new to you', wide: true },
];

/** More than fit any screen: those are painted first, the rest right after. */
const FIRST = 40;

/** Many students: narrowed, ordered, each unfolded where they stand. */
function StudentsTable({ students, span }: { students: readonly Row[]; span: Span }) {
  const [params, setParams] = useAddress();
  const looking = readLooking(params);
  const look = (change: Partial<Looking>) =>
    setParams(
      (now) => {
        writeLooking(now, { ...readLooking(now), ...change });
        return now;
      },
      { replace: true },
    );
  const shown = lookAt(students, looking);
  const drawn = useDeferredValue(shown.length, FIRST);
  const order = (by: Order) => look({ order: by, turned: looking.order === by && !looking.turned });
  return (
    <>
      <Narrowing students={students} shown={shown} looking={looking} onLook={look} span={span} />
      <table className="w-full border-line border-t text-[14px] md:table-fixed">
        <colgroup className="max-md:hidden">
          <col className="w-[21%]" />
          <col className="w-[25%]" />
          <col className="w-[16%]" />
          {FIGURES.map((column) => (
            <col key={column.order} />
          ))}
          <col className="w-10" />
        </colgroup>
        <thead>
          <tr className="text-left align-bottom text-[13px] text-ink-2">
            {WORDS.map((column) => (
              <Head key={column.order} column={column} looking={looking} onOrder={order} words />
            ))}
            {FIGURES.map((column) => (
              <Head key={column.order} column={column} looking={looking} onOrder={order} />
            ))}
            <th className="py-2">
              <span className="sr-only">Unfold</span>
            </th>
          </tr>
        </thead>
        {shown.slice(0, drawn).map((row) => (
          <StudentRows key={row.id} row={row} />
        ))}
      </table>
      {shown.length === 0 && <p className="border-line border-t py-4">Nobody is so.</p>}
    </>
  );
}

interface NarrowingProps {
  students: readonly Row[];
  shown: readonly Row[];
  looking: Looking;
  onLook: (change: Partial<Looking>) => void;
  span: Span;
}

function Narrowing({ students, shown, looking, onLook, span }: NarrowingProps) {
  const groups = groupsOf(students);
  const options: (readonly [string, string])[] = [
    ['all', 'Everybody'],
    ...groups.map((name) => [`in ${name}`, name] as const),
    ...(students.some((row) => row.own.groups.length === 0) ? [['in ', 'In no group'] as const] : []),
  ];
  return (
    <div className="mb-3 flex flex-wrap items-end gap-x-5 gap-y-2">
      <div className="w-56 max-sm:w-full">
        <TextField
          label="Narrow by name, group or note"
          type="search"
          className="h-8"
          value={looking.text}
          onChange={(event) => onLook({ text: event.target.value })}
        />
      </div>
      {groups.length > 0 && (
        <Choice
          label="Group"
          value={looking.group === null ? 'all' : `in ${looking.group}`}
          options={options}
          onChange={(chosen) => onLook({ group: chosen === 'all' ? null : chosen.slice(3) })}
        />
      )}
      <p role="status" className="ml-auto py-1.5 text-[14px] text-ink-2">
        {shown.length < students.length
          ? `${shown.length} of ${count(students.length, 'student')}`
          : count(students.length, 'student')}
        {' · '}
        <a
          className="underline underline-offset-2"
          download
          href={`/api/household/students.csv?span=${span}&students=${shown.map((row) => row.id).join(',')}`}
        >
          as a table (CSV)
        </a>
      </p>
    </div>
  );
}

interface HeadProps {
  column: Column;
  looking: Looking;
  onOrder: (order: Order) => void;
  /** Whether what stands under it is words. */
  words?: boolean;
}

function Head({ column, looking, onOrder, words = false }: HeadProps) {
  const here = looking.order === column.order;
  const upward = column.order === 'name' || column.order === 'weakest';
  const usual = upward ? 'ascending' : 'descending';
  const other = upward ? 'descending' : 'ascending';
  const Arrow = (usual === 'ascending') === looking.turned ? ChevronDown : ChevronUp;
  return (
    <th
      scope="col"
      aria-sort={here ? (looking.turned ? other : usual) : undefined}
      data-wide={column.wide}
      className={`py-1.5 font-normal leading-tight data-[wide=true]:max-md:hidden ${words ? 'pr-3' : 'pl-3 text-right'}`}
    >
      <button
        type="button"
        onClick={() => onOrder(column.order)}
        title={column.about}
        className={`inline-flex min-h-7 items-end gap-0.5 text-[13px] hover:text-ink ${words ? 'text-left' : 'text-right'} ${here ? 'font-semibold text-ink' : ''}`}
      >
        <span>
          <span className="sr-only">Order by: </span>
          {column.head}
        </span>
        {here && <Arrow size={13} className="shrink-0" aria-hidden />}
      </button>
    </th>
  );
}

/** A student's line, and what it unfolds to. */
function StudentRows({ row }: { row: Row }) {
  const [open, setOpen] = useState(false);
  const now = useNow();
  const figures = new Map(figuresOf(row).map((figure) => [figure.key, figure]));
  return (
    <tbody data-student={row.id} className="border-line-2 border-t">
      <tr className="align-baseline">
        <th scope="row" className="max-w-0 py-1.5 pr-3 text-left font-normal max-md:w-full">
          <Link to={`/s/${row.id}/next`} className="block truncate font-[680] text-[15px] hover:underline">
            {row.name}
          </Link>
          <span className="block truncate text-[13px] text-ink-2">
            {[row.own.groups.join(', '), row.own.note.split('\n')[0]].filter(Boolean).join(' · ') || row.term}
          </span>
        </th>
        <td className="max-w-0 py-1.5 pr-3 max-md:max-w-none">
          <AtStake row={row} now={now} />
        </td>
        <td className="max-w-0 py-1.5 pr-3 max-md:hidden">
          <Weakest row={row} />
        </td>
        {FIGURES.map((column) => (
          <td
            key={column.order}
            data-wide={column.wide}
            className="py-1.5 pl-3 text-right tabular-nums data-[wide=true]:max-md:hidden"
          >
            <Figure row={row} column={column} figure={figures.get(column.order)} />
          </td>
        ))}
        <td className="py-1 pl-2 text-right">
          <button
            type="button"
            aria-expanded={open}
            aria-label={`${row.name}: courses, dates and your note`}
            onClick={() => setOpen(!open)}
            className="grid size-7 place-items-center rounded hover:bg-line-2"
          >
            {open ? <ChevronUp size={16} aria-hidden /> : <ChevronDown size={16} aria-hidden />}
          </button>
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={WORDS.length + FIGURES.length + 1} className="pb-4">
            <Unfolded row={row} now={now} />
          </td>
        </tr>
      )}
    </tbody>
  );
}

/** What waiting three days costs, and the first of it. */
function AtStake({ row, now }: { row: Row; now: number }) {
  const words = atStakeWords(row);
  if (!words || !row.nextLoss) return <span className="text-ink-3">–</span>;
  return (
    <Link to={`/s/${row.id}/work/${row.nextLoss.work}`} className="group block">
      <b className="block font-[680] text-[15px] text-loss tabular-nums group-hover:underline">
        {words.replace(' of a course', '')}
      </b>
      <span className="block truncate text-[13px] text-ink-2 max-sm:hidden">
        {near(row.nextLoss.at, row.zone, now)}: {row.nextLoss.title}
      </span>
    </Link>
  );
}

function Weakest({ row }: { row: Row }) {
  const course = weakest(row);
  if (!course) return <span className="text-ink-3">–</span>;
  return (
    <Link to={`/s/${row.id}/standing/${course.id}`} className="group block">
      <span
        data-below={course.belowAim}
        className="block text-[15px] tabular-nums group-hover:underline data-[below=true]:text-loss"
      >
        {expectedWords(course)}
      </span>
      <span className="flex items-center gap-1.5 text-[13px] text-ink-2">
        <CourseMark colour={course.colour} className="h-3" />
        <span className="truncate">{course.name}</span>
      </span>
    </Link>
  );
}

interface FigureProps {
  row: Row;
  column: Column;
  figure: { count: number; to: string; hot: boolean } | undefined;
}

function Figure({ row, column, figure }: FigureProps) {
  const counted = figure?.count ?? row.fresh;
  const to = figure?.to ?? 'next';
  if (counted === 0) return <span className="text-ink-3">0</span>;
  return (
    <Link
      to={`/s/${row.id}/${to}`}
      data-hot={figure?.hot}
      className="inline-block min-h-6 min-w-6 font-[680] text-[15px] hover:underline data-[hot=true]:text-loss"
    >
      {counted}
      <span className="sr-only">
        {' '}
        {column.about ?? column.head}, of {row.name}
      </span>
    </Link>
  );
}

function Unfolded({ row, now }: { row: Row; now: number }) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,320px)] gap-x-8 gap-y-3 max-md:grid-cols-1">
      <div className="min-w-0">
        <p className="text-[15px]">
          {headline(row, now)}{' '}
          <Link to={`/s/${row.id}/sheet`} className="whitespace-nowrap underline underline-offset-2">
            Meeting sheet<span className="sr-only"> for {row.name}</span>
          </Link>
        </p>
        <Dates row={row} />
        <OwnWords row={row} />
      </div>
      <Courses row={row} />
    </div>
  );
}

export { StudentsTable };
