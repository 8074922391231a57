import clsx from 'clsx';
import { ChevronDown, Plus } from 'lucide-react';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { GROUPINGS, type Grouping, SORTS, type SortKey } from '../../lib/narrow';
import { Menu, MenuCheck, MenuChoice, MenuItem, MenuLabel, MenuRule, MenuSub } from '../../ui/menu';
import { CHIP, type ChipProps, NarrowChips, ShownCount } from './narrow-chips';
import { ViewMenu } from './view-menu';

const GROUP_WORDS: Record<Grouping, string> = {
  move: 'By move',
  course: 'By course',
  unit: 'By unit',
  due: 'By due',
  state: 'By state',
  kind: 'By kind',
};

const SORT_WORDS: Record<SortKey, string> = {
  due: 'Due',
  place: 'Order in the course',
  title: 'Title',
  points: 'Points',
  impact: 'Impact on the course',
  loss: 'Next loss',
  effort: 'Effort',
  kind: 'Kind',
  state: 'State',
};

interface NarrowBarProps extends ChipProps {
  shown: readonly Work[];
  /** Whether several rows are being chosen. */
  choosing: boolean;
  onChoosing: (on: boolean) => void;
  onScoring: () => void;
  onColumns: () => void;
}

/** How many are shown of how many, how they are grouped, and what they are narrowed to. */
function NarrowBar({ shown, narrowing, change, choosing, onChoosing, onScoring, onColumns }: NarrowBarProps) {
  const { mayWrite } = useStudent();
  return (
    <div className="@container shrink-0 no-print border-line border-b">
      <div className="flex flex-wrap items-center gap-x-1.5 gap-y-2 px-5 py-2.5 text-[14px] max-sm:px-3">
        <ShownCount shown={shown} narrowing={narrowing} />
        <GroupChip narrowing={narrowing} change={change} />
        <NarrowChips narrowing={narrowing} change={change} />
        <span className="ml-auto flex gap-1.5">
          <ViewMenu
            chip={CHIP}
            shown={shown}
            choosing={choosing}
            onChoosing={onChoosing}
            onScoring={onScoring}
            onColumns={onColumns}
          />
          {mayWrite && <AddMenu />}
        </span>
      </div>
    </div>
  );
}

/** How the rows are grouped, and in which order they stand in each group. */
function GroupChip({ narrowing, change }: ChipProps) {
  const { by, sort } = narrowing;
  return (
    <Menu
      trigger={
        <button type="button" data-on={by !== 'move' || sort !== null} className={clsx(CHIP, 'mr-2')}>
          {GROUP_WORDS[by]}
          {sort && `, ${SORT_WORDS[sort.key].toLowerCase()} ${sort.down ? '↓' : '↑'}`}
          <ChevronDown size={13} aria-hidden />
        </button>
      }
    >
      <MenuLabel>Grouped</MenuLabel>
      <MenuChoice
        value={by}
        onChange={(next) => change({ by: next as Grouping })}
        choices={GROUPINGS.map((one) => [one, GROUP_WORDS[one]] as const)}
      />
      <MenuRule />
      <MenuSub label={sort ? `Sorted by ${SORT_WORDS[sort.key].toLowerCase()}` : 'Sorted as helps most'}>
        <MenuChoice
          value={sort?.key ?? ''}
          onChange={(key) => change({ sort: key ? { key: key as SortKey, down: false } : null })}
          choices={[['', 'As helps most'], ...SORTS.map((key) => [key, SORT_WORDS[key]] as const)]}
        />
        <MenuRule />
        <MenuCheck
          checked={sort?.down ?? false}
          onChange={(down) => sort && change({ sort: { ...sort, down } })}
        >
          Largest or last first
        </MenuCheck>
      </MenuSub>
    </Menu>
  );
}

function AddMenu() {
  const [, setParams] = useAddress();
  const add = (what: string) =>
    setParams((before) => {
      before.set('add', what);
      return before;
    });
  return (
    <Menu
      align="end"
      trigger={
        <button type="button" className={CHIP}>
          <Plus size={14} aria-hidden /> Add
        </button>
      }
    >
      <MenuItem onSelect={() => add('line')}>Work, in one line</MenuItem>
      <MenuItem onSelect={() => add('work')}>A piece of work</MenuItem>
      <MenuItem onSelect={() => add('course')}>A course</MenuItem>
    </Menu>
  );
}

export { NarrowBar };
