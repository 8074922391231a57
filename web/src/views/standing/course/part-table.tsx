import clsx from 'clsx';
import { memo } from 'react';
import { Link } from 'react-router';
import { useStudent } from '../../../frame/student';
import { useNow } from '../../../lib/now';
import { moment, near } from '../../../lib/time';
import { type Changing, ItemMenu } from './item-menu';
import {
  type Change,
  changeOf,
  type Grade,
  type Item,
  itemsOf,
  type Part,
  plain,
  sumWords,
  type Term,
  termOf,
  titleOf,
  type WhatIf,
} from './model';

const COLUMNS =
  'grid grid-cols-[minmax(0,1fr)_136px_96px_84px_28px] items-center gap-x-3 max-sm:grid-cols-[minmax(0,1fr)_126px_28px]';

function ColumnHeads() {
  return (
    <p aria-hidden className={clsx(COLUMNS, 'text-[13px] text-ink-2 max-sm:hidden')}>
      <span />
      <span className="pr-[58px] text-right">score</span>
      <span className="text-right">of the class</span>
      <span className="text-right">worth</span>
      <span />
    </p>
  );
}

interface PartTableProps {
  part: Part;
  grade: Grade;
  whatIf: WhatIf;
  onChange: Changing;
  byStandards: boolean;
}

/** A category or a standard: what it comes to, and every piece of work in it, its score open to be changed. */
function PartTable({ part, grade, whatIf, onChange, byStandards }: PartTableProps) {
  const { work } = useStudent();
  const items = itemsOf(grade, part);
  const dropped = part.terms.filter((term) => term.dropped).length;
  return (
    <section
      aria-label={part.name || 'All work'}
      className="mb-5 [contain-intrinsic-size:auto_300px] [content-visibility:auto] print:mb-1.5 print:[content-visibility:visible]"
    >
      <h2 className="flex flex-wrap items-baseline gap-x-3 border-line border-b pb-1">
        <span className="font-[680] text-[16px]">{part.name || 'All work'}</span>
        {part.weight !== null && (
          <span className="text-[14px] text-ink-2">{plain(part.weight)} % of the course</span>
        )}
        <span className="text-[14px] text-ink-2">
          {sumWords(part)}
          {dropped > 0 && `, ${dropped} ${byStandards ? 'beaten by better' : 'dropped'}`}
          {!part.only && ', another drop would do as well'}
        </span>
        <b className="ml-auto font-[680]">
          {part.figure === null ? '—' : `${plain(part.figure)}${byStandards ? ' of 4' : ' %'}`}
        </b>
      </h2>
      {items.length === 0 && (
        <p className="py-2 text-[14px] text-ink-2">
          {byStandards ? 'No work is evidence of it yet.' : 'There is no work in it yet.'}
        </p>
      )}
      <ul>
        {items.map((item) => (
          <ItemRow
            key={item.work}
            item={item}
            title={titleOf(item, whatIf.added, work)}
            term={termOf(part, item)}
            change={changeOf(whatIf, Number(item.work))}
            onChange={onChange}
          />
        ))}
      </ul>
    </section>
  );
}

interface NowhereProps {
  items: readonly Item[];
  whatIf: WhatIf;
  byStandards: boolean;
}

