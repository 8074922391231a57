import clsx from 'clsx';
import { useAddress } from '../lib/address';
import { useStudent } from './student';

interface SetLinkProps {
  /** The dialog that it opens over whatever is on screen. */
  set: 'hours' | 'goals';
  children: string;
  className?: string;
}

/** The way to what a student sets for itself, in the words that fit where it stands. */
function SetLink({ set, children, className }: SetLinkProps) {
  const { mayWrite } = useStudent();
  const [, setParams] = useAddress();
  if (!mayWrite) return null;
  const open = () =>
    setParams((before) => {
      before.set('set', set);
      return before;
    });
  return (
    <button
      type="button"
      onClick={open}
      className={clsx('min-h-6 underline underline-offset-2 hover:text-ink', className)}
    >
      {children}
    </button>
  );
}

export { SetLink };
