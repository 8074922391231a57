import { useState } from 'react';
import { client, type Detail, take, writeKey } from '../../api/client';
import { detailQuery, feedbackQuery, queryClient } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { noticeChange, noticeFault } from '../../ui/notice';
import type { Said } from './model';
import { inOrder } from './model';

/** Says that a mark on a page is dealt with; for a reader only whether it is. */
function MarkTick({ said, label }: { said: Said; label: string }) {
  const { id, mayWrite } = useStudent();
  const [meant, setMeant] = useState<boolean | null>(null);
  if (!said.mark) return null;
  const { done } = said.mark;
  if (!mayWrite) return done ? <span className="text-[13.5px] text-done">dealt with</span> : null;
  const tick = async () => {
    setMeant(!done);
    try {
      const edited = await take(
        client.PUT('/api/students/{student}/works/{work}/marks/{mark}', {
          params: {
            path: { student: id, work: said.work, mark: said.id },
            header: { 'Idempotency-Key': writeKey() },
          },
          body: { done: !done },
        }),
      );
      noticeChange(id, edited.change, done ? 'Took the tick back' : 'Ticked off a mark');
    } catch (error) {
      noticeFault(error);
    }
    await Promise.all([
      queryClient.invalidateQueries({ queryKey: detailQuery(id, said.work).queryKey }),
      queryClient.invalidateQueries({ queryKey: feedbackQuery(id).queryKey }),
    ]);
    setMeant(null);
  };
  return (
    <label className="no-print flex shrink-0 items-center gap-1.5 whitespace-nowrap text-[13.5px] text-ink-2">
      <input
        type="checkbox"
        aria-label={label}
        checked={meant ?? done}
        onChange={() => void tick()}
        className="h-4 w-4 accent-done"
      />
      done
    </label>
  );
}

/** The marks on what was handed in, beside what is handed in anew: those left first in mind, each to be ticked off. */
function MarksLeft({ detail }: { detail: Detail }) {
  const marks = inOrder(detail.said.filter((one) => one.mark));
  const left = marks.filter((one) => !one.mark?.done).length;
  if (marks.length === 0) return null;
  return (
    <section aria-label="Marks on what you handed in" className="border-line border-l-2 pl-3">
      <h4 className="font-semibold text-[14px]">
        {left === 0
          ? `All ${marks.length} marks on your hand-in are dealt with`
          : `Marks on your hand-in: ${left} of ${marks.length} left`}
      </h4>
      <ol className="mt-1 flex flex-col gap-1 text-[14px]">
        {marks.map((said, place) => (
          <li key={said.id} className="flex items-baseline gap-2.5">
            <span className={said.mark?.done ? 'min-w-0 flex-1 text-ink-2 line-through' : 'min-w-0 flex-1'}>
              {said.text} <span className="text-ink-2 no-underline">page {said.mark?.page}</span>
            </span>
            <MarkTick said={said} label={`Dealt with: mark ${place + 1}`} />
          </li>
        ))}
      </ol>
    </section>
  );
}

export { MarksLeft, MarkTick };
