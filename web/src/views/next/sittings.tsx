import { memo, useRef } from 'react';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { dateParts, localDate, localTime, span } from '../../lib/time';
import { useRoving } from '../../ui/use-roving';
import { byDay, type Next } from './model';
import { SittingBlock } from './sitting-block';

const DAYS = 7;
const DAY = 24 * 60 * 60_000;

/** Minutes since local midnight, by the clock on the wall. */
function onTheWall(instant: string, zone: string): number {
  const [hours = 0, minutes = 0] = localTime(new Date(instant).getTime(), zone).split(':').map(Number);
  return hours * 60 + minutes;
}

interface Block {
  date: string;
  from: number;
  to: number;
}

function block(stretch: { start: string; end: string }, zone: string): Block {
  const to = onTheWall(stretch.end, zone);
  return {
    date: localDate(new Date(stretch.start).getTime(), zone),
    from: onTheWall(stretch.start, zone),
    to: to === 0 ? 24 * 60 : to,
  };
}

/** The week's sittings on the free hours, a line a day. */
const Sittings = memo(function Sittings({ next, onOpen }: { next: Next; onOpen: (work: number) => void }) {
  const { zone, work } = useStudent();
  const week = useRef<HTMLDivElement>(null);
  useRoving(week, '[data-nailed]');
  const now = useNow();
  const nowOnTheWall = onTheWall(new Date(now).toISOString(), zone);
  const days = Array.from({ length: DAYS }, (_, k) => localDate(now + k * DAY, zone));
  const free = next.free.map((stretch) => block(stretch, zone));
  const sat = next.moves.flatMap((move, place) =>
    move.sittings.map((sitting) => ({
      ...block(sitting, zone),
      start: sitting.start,
      move,
      number: place + 1,
    })),
  );
  const shown = [...free, ...sat].filter((one) => days.includes(one.date));
  const first = Math.floor(Math.min(15 * 60, ...shown.map((one) => one.from)) / 60) * 60;
  const last = Math.ceil(Math.max(18 * 60, ...shown.map((one) => one.to)) / 60) * 60;
  const left = (minute: number) => `${((minute - first) / (last - first)) * 100}%`;
  const width = (one: Block) => `${((one.to - one.from) / (last - first)) * 100}%`;
  const sums = new Map(byDay(next, zone).map((day) => [day.date, day]));
  const ticks = Array.from({ length: Math.floor((last - first) / 180) + 1 }, (_, k) => first + k * 180);
  return (
    <section aria-labelledby="sittings">
      <h2 id="sittings" className="flex items-baseline justify-between font-[680] text-[15px]">
        Sittings <span className="font-normal text-[13px] text-ink-2">free hours, and what goes where</span>
      </h2>
      <div
        ref={week}
        className="mt-1 grid grid-cols-[48px_minmax(0,1fr)_48px] items-center gap-x-2 gap-y-1 text-[13px] text-ink-2"
      >
        <span />
        <span aria-hidden className="relative h-4">
          {ticks.map((minute) => (
            <span
              key={minute}
              className="absolute -translate-x-1/2 text-[12px] first:translate-x-0"
              style={{ left: left(minute) }}
            >
              {minute / 60}
            </span>
          ))}
        </span>
        <span />
        {days.map((date, place) => {
          const { weekday, number } = dateParts(date);
          const sum = sums.get(date);
          return (
            <div key={date} className="contents">
              <span className={place === 0 ? 'font-[680] text-ink' : ''}>
                {weekday} {number}
              </span>
              <span className="relative h-7 border-line-2 border-b">
                {free
                  .filter((one) => one.date === date)
                  .map((one) => (
                    <span
                      key={one.from}
                      aria-hidden
                      className="absolute inset-y-0.5 bg-free"
                      style={{ left: left(one.from), width: width(one) }}
                    />
                  ))}
                {sat
                  .filter((one) => one.date === date)
                  .map((one) => (
                    <SittingBlock
                      key={`${one.move.work} ${one.from}`}
                      move={one.move}
                      number={one.number}
                      start={one.start}
                      label={`${one.number}: ${work(one.move.work)?.title}, ${weekday} ${number}, ${clock(one.from)} to ${clock(one.to)}`}
                      left={left(one.from)}
                      width={width(one)}
                      span={last - first}
                      wide={one.to - one.from >= ((last - first) / 100) * 6}
                      onOpen={onOpen}
                    />
                  ))}
                {place === 0 && first <= nowOnTheWall && nowOnTheWall <= last && (
                  <span
                    aria-hidden
                    className="absolute -inset-y-0.5 w-0.5 bg-yours"
                    style={{ left: left(nowOnTheWall) }}
                  />
                )}
              </span>
              <span className="text-right">{sum && sum.minutes > 0 ? span(sum.minutes) : '—'}</span>
            </div>
          );
        })}
      </div>
    </section>
  );
});

function clock(minute: number): string {
  return `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;
}

export { Sittings };
