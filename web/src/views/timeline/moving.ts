import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { client, type Detail, Refused, take, writeKey } from '../../api/client';
import { detailQuery, queryClient, refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { dateWords, localDate, localTime, moment, near } from '../../lib/time';
import { noticeChange, noticeFault } from '../../ui/notice';
import { nail } from '../next/wish';
import { type Bar, DAY, HOUR, MINUTE } from './model';
import type { TimeWindow } from './use-window';
import { DRAG_PIXELS } from './window-model';

const QUARTER = 15 * MINUTE;

/** What is being moved in time: a sitting of the plan, or the due of work that the student typed in. */
export interface Moving {
  kind: 'sitting' | 'due';
  work: number;
  title: string;
  /** Where it was, and where it would be. */
  from: number;
  at: number;
}

export interface Mover {
  moving: Moving | null;
  /** Said aloud as it moves. */
  words: string;
  /** Takes it in hand for the arrow keys. */
  take: (what: Moving) => void;
  /** Follows the pointer until it is let go of. */
  drag: (what: Moving, event: React.PointerEvent) => void;
  /** Says why something can't be moved. */
  refuse: (bar: Bar) => void;
}

/** Why the due of work can't be moved here. */
function whyNot({ work, told }: Bar, zone: string, now: number): string {
  const ask =
    told.askUntil === null
      ? ''
      : ` An extension may be asked for until ${near(told.askUntil, zone, now)}, in Leeway.`;
  return `The school set when “${work.title}” is due, so it can’t be moved here.${ask}`;
}

/** Moves what may be moved, by dragging and by keys, and writes it down when it is dropped. */
export function useMover(time: TimeWindow, now: number): Mover {
  const { id, zone, mayWrite } = useStudent();
  const [moving, setMoving] = useState<Moving | null>(null);
  const [words, setWords] = useState('');
  const held = useRef<Moving | null>(null);
  const set = useCallback((what: Moving | null) => {
    held.current = what;
    setMoving(what);
  }, []);

  const drop = useCallback(() => {
    const what = held.current;
    set(null);
    if (!what || what.at === what.from) return;
    if (what.kind === 'sitting') {
      const said = nail(id, what, Math.max(what.at, now), zone);
      setWords(`Dropped. ${said}. The rest is planned round it.`);
    } else {
      void moveDue(id, what, zone).catch(noticeFault);
      setWords('Dropped.');
    }
  }, [id, now, zone, set]);

  useEffect(() => {
    if (!moving) return;
    const said = moment(new Date(moving.at).toISOString(), zone);
    setWords(`${moving.title}: ${said}`);
  }, [moving, zone]);

  // While it is in hand the arrows move it, and nothing else is moved by them.
  const inHand = moving !== null;
  useEffect(() => {
    if (!inHand) return;
    const onKey = (event: KeyboardEvent) => {
      const what = held.current;
      if (!what) return;
      const usual = what.kind === 'due' ? DAY : QUARTER;
      const large = what.kind === 'due' ? HOUR : DAY;
      const step = event.shiftKey ? large : usual;
      if (event.key === 'ArrowRight') set({ ...what, at: what.at + step });
      else if (event.key === 'ArrowLeft') set({ ...what, at: what.at - step });
      else if (event.key === 'Enter') drop();
      else if (event.key === 'Escape') {
        set(null);
        setWords('Left where it was.');
      } else return;
      event.preventDefault();
      event.stopPropagation();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [inHand, drop, set]);

  const drag = useCallback(
    (what: Moving, event: React.PointerEvent) => {
      if (!mayWrite || event.button !== 0) return;
      const startX = event.clientX;
      const startScroll = time.box.current?.scrollLeft ?? 0;
      const move = (to: PointerEvent) => {
        const pixels = to.clientX - startX + (time.box.current?.scrollLeft ?? 0) - startScroll;
        if (!held.current && Math.abs(pixels) < DRAG_PIXELS) return;
        const at = what.from + (pixels / time.pixelsADay) * DAY;
        set({ ...what, at: Math.round(at / QUARTER) * QUARTER });
      };
      const up = () => {
        window.removeEventListener('pointermove', move);
        window.removeEventListener('pointerup', up);
        drop();
      };
      window.addEventListener('pointermove', move);
      window.addEventListener('pointerup', up);
    },
    [mayWrite, time, drop, set],
  );
  return {
    moving,
    words,
    take: (what) => {
      if (!mayWrite) return;
      set(what);
      toast(`${what.title} is in hand`, {
        description:
          what.kind === 'due'
            ? '← → a day, with Shift an hour. Enter drops it, Esc leaves it.'
            : '← → a quarter of an hour, with Shift a day. Enter drops it, Esc leaves it.',
      });
    },
    drag,
    refuse: (bar) => toast(whyNot(bar, zone, now), { duration: 8_000 }),
  };
}

/** A due that is a day stays a day. */
async function moveDue(student: number, what: Moving, zone: string): Promise<void> {
  const detail: Detail = await queryClient.fetchQuery({ ...detailQuery(student, what.work), staleTime: 0 });
  const form = detail.editable;
  if (!form) throw new Refused(409, 'The school set this', []);
  // The end of a day is the midnight after it, and the nearest one is meant.
  const at = form.dueTime === null ? what.at - DAY / 2 : what.at;
  const done = await take(
    client.PUT('/api/students/{student}/works/{work}', {
      params: {
        path: { student, work: what.work },
        header: { 'Idempotency-Key': writeKey(), 'If-Match': `"${detail.work.version}"` },
      },
      body: {
        ...form,
        dueDay: localDate(at, zone),
        dueTime: form.dueTime === null ? null : `${localTime(at, zone)}:00`,
      },
    }),
  );
  await refreshStudent(student);
  noticeChange(
    student,
    done.change,
    `${what.title} is due ${form.dueTime === null ? dateWords(localDate(at, zone)) : moment(new Date(at).toISOString(), zone)} now`,
  );
}
