import { memo, type ReactNode } from 'react';
import type { Work } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { stakeWords } from '../../lib/readings';
import { near, span } from '../../lib/time';
import { type LeftMove, leftWords, type Next } from './model';
import { MoveMenu } from './move-menu';

interface LeftOutProps {
  next: Next;
  onOpen: (work: number) => void;
}

/** What the plan leaves out, with what that costs, and what takes no hours here: nothing that is yours goes unsaid. */
const LeftOut = memo(function LeftOut({ next, onOpen }: LeftOutProps) {
  const { work, zone } = useStudent();
  const now = useNow();
  return (
    <>
      <List
        title="Left out"
        about={next.left.length > 0 ? `${next.left.length}, and what that costs` : 'nothing'}
      >
        {next.left.map((left) => {
          const piece = work(left.work);
          return piece && <Left key={left.work} left={left} work={piece} onOpen={onOpen} />;
        })}
      </List>
      {next.inClass.length > 0 && (
        <List title="In class" about={`${next.inClass.length}, no hours needed here`}>
          {next.inClass.map((one) => {
            const piece = work(one);
            return (
              piece && (
                <li
                  key={one}
                  className="flex items-baseline justify-between gap-3 border-line-2 border-b py-1.5"
                >
                  <Open work={piece} onOpen={onOpen} />
                  <span className="shrink-0 text-[13px] text-ink-2">
                    {piece.due ? near(piece.due, zone, now) : 'no day set'}
                  </span>
                </li>
              )
            );
          })}
        </List>
      )}
    </>
  );
});

function List({ title, about, children }: { title: string; about: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="mt-5">
      <h2 className="flex items-baseline justify-between font-[680] text-[15px]">
        {title} <span className="font-normal text-[13px] text-ink-2">{about}</span>
      </h2>
      <ul className="mt-1 border-line border-t">{children}</ul>
    </section>
  );
}

function Open({ work, onOpen }: { work: Work; onOpen: (work: number) => void }) {
  return (
    <button
      type="button"
      onClick={() => onOpen(work.id)}
      className="min-w-0 truncate text-left hover:underline"
    >
      {work.title}
    </button>
  );
}

function Left({ left, work, onOpen }: { left: LeftMove; work: Work; onOpen: (work: number) => void }) {
  const { mayWrite, zone, work: workOf } = useStudent();
  const now = useNow();
  const cost = Number(left.cost);
  return (
    <li className="border-line-2 border-b py-1.5">
      <span className="flex items-center justify-between gap-2">
        <Open work={work} onOpen={onOpen} />
        <span className="flex shrink-0 items-center gap-1">
          <b className={cost > 0 ? 'font-[680] text-loss' : 'font-normal text-ink-2'}>
            {cost > 0 ? `−${stakeWords(left.cost)}` : '0 %'}
          </b>
          {mayWrite && (
            <MoveMenu
              move={{ ...left, first: false, before: null, nailed: null }}
              work={work}
              onOpen={onOpen}
            />
          )}
        </span>
      </span>
      <span className="block text-[13px] text-ink-2">
        {left.because !== 'SHUT_FOR_GOOD' && `${span(left.minutes)}; `}
        {left.notBefore
          ? `you put it off until ${near(left.notBefore, zone, now)}`
          : leftWords(left, (other) => workOf(other)?.title ?? 'other work')}
      </span>
    </li>
  );
}

export { LeftOut };
