import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { useAddress } from '../../lib/address';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { count } from '../../lib/words';
import { Choice } from '../../ui/choice';
import { TextField } from '../../ui/field';
import {
  atStakeWords,
  belowAim,
  figuresOf,
  groupsOf,
  headline,
  type Looking,
  lookAt,
  type Order,
  type Row,
  readLooking,
  type Span,
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

const FIGURES: readonly Column[] = [
  { order: 'savable', head: 'can be had', about: 'missing, can still be had' },
  { order: 'closed', head: 'closed', about: 'missing, closed', wide: true },
  { order: 'listed', head: 'listed', about: 'handed in, yet listed missing', wide: true },
  { order: 'back', head: 'back', about: 'sent back or asked for more' },
  { order: 'long', head: 'waits', about: 'with the teacher longer than usual', wide: true },
  { order: 'below', head: 'below aim', about: 'courses below their aim', wide: true },
  { order: 'fresh', head: 'new', about: 'new to you', wide: true },
];

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
  const order = (by: Order) => look({ order: by, turned: looking.order === by && !looking.turned });
  return (
    <>
      <Narrowing students={students} shown={shown} looking={looking} onLook={look} span={span} />
      <table className="w-full border-line border-t text-[14px]">
        <thead>
          <tr className="text-left align-bottom text-[13px] text-ink-2">
            <Head column={{ order: 'name', head: 'Student' }} looking={looking} onOrder={order} wide />
            <Head
              column={{
                order: 'need',
                head: 'about to be lost',
                about: 'about to be lost, within three days',
              }}
              looking={looking}
              onOrder={order}
            />
            {FIGURES.map((column) => (
              <Head key={column.order} column={column} looking={looking} onOrder={order} />
            ))}
            <th className="py-2">
              <span className="sr-only">Unfold</span>
            </th>
          </tr>
        </thead>
        {shown.map((row) => (
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
  wide?: boolean;
}

function Head({ column, looking, onOrder, wide = false }: HeadProps) {
  const here = looking.order === column.order;
  const usual = column.order === 'name' ? 'ascending' : 'descending';
  const other = column.order === 'name' ? 'descending' : 'ascending';
  const Arrow = (usual === 'ascending') === looking.turned ? ChevronDown : ChevronUp;
  return (
    <th
      scope="col"
      aria-sort={here ? (looking.turned ? other : usual) : undefined}
      data-wide={column.wide}
      className={`py-1.5 font-normal data-[wide=true]:max-md:hidden ${wide ? 'w-full pr-3' : 'px-2 text-right'}`}
    >
      <button
        type="button"
        onClick={() => onOrder(column.order)}
        aria-label={`Order by: ${column.about ?? column.head}`}
        title={column.about}
        className={`inline-flex min-h-7 items-center gap-0.5 whitespace-nowrap hover:text-ink ${here ? 'font-semibold text-ink' : ''}`}
      >
        {column.head}
        {here && <Arrow size={13} aria-hidden />}
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
        <th scope="row" className="max-w-0 py-1.5 pr-3 text-left font-normal">
          <Link to={`/s/${row.id}/next`} className="block truncate font-[680] text-[15px] hover:underline">
            {row.name}
          </Link>
          <span className="block truncate text-[13px] text-ink-2">
            {[row.own.groups.join(', '), row.own.note.split('\n')[0]].filter(Boolean).join(' · ') || row.term}
          </span>
        </th>
        <td className="whitespace-nowrap px-2 py-1.5 text-right tabular-nums">
          <AtStake row={row} now={now} />
        </td>
        {FIGURES.map((column) => (
          <td
            key={column.order}
            data-wide={column.wide}
            className="px-2 py-1.5 text-right tabular-nums data-[wide=true]:max-md:hidden"
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
          <td colSpan={FIGURES.length + 3} className="pb-4">
            <Unfolded row={row} now={now} />
          </td>
        </tr>
      )}
    </tbody>
  );
}

/** What waiting three days costs, and when the first of it is lost. */
function AtStake({ row, now }: { row: Row; now: number }) {
  const words = atStakeWords(row);
  if (!words || !row.nextLoss) return <span className="text-ink-3">–</span>;
  return (
    <Link to={`/s/${row.id}/work/${row.nextLoss.work}`} className="group" title={row.nextLoss.title}>
      <b className="block font-[680] text-loss group-hover:underline">{words.replace(' of a course', '')}</b>
      <span className="block text-[13px] text-ink-2 max-sm:hidden">
        {near(row.nextLoss.at, row.zone, now)}
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
  const counted = figure?.count ?? (column.order === 'below' ? belowAim(row) : row.fresh);
  const to = figure?.to ?? (column.order === 'below' ? 'standing' : 'next');
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
        {column.about}, of {row.name}
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
