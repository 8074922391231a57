import { memo, useRef } from 'react';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { dateParts, fieldTime, formatsNow, hourMark, localDate, localTime, span } from '../../lib/time';
import { useRoving } from '../../ui/use-roving';
import { byDay, type Next, type PlannedMove } from './model';
import { SittingBlock } from './sitting-block';

const DAYS = 7;
const DAY = 24 * 60 * 60_000;
const NOON = 12 * 60;

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

/** A sitting, with the place of its move from 1. */
interface Sat extends Block {
  start: string;
  move: PlannedMove;
  number: number;
}

/** The minutes since midnight that every day's line reaches from and to. */
interface Line {
  first: number;
  last: number;
}

function along({ first, last }: Line, minute: number): string {
  return `${((minute - first) / (last - first)) * 100}%`;
}

function share({ first, last }: Line, one: Block): string {
  return `${((one.to - one.from) / (last - first)) * 100}%`;
}

/** The week's sittings on the free hours, a line a day. */
const Sittings = memo(function Sittings({ next, onOpen }: { next: Next; onOpen: (work: number) => void }) {
  const { zone } = useStudent();
  const week = useRef<HTMLDivElement>(null);
  useRoving(week, '[data-nailed]');
  const now = useNow();
  const nowOnTheWall = onTheWall(new Date(now).toISOString(), zone);
  const days = Array.from({ length: DAYS }, (_, k) => localDate(now + k * DAY, zone));
  const free = next.free.map((stretch) => block(stretch, zone));
  const sat: Sat[] = next.moves.flatMap((move, place) =>
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
  const line = { first, last };
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
          {ticks.map((minute, place) => (
            <span
              key={minute}
              className="absolute -translate-x-1/2 whitespace-nowrap text-[12px]"
              style={{ left: along(line, minute) }}
            >
              {tickWords(minute, ticks[place - 1])}
            </span>
          ))}
        </span>
        <span />
        {days.map((date, place) => (
          <DayLine
            key={date}
            date={date}
            line={line}
            free={free.filter((one) => one.date === date)}
            sat={sat.filter((one) => one.date === date)}
            minutes={sums.get(date)?.minutes ?? 0}
            now={place === 0 ? nowOnTheWall : null}
            onOpen={onOpen}
          />
        ))}
      </div>
    </section>
  );
});

interface DayLineProps {
  date: string;
  line: Line;
  free: readonly Block[];
  sat: readonly Sat[];
  /** Planned on that day, in all. */
  minutes: number;
  /** Minutes since local midnight; null on another day than today. */
  now: number | null;
  onOpen: (work: number) => void;
}

/** A day: its free hours, what lies on them, and how much that is. */
function DayLine({ date, line, free, sat, minutes, now, onOpen }: DayLineProps) {
  const { work } = useStudent();
  const { weekday, number } = dateParts(date);
  const reach = line.last - line.first;
  return (
    <div className="contents">
      <span className={now === null ? '' : 'font-[680] text-ink'}>
        {weekday} {number}
      </span>
      <span className="relative h-7 border-line-2 border-b">
        {free.map((one) => (
          <span
            key={one.from}
            aria-hidden
            className="absolute inset-y-0.5 bg-free"
            style={{ left: along(line, one.from), width: share(line, one) }}
          />
        ))}
        {sat.map((one) => (
          <SittingBlock
            key={`${one.move.work} ${one.from}`}
            move={one.move}
            number={one.number}
            start={one.start}
            label={`${one.number}: ${work(one.move.work)?.title}, ${weekday} ${number}, ${clock(one.from)} to ${clock(one.to)}`}
            left={along(line, one.from)}
            width={share(line, one)}
            span={reach}
            wide={one.to - one.from >= (reach / 100) * 6}
            onOpen={onOpen}
          />
        ))}
        {now !== null && line.first <= now && now <= line.last && (
          <span
            aria-hidden
            className="absolute -inset-y-0.5 w-0.5 bg-yours"
            style={{ left: along(line, now) }}
          />
        )}
      </span>
      <span className="text-right">{minutes > 0 ? span(minutes) : '—'}</span>
    </div>
  );
}

/** "16", or "4 pm": the half of the day stands where it begins. */
function tickWords(minute: number, before: number | undefined): string {
  if (!formatsNow().hour12) return String(minute / 60);
  const words = hourMark(clockOfField(minute));
  const same = before !== undefined && Math.floor(before / NOON) === Math.floor(minute / NOON);
  return same ? words.slice(0, words.indexOf(' ')) : words;
}

function clockOfField(minute: number): string {
  const two = (number: number) => String(number).padStart(2, '0');
  return `${two(Math.floor(minute / 60))}:${two(minute % 60)}`;
}

function clock(minute: number): string {
  return fieldTime(clockOfField(minute));
}

export { Sittings };
