import clsx from 'clsx';
import type { ReactNode } from 'react';
import {
  dateParts,
  day as dayWords,
  hourMark,
  localDate,
  localTime,
  monthWords,
  roughSpan,
  timeWords,
} from '../../lib/time';
import { DAY, type Day, grainOf, HOUR, hourStep, hoursIn, hoursOf, MINUTE, ms, type Timeline } from './model';
import type { TimeWindow } from './use-window';
import { abroad, HERE } from './words';

const AXIS = 44;
/** A second line of hours, by the clock of where one is. */
const AXIS_ABROAD = 60;
const POSTS = 19;

function drawnDays(timeline: Timeline, time: TimeWindow): Day[] {
  const { left, right } = time.drawn;
  return timeline.days.filter((day) => time.x(ms(day.ends)) >= left && time.x(ms(day.starts)) <= right);
}

interface AxisProps {
  timeline: Timeline;
  time: TimeWindow;
  now: number;
}

/** Months, days and hours along the top; turning the wheel on it goes nearer or further. Its corner holds the buttons. */
function Axis({ timeline, time, now, children }: AxisProps & { children: ReactNode }) {
  const grain = grainOf(time.pixelsADay);
  const days = drawnDays(timeline, time);
  const { zone } = timeline;
  const elsewhere = grain === 'hours' && abroad(zone, now);
  const today = localDate(now, zone);
  return (
    <div
      data-axis
      className="sticky top-0 z-20 flex cursor-ew-resize border-line border-b bg-raised text-[13px] text-ink-2"
      style={{ height: elsewhere ? AXIS_ABROAD : AXIS, width: time.length + time.gutter }}
    >
      <div
        className="sticky left-0 z-10 flex shrink-0 cursor-auto flex-col justify-center border-line border-r bg-raised px-2 max-sm:px-1"
        style={{ width: time.gutter }}
      >
        {children}
      </div>
      <div aria-hidden className="relative flex-1">
        {grain === 'hours' ? (
          <Dates days={days} time={time} zone={zone} />
        ) : (
          <Months timeline={timeline} time={time} />
        )}
        {grain !== 'hours' &&
          days.map((day) => {
            const left = time.x(ms(day.starts));
            const { weekday, number } = dateParts(day.day);
            if (grain === 'weeks' && !marked(day, weekday, today)) return null;
            return (
              <span
                key={day.day}
                className={clsx(
                  'absolute top-[20px] h-[23px] whitespace-nowrap border-line-2 border-l pl-1 leading-[22px]',
                  day.day === today && 'z-[1] bg-raised font-bold text-ink',
                  day.dayOff && 'line-through',
                )}
                style={{ left }}
              >
                {grain === 'days' && time.pixelsADay > 46
                  ? `${weekday} ${number}${hoursIn(day) === 24 ? '' : ` · ${hoursIn(day)} h`}`
                  : number}
              </span>
            );
          })}
        {grain === 'hours' && <Clock days={days} time={time} zone={zone} elsewhere={elsewhere} />}
      </div>
    </div>
  );
}

/** From afar Mondays and today are marked, but not one on top of the other. */
function marked(day: Day, weekday: string, today: string): boolean {
  if (day.day === today) return true;
  const before = (ms(`${today}T12:00:00Z`) - ms(`${day.day}T12:00:00Z`)) / DAY;
  return weekday === 'Mo' && (before < -2 || before > 2);
}

/** From near, each day by its date; one at a clock change says its hours. */
function Dates({ days, time, zone }: { days: readonly Day[]; time: TimeWindow; zone: string }) {
  return days.map((day) => {
    const left = time.x(ms(day.starts));
    return (
      <span
        key={day.day}
        className="absolute top-0 h-5 border-line border-l"
        style={{ left, width: time.x(ms(day.ends)) - left }}
      >
        <span className="sticky pl-1.5 font-[680] text-ink leading-[20px]" style={{ left: time.gutter }}>
          {dayWords(day.starts, zone)} {day.day.slice(0, 4)}
          {hoursIn(day) !== 24 && (
            <span className="font-normal text-ink-2">, a day of {hoursIn(day)} hours</span>
          )}
        </span>
      </span>
    );
  });
}

