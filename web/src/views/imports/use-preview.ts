import { useCallback, useRef, useState } from 'react';
import { client, type ImportPreview, Refused, type Schemas, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { noticeChange, noticeFault } from '../../ui/notice';
import { type Choices, edited, type RowEdit } from './model';
import type { Way } from './ways';

const TYPING = 350;
/** So often it is asked how far the writing is. */
const LOOK = 500;

/**
 * What reading something in would do, asked again as choices change. What is pressed while an answer is on its way waits for it,
 * so that no press is lost and what is written is what was shown last.
 */
export function usePreview(student: number, way: Way, first: ImportPreview, onDone: () => void) {
  const [preview, setPreview] = useState(first);
  const [choices, setChoices] = useState(first.choices);
  const [busy, setBusy] = useState(false);
  const [written, setWritten] = useState<Schemas['ImportProgress'] | null>(null);
  const [fault, setFault] = useState<Refused | null>(null);
  const [key] = useState(writeKey);
  const latest = useRef(first.choices);
  const shown = useRef(first);
  const asking = useRef<Promise<void>>(Promise.resolve());
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const dirty = useRef(false);

  const ask = useCallback(async () => {
    clearTimeout(timer.current);
    if (!dirty.current) return;
    dirty.current = false;
    const asked = latest.current;
    setBusy(true);
    try {
      const answer = await way.preview(asked);
      if (asked === latest.current) {
        shown.current = answer;
        latest.current = answer.choices;
        setPreview(answer);
        setChoices(answer.choices);
      }
      setFault(null);
    } catch (error) {
      if (error instanceof Refused && error.status === 422) setFault(error);
      else noticeFault(error);
    }
    setBusy(false);
  }, [way]);

  const choose = useCallback(
    (change: Partial<Choices>, wait = 0) => {
      const next = { ...latest.current, ...change };
      latest.current = next;
      dirty.current = true;
      setChoices(next);
      clearTimeout(timer.current);
      const start = () => {
        asking.current = asking.current.then(ask);
      };
      if (wait === 0) start();
      else timer.current = setTimeout(start, wait);
    },
    [ask],
  );
  const correct = useCallback(
    (row: string, change: Partial<RowEdit>) => choose({ rows: edited(latest.current.rows, row, change) }),
    [choose],
  );
  const type = useCallback((change: Partial<Choices>) => choose(change, TYPING), [choose]);

  const apply = async () => {
    setBusy(true);
    asking.current = asking.current.then(ask);
    await asking.current;
    const looking = setInterval(() => {
      void take(
        client.GET('/api/students/{student}/imports/progress', { params: { path: { student } } }),
      ).then(setWritten, () => setWritten(null));
    }, LOOK);
    try {
      const done = await way.apply(shown.current.choices, shown.current.fingerprint, key);
      await refreshStudent(student);
      noticeChange(student, done.change, `${way.said} ${shown.current.choices.source}`);
      onDone();
    } catch (error) {
      noticeFault(error);
      if (error instanceof Refused && error.status === 412) {
        dirty.current = true;
        await ask();
      }
    } finally {
      clearInterval(looking);
      setWritten(null);
    }
    setBusy(false);
  };
  return { preview, choices, busy, written, fault, choose, type, correct, apply };
}
