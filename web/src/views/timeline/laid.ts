import { useEffect, useMemo, useState } from 'react';
import type { Work } from '../../api/client';
import { type Bar, forgetWidths, grainOf, type Lane, type Packed, pack, textWidth } from './model';
import type { TimeWindow } from './use-window';
import { labelEnd } from './words';

/** Height of a row of bars, and of the room above the first. */
export const ROW = 32;
export const LANE_TOP = 8;
const LEAST_LANE = 46;
const SHELF_ROW = 25;
const FONT = '600 13px "Atkinson Hyperlegible Next Variable"';
const FONT_END = '400 13px "Atkinson Hyperlegible Next Variable"';
const LONGEST_LABEL = 520;

/** A lane with its bars in their rows, and where it stands on the page. */
export interface LaidLane extends Lane, Packed {
  top: number;
  height: number;
}

/** The widest that a label can be; what ends it is left away from afar, where rows are worth more than words. */
export function labelOf(bar: Bar, far: boolean, zone: string, now: number): { title: string; end: string } {
  return { title: bar.work.title, end: far ? '' : labelEnd(bar, zone, now) };
}

export function useLaid(lanes: readonly Lane[], time: TimeWindow, now: number): LaidLane[] {
  const far = grainOf(time.pixelsADay) === 'weeks';
  const { x, width, laid } = time;
  const font = useFont();
  // biome-ignore lint/correctness/useExhaustiveDependencies: once the font is here all texts are measured anew
  return useMemo(() => {
    const labelWidth = (zone: string) => (bar: Bar) => {
      const { title, end } = labelOf(bar, far, zone, now);
      const words = textWidth(title, FONT) + (end ? textWidth(end, FONT_END) + 10 : 0);
      return Math.min(LONGEST_LABEL, words + 12);
    };
    let top = 0;
    return lanes.map((lane) => {
      const { placed, rows } = pack(lane.bars, x, labelWidth(lane.course.zone), laid);
      const shelfRows = lane.shelf.length === 0 ? 0 : shelfRowsOf(lane.shelf, width);
      const height = Math.max(LEAST_LANE, LANE_TOP + rows * ROW + shelfRows * SHELF_ROW + 6);
      const one = { ...lane, placed, rows, top, height };
      top += height;
      return one;
    });
  }, [lanes, x, width, far, now, laid, font]);
}

/** Whether the font of the page is here; until then texts are measured by another. */
function useFont(): boolean {
  const [here, setHere] = useState(() => document.fonts.check(FONT));
  useEffect(() => {
    if (here) return;
    let gone = false;
    void Promise.all([document.fonts.load(FONT), document.fonts.load(FONT_END)]).then(() => {
      forgetWidths();
      if (!gone) setHere(true);
    });
    return () => {
      gone = true;
    };
  }, [here]);
  return here;
}

function shelfRowsOf(shelf: readonly Work[], width: number): number {
  let rows = 1;
  let used = 110;
  for (const work of shelf) {
    const needs = Math.min(width, textWidth(work.title, FONT) + 30);
    if (used + needs > width) {
      rows++;
      used = 0;
    }
    used += needs;
  }
  return rows;
}
