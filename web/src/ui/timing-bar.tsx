import clsx from 'clsx';
import { barShare, type Countdown } from '../lib/words';

/** In the table of work with a piece open beside it, the bar lies at the foot of its row. */
const UNDER_THE_WORDS =
  'group-data-[tight=true]/work:relative group-data-[tight=true]/work:h-full group-data-[tight=true]/work:w-full';
const BAR_UNDER_THEM =
  'group-data-[tight=true]/work:absolute group-data-[tight=true]/work:bottom-[2px] group-data-[tight=true]/work:h-[3px] group-data-[tight=true]/work:w-full';

/** A bar that shrinks toward the next loss, with the countdown in words beside or under it. */
function TimingBar({ countdown, stacked = false }: { countdown: Countdown; stacked?: boolean }) {
  return (
    <span
      data-hot={countdown.hot}
      className={clsx(
        'flex min-w-0 gap-x-2 text-ink-2 data-[hot=true]:font-semibold data-[hot=true]:text-loss',
        stacked ? 'flex-col gap-y-1' : `items-center ${UNDER_THE_WORDS}`,
      )}
    >
      {countdown.minutes !== null && (
        <span
          aria-hidden
          className={clsx(
            'shrink-0 bg-line-2',
            stacked ? 'h-[5px] w-full' : `h-[5px] w-12 max-sm:w-6 ${BAR_UNDER_THEM}`,
          )}
        >
          <span
            className={clsx('block h-full', countdown.hot ? 'bg-loss' : 'bg-yours')}
            style={{ width: `${barShare(countdown.minutes) * 100}%` }}
          />
        </span>
      )}
      <span className="truncate" title={countdown.words}>
        {countdown.words}
      </span>
    </span>
  );
}

export { TimingBar };
