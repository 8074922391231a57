import { keepPreviousData, useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { type KeyboardEvent, type PointerEvent, useEffect, useMemo, useRef, useState } from 'react';
import { useLocation, useNavigate, useSearchParams } from 'react-router';
import type { TideDay } from '../api/client';
import { nextQuery } from '../api/queries';
import { budgetOf, MOST_TO_PLAN } from '../lib/budget';
import { dateParts, dateWords, span60, timeWords } from '../lib/time';
import { Goals } from './goals';
import { Hours } from './hours/hours';
import { SetLink } from './set-link';
import { useStudent } from './student';
import { type Brush, TideFrame, useBrush } from './tide-brush';
import { DayList } from './tide-day-list';
import { type Load, loadOf, loadWords, type PlannedDay } from './tide-load';

/** Later days have their words on their left, where there is room. */
const LAST_TO_THE_RIGHT = 24;
const TODAY = 7;
const TALLEST = 42;
const SCALE_MINUTES = 300;

/** Minutes as a height; beyond five hours a bar only says that it is full. */
function height(minutes: number): number {
  return Math.min(TALLEST, (minutes / SCALE_MINUTES) * TALLEST);
}

/** A bar of two parts, cut to the cell as a whole so that the parts keep their proportion. */
function stacked(lower: number, upper: number): [lower: number, upper: number] {
  const all = lower + upper;
  return all === 0 ? [0, 0] : [(height(all) * lower) / all, (height(all) * upper) / all];
}

/** The load ahead: a cell a day, what falls due against what is free. Points at a day list its work. */
function Tideline() {
  const { board } = useStudent();
  const [params] = useSearchParams();
  const [pointed, setPointed] = useState<number | null>(null);
  const chosen = params.get('day') ?? '';
  const cells = useRef<(HTMLButtonElement | null)[]>([]);
  const strip = useRef<HTMLDivElement>(null);
  const brush = useBrush();
  const choose = useChoose(chosen, brush);
  const planned = usePlanned();
  const stop =
    Math.max(
      0,
      board.tide.findIndex((day) => day.day === chosen),
    ) || TODAY;

  useEffect(() => {
    const box = strip.current;
    const today = cells.current[TODAY];
    if (box && today && box.scrollWidth > box.clientWidth) box.scrollLeft = today.offsetLeft - 8;
  }, []);

  const onKeyDown = (event: KeyboardEvent, index: number) => {
    const step = { ArrowRight: 1, ArrowLeft: -1, Home: -99, End: 99 }[event.key];
    if (step === undefined) {
      if (event.key === 'Escape') setPointed(null);
      return;
    }
    event.preventDefault();
    const next = Math.min(board.tide.length - 1, Math.max(0, index + step));
    cells.current[next]?.focus();
  };

  return (
    <section
      aria-label="Tideline: the load of each day"
      className="no-print relative shrink-0 border-line border-b bg-raised"
      onMouseLeave={() => setPointed(null)}
      onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && setPointed(null)}
    >
      <div ref={strip} className="overflow-x-auto px-5 max-sm:px-2 [scrollbar-width:none]">
        <div className="relative flex min-w-max">
          <TideFrame brush={brush} cells={board.tide.length} />
          {board.tide.map((day, index) => (
            <DayCell
              key={day.day}
              day={day}
              load={loadOf(day, planned)}
              index={index}
              chosen={chosen === day.day}
              stop={index === stop}
              ref={(element) => {
                cells.current[index] = element;
              }}
              onPoint={() => setPointed(index)}
              onChoose={() => choose(day.day)}
              onKeyDown={(event) => onKeyDown(event, index)}
              {...brush.cell(index)}
            />
          ))}
        </div>
      </div>
      {board.freeHoursAssumed && (
        <SetLink set="hours" className="absolute top-0 left-5 text-[12px] text-ink-2 max-sm:hidden">
          Free hours are assumed; set yours
        </SetLink>
      )}
      <Hours />
      <Goals />
      {pointed !== null && board.tide[pointed] && (
        <DayList
          day={board.tide[pointed]}
          load={loadOf(board.tide[pointed], planned)}
          cell={cells.current[pointed] ?? null}
        />
      )}
    </section>
  );
}

/** What the plan puts on each day, and what it doesn't finish in time; null while there is none. */
function usePlanned(): Map<string, PlannedDay> | null {
  const { id, board } = useStudent();
  const { pathname, search } = useLocation();
  const onNext = pathname.startsWith(`/s/${id}/next`);
  const budget = onNext ? budgetOf(new URLSearchParams(search).get('minutes')) : null;
  const next = useQuery({
    ...nextQuery(id, budget),
    placeholderData: keepPreviousData,
    enabled: onNext || board.counts.yours <= MOST_TO_PLAN,
  });
  return (
    useMemo(() => next.data && new Map(next.data.days.map((day) => [day.day, day])), [next.data]) ?? null
  );
}

