import clsx from 'clsx';
import { useRef } from 'react';
import { useStudent } from '../../frame/student';
import { dateWords, span60, timeWords } from '../../lib/time';
import { TextButton } from '../../ui/button';
import { useRoving } from '../../ui/use-roving';
import type { Next } from '../next/model';
import { drawnDays } from './axis';
import { type Day, ms, type Timeline } from './model';
import type { Mover } from './moving';
import type { TimeWindow } from './use-window';

const HOURS = 40;
/** From so many pixels a day on, hours are drawn as hours. */
const AS_HOURS = 60;
const SCALE_MINUTES = 300;
const NARROWEST = 3;

interface HoursLaneProps {
  timeline: Timeline;
  time: TimeWindow;
  next: Next | undefined;
  mover: Mover;
  today: string;
  /** Opens the hours of a day. */
  onDay: (day: Day) => void;
}

/** One's own time: free, in class, busy, and what the plan puts into it. From afar, each day's load against what is free. */
function HoursLane({ timeline, time, next, mover, today, onDay }: HoursLaneProps) {
  const { mayWrite } = useStudent();
  const days = drawnDays(timeline, time);
  const lane = useRef<HTMLDivElement>(null);
  useRoving(lane, '[data-sitting]');
  return (
    <div ref={lane} className="relative flex" style={{ height: HOURS }}>
      <div
        className="sticky left-0 z-10 flex shrink-0 flex-col justify-center border-line border-r bg-raised px-3 text-[13px] leading-tight max-sm:px-1.5"
        style={{ width: time.gutter }}
      >
        <HoursButton days={timeline.days} onDay={onDay} today={today} />
        <span className="text-ink-2 max-sm:hidden">
          {next ? `${next.moves.length} moves planned` : 'free and needed'}
        </span>
      </div>
      <div className="relative flex-1">
        {time.pixelsADay < AS_HOURS
          ? days.map((day) => <DayLoad key={day.day} day={day} time={time} />)
          : timeline.spans
              .filter(
                (span) =>
                  time.x(ms(span.end)) >= time.drawn.left && time.x(ms(span.start)) <= time.drawn.right,
              )
              .map((span) => (
                <span
                  key={`${span.kind} ${span.start} ${span.title}`}
                  title={span.kind === 'BUSY' ? (span.title ?? 'busy') : undefined}
                  className={clsx(
                    'absolute bottom-0',
                    span.kind === 'FREE' ? 'top-[12px] bg-free' : 'top-[12px] timeline-taken',
                  )}
                  style={{
                    left: time.x(ms(span.start)),
                    width: time.x(ms(span.end)) - time.x(ms(span.start)),
                  }}
                />
              ))}
        {mayWrite &&
          days.map((day) => (
            <button
              key={day.day}
              type="button"
              tabIndex={-1}
              aria-hidden
              title={`${dateWords(day.day)}: ${span60(day.freeMinutes)} free, ${span60(day.needMinutes)} needed. Press to set its hours.`}
              onClick={() => onDay(day)}
              className="absolute inset-y-0 hover:bg-line-2/60"
              style={{ left: time.x(ms(day.starts)), width: time.x(ms(day.ends)) - time.x(ms(day.starts)) }}
            />
          ))}
        {next && time.pixelsADay >= AS_HOURS && (
          <PlanBlocks next={next} time={time} mover={mover} zone={timeline.zone} />
        )}
      </div>
    </div>
  );
}

/** Minutes as a height; beyond five hours a bar only says that it is full. */
function height(minutes: number): number {
  return Math.min(HOURS - 8, (minutes / SCALE_MINUTES) * (HOURS - 8));
}

function DayLoad({ day, time }: { day: Day; time: TimeWindow }) {
  const left = time.x(ms(day.starts));
  const width = time.x(ms(day.ends)) - left;
  const past = day.doneMinutes + day.lostMinutes;
  return (
    <span aria-hidden className="absolute inset-y-0" style={{ left, width }}>
      <span className="absolute inset-x-px bottom-0 bg-free" style={{ height: height(day.freeMinutes) }} />
      <span
        className="absolute bottom-0 bg-ink-3 opacity-50"
        style={{ height: height(past), left: width * 0.35, right: width * 0.35 }}
      />
      <span
        className={clsx('absolute bottom-0', day.needMinutes > day.freeMinutes ? 'bg-loss' : 'bg-ink')}
        style={{ height: height(day.needMinutes), left: width * 0.35, right: width * 0.35 }}
      />
    </span>
  );
}

interface PlanBlocksProps {
  next: Next;
  time: TimeWindow;
  mover: Mover;
  zone: string;
}

/** The sittings of the plan, each to be taken somewhere else by hand. */
function PlanBlocks({ next, time, mover, zone }: PlanBlocksProps) {
  const { work, mayWrite } = useStudent();
  return next.moves.flatMap((move) =>
    move.sittings
      .filter(
        (sitting) =>
          time.x(ms(sitting.end)) >= time.drawn.left && time.x(ms(sitting.start)) <= time.drawn.right,
      )
      .map((sitting) => {
        const title = work(move.work)?.title ?? '';
        const from = ms(sitting.start);
        const left = time.x(from);
        const width = Math.max(NARROWEST, time.x(ms(sitting.end)) - left);
        const what = { kind: 'sitting', work: move.work, title, from, at: from } as const;
        const hours = `${timeWords(from, zone)} to ${timeWords(sitting.end, zone)}`;
        return (
          <button
            key={sitting.start}
            type="button"
            data-sitting={move.work}
            aria-label={`Planned ${hours}: ${title}. ${mayWrite ? 'Enter takes it in hand.' : ''}`}
            title={`${title}, ${hours}`}
            onPointerDown={(event) => mover.drag(what, event)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== 'm') return;
              event.preventDefault();
              event.stopPropagation();
              if (!mover.moving) mover.take(what);
            }}
            className={clsx(
              'absolute top-[16px] bottom-[3px] z-[1] touch-none overflow-hidden whitespace-nowrap bg-ink px-1 text-left text-[12px] text-paper leading-[20px]',
              mayWrite && 'cursor-grab',
              mover.moving?.work === move.work && 'opacity-40',
            )}
            style={{ left, width }}
          >
            {width > 46 && title}
          </button>
        );
      }),
  );
}

interface HoursButtonProps {
  days: readonly Day[];
  today: string;
  onDay: (day: Day) => void;
}

/** The way to a day's hours that needs no pointing at it. */
function HoursButton({ days, today, onDay }: HoursButtonProps) {
  const { mayWrite } = useStudent();
  const day = days.find((one) => one.day === today) ?? days[0];
  if (!mayWrite || !day) return <span className="font-[680]">Free hours</span>;
  return (
    <TextButton className="self-start font-[680] text-ink!" onClick={() => onDay(day)}>
      Your hours
    </TextButton>
  );
}

export { HOURS, HoursLane };
