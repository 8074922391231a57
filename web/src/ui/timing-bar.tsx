import clsx from 'clsx';
import { barShare, type Countdown } from '../lib/words';

/** A bar that shrinks toward the next loss, with the countdown in words beside or under it. */
function TimingBar({ countdown, stacked = false }: { countdown: Countdown; stacked?: boolean }) {
  return (
    <span
      data-hot={countdown.hot}
      className={clsx(
        'flex min-w-0 gap-x-2 text-ink-2 data-[hot=true]:font-semibold data-[hot=true]:text-loss',
        stacked ? 'flex-col gap-y-1' : 'items-center',
      )}
    >
      {countdown.minutes !== null && (
        <span
          aria-hidden
          className={clsx('h-[5px] shrink-0 bg-line-2', stacked ? 'w-full' : 'w-12 max-sm:w-6')}
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