/** Choosing a day narrows the work to it; choosing it again lets go. Above the timeline it goes to the day. */
function useChoose(chosen: string, brush: Brush): (day: string) => void {
  const { id } = useStudent();
  const location = useLocation();
  const navigate = useNavigate();
  return (day) => {
    if (brush.wasDragged()) return;
    if (brush.steers) return brush.goTo(day);
    const onWork = location.pathname.startsWith(`/s/${id}/work`);
    const params = new URLSearchParams(onWork ? location.search : '');
    if (day === chosen) params.delete('day');
    else params.set('day', day);
    const search = params.toString();
    void navigate({ pathname: `/s/${id}/work`, search: search ? `?${search}` : '' });
  };
}

interface DayCellProps {
  day: TideDay;
  load: Load;
  index: number;
  chosen: boolean;
  stop: boolean;
  ref: (element: HTMLButtonElement | null) => void;
  onPoint: () => void;
  onChoose: () => void;
  onKeyDown: (event: KeyboardEvent) => void;
  onPointerDown: (event: PointerEvent) => void;
  onPointerEnter: () => void;
}

function dayWords(day: TideDay, load: Load): string {
  return [
    dateWords(day.day),
    day.dayOff,
    day.openMinutes ? `${span60(day.openMinutes)} falling due` : 'nothing falling due',
    `${span60(day.freeMinutes)} free`,
    ...loadWords(load),
    day.opens.length ? `${day.opens.length} opening` : '',
    ...day.closes.map((close) => close.name),
  ]
    .filter(Boolean)
    .join(', ');
}

function DayCell({ day, load, index, chosen, stop, ref, onPoint, onChoose, ...events }: DayCellProps) {
  const { zone } = useStudent();
  const { weekday, number } = dateParts(day.day);
  const past = index < TODAY;
  const today = index === TODAY;
  const [lower, upper] = past
    ? stacked(day.doneMinutes + day.lostMinutes, day.openMinutes)
    : stacked(day.openMinutes - load.late, load.late);
  return (
    <button
      type="button"
      ref={ref}
      tabIndex={stop ? 0 : -1}
      data-tide-stop={stop}
      aria-pressed={chosen}
      onMouseEnter={onPoint}
      onFocus={onPoint}
      onClick={onChoose}
      {...events}
      className={clsx(
        'relative flex h-[74px] min-w-[38px] flex-1 flex-col items-center justify-end pb-[5px] hover:bg-line-2',
        today && 'outline-[1.5px] outline-ink -outline-offset-2 outline-solid',
        chosen && 'bg-yours-soft hover:bg-yours-soft',
        'focus-visible:outline-2 focus-visible:outline-yours',
      )}
    >
      <span className="sr-only">{dayWords(day, load)}</span>
      <span aria-hidden className="relative flex w-full flex-1 items-end justify-center">
        <span
          className="absolute inset-x-[4px] bottom-0 bg-free"
          style={{ height: height(day.freeMinutes) }}
        />
        <span
          className="absolute inset-x-[4px] bottom-0 bg-planned"
          style={{ height: height(Math.min(load.planned, day.freeMinutes)) }}
        />
        <span className="relative flex w-[10px] flex-col justify-end">
          <span className="bg-loss" style={{ height: upper }} />
          <span className={past ? 'bg-ink-3 opacity-50' : 'bg-ink'} style={{ height: lower }} />
        </span>
        {day.opens.length > 0 && (
          <svg width="6" height="9" viewBox="0 0 6 9" aria-hidden className="absolute right-[4px] bottom-0">
            <path d="M1 9 V1 H5.500 Z" fill="none" stroke="var(--wait)" strokeWidth="1.4" />
          </svg>
        )}
      </span>
      {day.closes.map((close) => (
        <span
          key={close.at}
          aria-hidden
          className="absolute top-[3px] right-0 bottom-[19px] border-loss border-r-2"
        >
          <span
            className={clsx(
              'absolute top-0 z-10 whitespace-nowrap bg-loss px-1.5 font-[650] text-[12px] text-raised leading-[17px]',
              index > LAST_TO_THE_RIGHT ? 'right-0' : 'left-full',
            )}
          >
            grading close {timeWords(close.at, zone)}
          </span>
        </span>
      ))}
      <span
        aria-hidden
        className={clsx(
          'mt-[3px] whitespace-nowrap text-[12px] leading-[15px]',
          today ? 'font-bold text-ink' : 'text-ink-3',
          load.late > 0 && 'font-[680] text-loss!',
          day.dayOff && 'line-through',
        )}
      >
        {weekday} {number}
      </span>
    </button>
  );
}

export { Tideline };
