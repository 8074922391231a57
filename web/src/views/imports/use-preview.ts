import { useCallback, useRef, useState } from 'react';
import { client, type ImportPreview, Refused, take, writeKey } from '../../api/client';
import { refreshStudent } from '../../api/queries';
import { noticeChange, noticeFault } from '../../ui/notice';
import { type Choices, edited, type RowEdit } from './model';

const TYPING = 350;

/**
 * What reading something in would do, asked again as choices change. What is pressed while an answer is on its way waits for it,
 * so that no press is lost and what is written is what was shown last.
 */
export function usePreview(student: number, first: ImportPreview, onDone: () => void) {
  const [preview, setPreview] = useState(first);
  const [choices, setChoices] = useState(first.choices);
  const [busy, setBusy] = useState(false);
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
      const answer = await take(
        client.POST('/api/students/{student}/imports/{file}/preview', {
          params: { path: { student, file: first.id } },
          body: asked,
        }),
      );
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
  }, [student, first.id]);

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
    try {
      const done = await take(
        client.POST('/api/students/{student}/imports/{file}/application', {
          params: { path: { student, file: first.id }, header: { 'Idempotency-Key': key } },
          body: { choices: shown.current.choices, fingerprint: shown.current.fingerprint },
        }),
      );
      await refreshStudent(student);
      noticeChange(student, done.change, `Read in ${shown.current.choices.source}`);
      onDone();
    } catch (error) {
      noticeFault(error);
      if (error instanceof Refused && error.status === 412) {
        dirty.current = true;
        await ask();
      }
    }
    setBusy(false);
  };
  return { preview, choices, busy, fault, choose, type, correct, apply };
}
