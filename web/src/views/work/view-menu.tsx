import { ChevronDown } from 'lucide-react';
import { useState } from 'react';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { Menu, MenuCheck, MenuItem } from '../../ui/menu';
import { CoursesDialog } from './courses-dialog';
import { tableUrl } from './model';

interface ViewMenuProps {
  /** Classes of the button. */
  chip: string;
  /** The rows as they are narrowed and sorted. */
  shown: readonly Work[];
  /** Whether several rows are being chosen. */
  choosing: boolean;
  onChoosing: (on: boolean) => void;
  onScoring: () => void;
  onColumns: () => void;
}

/** What is done to the table itself. */
function ViewMenu({ chip, shown, choosing, onChoosing, onScoring, onColumns }: ViewMenuProps) {
  const { id, mayWrite } = useStudent();
  const [arranging, setArranging] = useState(false);
  return (
    <>
      <Menu
        align="end"
        trigger={
          <button type="button" data-on={choosing} className={chip}>
            Table
            <ChevronDown size={13} aria-hidden />
          </button>
        }
      >
        {mayWrite && (
          <MenuCheck checked={choosing} onChange={onChoosing}>
            Choose several rows
          </MenuCheck>
        )}
        {mayWrite && <MenuItem onSelect={onScoring}>Write down scores</MenuItem>}
        <MenuItem onSelect={onColumns}>Columns</MenuItem>
        <MenuItem onSelect={() => setTimeout(() => window.print())}>Print these {shown.length}</MenuItem>
        <MenuItem onSelect={() => window.location.assign(tableUrl(id, shown))}>
          Take these {shown.length} as a CSV table
        </MenuItem>
        {mayWrite && <MenuItem onSelect={() => setArranging(true)}>Order and colours of courses</MenuItem>}
      </Menu>
      <CoursesDialog open={arranging} onClose={() => setArranging(false)} />
    </>
  );
}

export { ViewMenu };