/** What would count if it said where. */
function Nowhere({ items, whatIf, byStandards }: NowhereProps) {
  const { id, work } = useStudent();
  if (items.length === 0) return null;
  return (
    <section aria-labelledby="nowhere" className="mb-5">
      <h2 id="nowhere" className="border-line border-b pb-1 font-[680] text-[16px]">
        Counts nowhere
      </h2>
      <p className="py-1.5 text-[14px] text-ink-2">
        {items.length === 1 ? 'One piece of work names' : `${items.length} pieces of work name`} no{' '}
        {byStandards ? 'standard' : 'category'} of this course. Open one and press Change, or choose several
        in the list of work.
      </p>
      <ul className="text-[14px]">
        {items.map((item) => (
          <li key={item.work} className="border-line-2 border-b py-1">
            {work(Number(item.work)) ? (
              <Link to={`/s/${id}/work/${item.work}`} className="hover:underline">
                {titleOf(item, whatIf.added, work)}
              </Link>
            ) : (
              titleOf(item, whatIf.added, work)
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface ItemRowProps {
  item: Item;
  title: string;
  term: Term | undefined;
  change: Change | undefined;
  onChange: Changing;
}

/** Rows come anew with every answer; those that say the same stay as they are drawn. */
function saysTheSame(before: ItemRowProps, now: ItemRowProps): boolean {
  return (
    before.onChange === now.onChange &&
    before.title === now.title &&
    before.change === now.change &&
    JSON.stringify([before.item, before.term]) === JSON.stringify([now.item, now.term])
  );
}

const ItemRow = memo(function ItemRow({ item, title, term, change, onChange }: ItemRowProps) {
  const { id, work, zone } = useStudent();
  const now = useNow();
  const piece = work(Number(item.work));
  return (
    <li
      data-item={item.work}
      className={clsx(
        COLUMNS,
        'border-line-2 border-b py-1',
        change && 'bg-wait-soft',
        !piece && 'bg-wait-soft',
      )}
    >
      <span className="min-w-0">
        {piece ? (
          <Link to={`/s/${id}/work/${piece.id}`} className="block truncate hover:underline print:inline">
            {title}
          </Link>
        ) : (
          <span className="block truncate print:inline">{title}</span>
        )}
        <span className="block truncate text-[13px] text-ink-2 print:ml-2 print:inline print:text-[10px]">
          {change && <b className="font-semibold text-wait">not real{changeWords(change, zone)}. </b>}
          {!piece && <b className="font-semibold text-wait">added, not real. </b>}
          {countsWords(item, term, (at) => near(at, zone, now), piece?.due ?? null)}
          {piece?.score.raw && !change && (
            <span className="text-loss">; {plain(piece.score.raw)} before the late penalty</span>
          )}
        </span>
      </span>
      {piece ? (
        <ScoreBox item={item} title={title} change={change} onChange={onChange} />
      ) : (
        <span className="text-right">
          {item.score && plain(item.score)} of {plain(item.possible)}
        </span>
      )}
      <span className="text-right text-[14px] text-ink-2 max-sm:hidden print:whitespace-nowrap print:text-[10px]">
        {item.classFigures?.mean && `mean ${plain(item.classFigures.mean)}`}
        {item.classFigures?.lowest && item.classFigures.highest && (
          <span className="block text-[12.5px] print:inline print:text-[10px]">
            {' '}
            {plain(item.classFigures.lowest)} to {plain(item.classFigures.highest)}
          </span>
        )}
      </span>
      <span className="text-right text-[14px] max-sm:hidden" title="What it is worth to the course">
        {piece?.impact && Number(piece.impact) !== 0 ? `±${plain(piece.impact)}` : ''}
      </span>
      {piece ? <ItemMenu work={piece.id} title={title} onChange={onChange} /> : <span />}
    </li>
  );
}, saysTheSame);

function changeWords(change: Change, zone: string): string {
  if (change.excused) return ', as if excused';
  return change.handedIn ? `, as if handed in ${moment(change.handedIn, zone)}` : '';
}

/** How a piece of work counts in the reading: dropped, with so much, or not and why not. */
function countsWords(
  item: Item,
  term: Term | undefined,
  when: (at: string) => string,
  due: string | null,
): string {
  const extra = `${missingWords(item, when)}${item.extra ? 'extra credit; ' : ''}`;
  if (term?.dropped) return `${extra}dropped here`;
  if (term) {
    const scored = item.score !== null && item.score === term.earned;
    return scored
      ? `${extra}counts`
      : `${extra}counted with ${plain(term.earned)} of ${plain(term.possible)}`;
  }
  if (isOfNothing(item)) return `${extra}nobody has said what it is worth${due ? `, due ${when(due)}` : ''}`;
  if (item.score === null) return `${extra}no score yet${due ? `, due ${when(due)}` : ''}; not counted here`;
  return `${extra}not counted here`;
}

/** Whether nobody has said of how many points it is; extra credit is of none. */
function isOfNothing(item: Item): boolean {
  return item.score === null && !item.extra && Number(item.possible) === 0;
}

/** Of what is missing, until when it is still taken. */
function missingWords({ missing, taken, takenUntil }: Item, when: (at: string) => string): string {
  if (!missing) return '';
  if (!taken) return 'missing, and no longer taken; ';
  return takenUntil ? `missing, taken until ${when(takenUntil)}; ` : 'missing, and still taken; ';
}

type ScoreBoxProps = Pick<ItemRowProps, 'item' | 'title' | 'change' | 'onChange'>;

/** The score, open to be changed: every reading follows as one types, and nothing is saved. */
function ScoreBox({ item, title, change, onChange }: ScoreBoxProps) {
  const { mayWrite } = useStudent();
  const real = change ? null : item.score;
  const type = (text: string) => {
    const points = text.trim().replace(',', '.');
    onChange(Number(item.work), { points: points === '' ? null : points });
  };
  if (!mayWrite) {
    return (
      <span className="text-right">
        {isOfNothing(item) ? '' : `${item.score ? plain(item.score) : '—'} of ${plain(item.possible)}`}
      </span>
    );
  }
  return (
    <span className="flex items-center justify-end gap-1.5">
      <input
        aria-label={`Score of ${title}, if`}
        inputMode="decimal"
        placeholder={
          item.score
            ? plain(item.score)
            : item.counts && !isOfNothing(item)
              ? `${Number(item.expected).toFixed(1)}?`
              : ''
        }
        value={change?.points ?? (real ? plain(real) : '')}
        onChange={(event) => type(event.target.value)}
        className={clsx(
          'h-8 w-[64px] rounded border bg-paper px-1.5 text-right text-[15px] placeholder:text-ink-3 print:h-auto print:border-0 print:text-[11px]',
          change?.points != null ? 'border-wait border-dashed font-semibold text-wait' : 'border-line',
        )}
      />
      <span className="w-[52px] text-[14px] text-ink-2">
        {isOfNothing(item) ? '' : `of ${plain(item.possible)}`}
      </span>
    </span>
  );
}

export { ColumnHeads, Nowhere, PartTable };
