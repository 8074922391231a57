import { type ScaleLinear, scaleLinear } from 'd3-scale';
import { DAY, type Stretch } from './model';

/** Pixels from which on a press is a drag. */
export const DRAG_PIXELS = 5;
/** What is drawn is drawn anew after so many pixels of moving. */
const GRID = 240;
/** Shares of the width on either side for which lanes are laid out, too, so that a little moving moves no rows. */
const AROUND = 0.2;

/** What a window looks through: all time, its own width in pixels, and how much is seen unless one goes nearer. */
export interface Frame {
  start: number;
  end: number;
  width: number;
  usual: number;
}

/** Where one looks. Instants and spans in milliseconds, places in pixels of the box that scrolls. */
export interface WindowState {
  /** How much is seen; null for the usual. */
  span: number | null;
  /** The instant in the middle. */
  centre: number;
  /** An instant that has to stand at so many pixels when it is next drawn; null for the middle. */
  hold: { at: number; x: number } | null;
  /** The instant at the left edge for which rows are laid out. */
  edge: number;
  /** What is drawn from where on, in steps of the grid. */
  spot: { left: number; top: number; height: number };
  /** The next scroll is one that was asked for: the edges of time may cut it short, and it says nothing of its own. */
  led: boolean;
  /** What the address should come to say; null at first. @see Place */
  said: { at: number | null; span: number } | null;
  /** How often one was sent somewhere. */
  jumps: number;
}

export type WindowAction =
  /** The address names another instant. */
  | { type: 'named'; at: number }
  /** Back to now. */
  | { type: 'home'; at: number }
  /** Nearer or further by a factor, about a place in the window. @param left what the box is scrolled by */
  | { type: 'zoomed'; factor: number; from: number | null; left: number }
  | { type: 'scrolled'; left: number; top: number; height: number }
  /** What was asked for is drawn. */
  | { type: 'placed' }
  /** A frame after a scroll; and once it rests, when the rows become those of what is seen exactly. */
  | { type: 'followed'; left: number; rests: boolean };

/** @param at the instant in the middle */
export function looking(at: number, frame: Frame, height: number): WindowState {
  return {
    span: null,
    centre: at,
    hold: null,
    edge: at - seenOf(null, frame) / 2,
    spot: { left: 0, top: 0, height },
    led: false,
    said: null,
    jumps: 0,
  };
}

/** How much is seen: never less than a day, nor more than there is. */
export function seenOf(span: number | null, { start, end, usual }: Frame): number {
  return Math.min(Math.max(span ?? usual, DAY), end - start);
}

/** Instants to pixels of all time, and back. */
export function scaleOf(span: number | null, frame: Frame): ScaleLinear<number, number> {
  const pixels = ((frame.end - frame.start) * frame.width) / seenOf(span, frame);
  return scaleLinear().domain([frame.start, frame.end]).range([0, pixels]);
}

/** What the box has to be scrolled by for what is held, or for the middle. */
export function scrollOf({ span, centre, hold }: WindowState, frame: Frame): number {
  const held = hold ?? { at: centre, x: frame.width / 2 };
  return scaleOf(span, frame)(held.at) - held.x;
}

/** The pixels that rows are laid out for: what is seen from an edge on, and a little around it. */
export function laidOf(edge: number, span: number | null, frame: Frame): Stretch & { edge: number } {
  const left = scaleOf(span, frame)(edge);
  return { left: left - frame.width * AROUND, right: left + frame.width * (1 + AROUND), edge: left };
}

/** What has to be drawn, with room around it. */
export function drawnOf({ left, top, height }: WindowState['spot'], width: number) {
  return {
    left: left - GRID,
    right: left + 2 * GRID + width,
    top: top - GRID,
    bottom: top + 2 * GRID + height,
  };
}

export function moveWindow(state: WindowState, action: WindowAction, frame: Frame): WindowState {
  switch (action.type) {
    case 'named':
      return { ...state, span: null, centre: action.at, hold: null, jumps: state.jumps + 1 };
    case 'home':
      return {
        ...state,
        centre: action.at,
        hold: null,
        led: true,
        said: { at: null, span: seenOf(state.span, frame) },
        jumps: state.jumps + 1,
      };
    case 'zoomed':
      return zoomed(state, action, frame);
    case 'placed':
      return { ...state, hold: null };
    case 'scrolled':
      return scrolled(state, action, frame);
    case 'followed': {
      const edge = scaleOf(state.span, frame).invert(action.left);
      const far = Math.abs(edge - state.edge) > seenOf(state.span, frame) * AROUND;
      return far || action.rests ? { ...state, edge } : state;
    }
  }
}

function zoomed(
  state: WindowState,
  { factor, from, left }: Extract<WindowAction, { type: 'zoomed' }>,
  frame: Frame,
): WindowState {
  const x = from ?? frame.width / 2;
  const at = scaleOf(state.span, frame).invert(left + x);
  const span = seenOf(seenOf(state.span, frame) * factor, frame);
  const centre = at + (frame.width / 2 - x) * (span / frame.width);
  return { ...state, span, centre, hold: { at, x }, said: { at: centre, span } };
}

function scrolled(
  state: WindowState,
  { left, top, height }: Extract<WindowAction, { type: 'scrolled' }>,
  frame: Frame,
): WindowState {
  const scale = scaleOf(state.span, frame);
  const centre = scale.invert(left + frame.width / 2);
  const moved = Math.abs(scale(centre) - scale(state.centre)) > 1;
  const spot = { left: Math.floor(left / GRID) * GRID, top: Math.floor(top / GRID) * GRID, height };
  const same = spot.left === state.spot.left && spot.top === state.spot.top && height === state.spot.height;
  return {
    ...state,
    centre,
    led: false,
    said: moved && !state.led ? { at: centre, span: seenOf(state.span, frame) } : state.said,
    spot: same ? state.spot : spot,
  };
}
