import { type KeyboardEvent, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { hasModifier, isTyping } from '../../lib/keys';
import { LANE_TOP, type LaidLane, ROW } from './laid';
import type { TimeWindow } from './use-window';

export const STEP_IN = 1 / 1.6;
export const STEP_OUT = 1.6;

/** Nearer, further, back to now, by single keys, as soon as it is seen. */
export function useTimeKeys(time: TimeWindow): void {
  const latest = useRef(time);
  latest.current = time;
  useLayoutEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (isTyping(event) || hasModifier(event)) return;
      if (event.key === '+' || event.key === '=') latest.current.zoom(STEP_IN);
      else if (event.key === '-') latest.current.zoom(STEP_OUT);
      else if (event.key === 'h') latest.current.home();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/**
 * One tab stop among all bars: arrows, or j and k, walk them, across lanes too.
 *
 * @param head pixels on top under which nothing is seen
 */
export function useWalk(
  laid: readonly LaidLane[],
  time: TimeWindow,
  head: number,
  openWork: number | null,
  onOpen: (work: number) => void,
) {
  const [active, setActive] = useState<number | null>(null);
  const wanted = useRef<number | null>(null);
  const all = useMemo(
    () =>
      laid.flatMap((lane) =>
        lane.placed.map((one) => ({
          ...one,
          lane,
          y: lane.top + LANE_TOP + one.row * ROW,
          mid: (one.left + one.right) / 2,
        })),
      ),
    [laid],
  );
  const stop =
    all.find((one) => one.bar.work.id === (active ?? openWork)) ?? all.find((one) => one.bar.held) ?? all[0];

  useEffect(() => {
    if (wanted.current === null) return;
    const bar = time.box.current?.querySelector<HTMLElement>(`[data-bar="${wanted.current}"]`);
    if (!bar) return;
    wanted.current = null;
    bar.focus({ preventScroll: true });
  });

  const go = (to: (typeof all)[number] | undefined) => {
    const box = time.box.current;
    if (!to || !box) return;
    setActive(to.bar.work.id);
    wanted.current = to.bar.work.id;
    if (to.y < box.scrollTop || to.y + ROW > box.scrollTop + box.clientHeight - head) {
      box.scrollTop = Math.max(0, to.y - (box.clientHeight - head) / 2);
    }
    const inSight = to.left < box.scrollLeft + time.width - 80 && to.right > box.scrollLeft + 40;
    if (!inSight && !to.bar.held) box.scrollLeft = Math.max(0, to.left - time.width / 3);
    if (openWork !== null) onOpen(to.bar.work.id);
  };
  const along = (step: number) => {
    const row = all
      .filter((one) => one.lane.course.id === stop?.lane.course.id)
      .sort((a, b) => a.bar.from - b.bar.from);
    const place = row.findIndex((one) => one.bar.work.id === stop?.bar.work.id);
    go(row[place + step]);
  };
  const across = (down: boolean) => {
    if (!stop) return;
    const ys = [...new Set(all.map((one) => one.y))].sort((a, b) => a - b);
    const y = ys[ys.indexOf(stop.y) + (down ? 1 : -1)];
    go(
      all
        .filter((one) => one.y === y)
        .sort((a, b) => Math.abs(a.mid - stop.mid) - Math.abs(b.mid - stop.mid))[0],
    );
  };
  const latest = useRef({ along });
  latest.current = { along };
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (isTyping(event) || hasModifier(event)) return;
      if (event.key === 'j') latest.current.along(1);
      else if (event.key === 'k') latest.current.along(-1);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  const onKeyDown = (event: KeyboardEvent) => {
    if (hasModifier(event) || !(event.target as Element).closest('[data-bar]')) return;
    if (event.key === 'ArrowRight') along(1);
    else if (event.key === 'ArrowLeft') along(-1);
    else if (event.key === 'ArrowDown') across(true);
    else if (event.key === 'ArrowUp') across(false);
    else return;
    event.preventDefault();
  };
  return { stop: stop?.bar.work.id ?? null, setActive, onKeyDown };
}