function Months({ timeline, time }: Pick<AxisProps, 'timeline' | 'time'>) {
  const firsts = timeline.days.filter((day, place) => place === 0 || day.day.endsWith('-01'));
  return firsts.map((first, place) => {
    const left = time.x(ms(first.starts));
    const right = firsts[place + 1] ? time.x(ms(firsts[place + 1]?.starts ?? '')) : time.length;
    return (
      <span
        key={first.day}
        className="absolute top-0 h-5 border-line border-l"
        style={{ left, width: right - left }}
      >
        <span className="sticky pl-1.5 font-[680] text-ink leading-[20px]" style={{ left: time.gutter }}>
          {monthWords(first.day)}
        </span>
      </span>
    );
  });
}

interface ClockProps {
  days: readonly Day[];
  time: TimeWindow;
  zone: string;
  elsewhere: boolean;
}

/** The hours by the clock on the wall: one that a clock change skips isn't there, one that comes twice is there twice. */
function Clock({ days, time, zone, elsewhere }: ClockProps) {
  const step = hourStep(time.pixelsADay);
  const hours = days.flatMap((day) => hoursOf(day, step, (at) => localTime(at, zone)));
  return hours.map(({ at, words }) => (
    <span
      key={at}
      className="absolute top-0 whitespace-nowrap text-[12px]"
      style={{ left: time.x(at), height: elsewhere ? AXIS_ABROAD : AXIS }}
    >
      {words !== '00:00' && (
        <span className="absolute top-[22px] -translate-x-1/2 bg-raised px-0.5">{hourMark(words)}</span>
      )}
      {elsewhere && (
        <span className="absolute top-[40px] -translate-x-1/2 px-0.5 text-wait">
          {hourMark(localTime(at, HERE))}
        </span>
      )}
      <span className="absolute bottom-0 h-[4px] border-line border-l" />
    </span>
  ));
}

/** What lies behind all lanes: days off, week-ends, grid, closes, and the line of now. */
function Ground({ timeline, time, now, height }: AxisProps & { height: number }) {
  const grain = grainOf(time.pixelsADay);
  const days = drawnDays(timeline, time);
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute top-0"
      style={{ left: time.gutter, width: time.length, height }}
    >
      {days.map((day) => {
        const left = time.x(ms(day.starts));
        const { weekday } = dateParts(day.day);
        const off = day.dayOff !== null;
        const rest = weekday === 'Sa' || weekday === 'Su';
        return (
          <span
            key={day.day}
            className={clsx(
              'absolute inset-y-0',
              off ? 'timeline-off' : rest && 'bg-line-2/45',
              (grain !== 'weeks' || weekday === 'Mo') && 'border-line-2 border-l',
            )}
            style={{ left, width: time.x(ms(day.ends)) - left }}
          />
        );
      })}
      {timeline.closes.map((close) => (
        <span
          key={close.at}
          className="absolute inset-y-0 border-loss border-l-2"
          style={{ left: time.x(ms(close.at)) }}
        />
      ))}
      <span className="absolute inset-y-0 border-yours border-l-2" style={{ left: time.x(now) }} />
    </div>
  );
}

/** The names of closes and days off, under the axis, and the time that it is now. */
function Posts({ timeline, time, now }: AxisProps) {
  const off = timeline.days.filter(
    (day, place) => day.dayOff !== null && timeline.days[place - 1]?.dayOff !== day.dayOff,
  );
  return (
    <div aria-hidden className="relative text-[12px] leading-[17px]" style={{ height: POSTS }}>
      {off.map((day) => (
        <span
          key={day.day}
          className="absolute whitespace-nowrap pl-1 text-ink-2 italic"
          style={{ left: time.gutter + time.x(ms(day.starts)) }}
        >
          {day.dayOff}
        </span>
      ))}
      {timeline.closes.map((close) => (
        <span
          key={close.at}
          className="absolute top-0 whitespace-nowrap bg-loss px-1.5 font-[650] text-raised"
          style={{ left: time.gutter + time.x(ms(close.at)) }}
        >
          {close.name} {timeWords(close.at, timeline.zone)}
        </span>
      ))}
      <span
        className="absolute top-0 -translate-x-full whitespace-nowrap bg-yours px-1.5 font-[650] text-raised"
        style={{ left: time.gutter + time.x(now) + 2 }}
      >
        now {timeWords(now, timeline.zone)}
      </span>
    </div>
  );
}

/** "16 d", "9 h": how much of time is seen at once. */
function seenWords(time: TimeWindow): string {
  return roughSpan((time.width / time.pixelsADay) * (DAY / MINUTE) + HOUR / MINUTE / 2);
}

export { AXIS, AXIS_ABROAD, Axis, drawnDays, Ground, POSTS, Posts, seenWords };
