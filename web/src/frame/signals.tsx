import { X } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { client, writeKey } from '../api/client';
import { useNow } from '../lib/now';
import { stakeWords } from '../lib/readings';
import { grouped, groupWords, type Signal, signalKey, wayOf } from '../lib/signals';
import { minutesBetween, span } from '../lib/time';
import { count, sentence } from '../lib/words';
import { Button, TextButton } from '../ui/button';
import { CourseMark } from '../ui/course-mark';
import { useWrite } from '../ui/use-write';
import { writeChange } from '../ui/write-change';
import { useStudent } from './student';

interface SignalsProps {
  /** The view that a piece of work opens beside, "/s/1/next". */
  view: string;
  /** How many are shown before the rest is asked for; all without it. */
  most?: number;
}

/** Everything that asks for attention, by what it is about; each with one step, and the way to put it aside. */
function Signals({ view, most }: SignalsProps) {
  const student = useStudent();
  const { board, mayWrite } = student;
  const [all, setAll] = useState(false);
  const { signals } = board;
  if (signals.length === 0) return null;
  const cut = most !== undefined && !all && signals.length > most;
  const groups = grouped(cut ? signals.slice(0, most) : signals);
  const name = board.student.name.split(' ')[0];
  return (
    <section aria-labelledby="signals" className="no-print mb-5">
      <h2
        id="signals"
        className="flex items-baseline justify-between gap-3 border-line border-b pb-1 font-[680] text-[15px]"
      >
        {count(signals.length, 'thing')} {signals.length === 1 ? 'needs' : 'need'} {mayWrite ? 'you' : name}
        {most !== undefined && signals.length > most && (
          <TextButton onClick={() => setAll(!all)} className="font-normal text-[13.5px] text-ink-2">
            {all ? 'Show fewer' : `Show all ${signals.length}`}
          </TextButton>
        )}
      </h2>
      {groups.map(([group, ofGroup]) => (
        <div key={group}>
          {!cut && (
            <h3 className="mt-2 text-[13px] text-ink-2 data-[hot=true]:text-loss" data-hot={isHot(group)}>
              {groupWords(group, student)}
            </h3>
          )}
          <ul aria-label={groupWords(group, student)}>
            {ofGroup.map((signal) => (
              <Line key={signalKey(signal)} signal={signal} view={view} />
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function isHot(group: Signal['group']): boolean {
  return group === 'ABOUT_TO_BE_LOST';
}

function Line({ signal, view }: { signal: Signal; view: string }) {
  const { id, work, course, mayWrite } = useStudent();
  const navigate = useNavigate();
  const piece = work(signal.work);
  const { write: putAside } = useWrite(() =>
    writeChange(
      id,
      client.POST('/api/students/{student}/works/{work}/signals/{signal}/aside', {
        params: {
          path: { student: id, work: signal.work, signal: signal.kind },
          header: { 'Idempotency-Key': writeKey() },
        },
      }),
      `Put aside: ${piece?.title ?? 'a signal'}`,
    ),
  );
  if (!piece) return null;
  const way = wayOf(signal, id, view, mayWrite);
  return (
    <li
      data-signal={signal.kind}
      className="flex items-center gap-3 border-line-2 border-b py-1 max-sm:flex-wrap max-sm:py-2"
    >
      <CourseMark
        colour={course(piece.courseId)?.colour ?? ''}
        className="h-7 shrink-0 self-start max-sm:hidden"
      />
      <span className="min-w-0 flex-1 text-[14px] leading-snug max-sm:basis-full">
        <b className="font-[680]">{piece.title}</b>{' '}
        <span className="sr-only">({course(piece.courseId)?.name})</span>
        <span className="text-ink-2">·</span> {sentence(signal.words)} <AtStake signal={signal} />
      </span>
      <span className="flex items-center gap-1">
        <Button className="h-[30px]" onClick={() => void navigate(way.to)}>
          {way.words}
        </Button>
        {mayWrite && (
          <button
            type="button"
            aria-label={`Put aside: ${piece.title}`}
            title="Put it aside: it comes back only if it arises anew"
            onClick={() => void putAside()}
            className="grid size-[30px] place-items-center rounded text-ink-3 hover:bg-line-2 hover:text-ink"
          >
            <X size={15} aria-hidden />
          </button>
        )}
      </span>
    </li>
  );
}

/** What hangs on it, and how long there is. */
function AtStake({ signal }: { signal: Signal }) {
  const now = useNow();
  const left = signal.until === null ? null : minutesBetween(now, signal.until);
  const words = [
    signal.stake !== null && Number(signal.stake) > 0 ? `${stakeWords(signal.stake)} of the course` : '',
    left !== null && left > 0 ? `${span(left)} left` : '',
  ].filter(Boolean);
  if (words.length === 0) return null;
  return (
    <span
      data-hot={isHot(signal.group)}
      className="block text-ink-2 data-[hot=true]:font-semibold data-[hot=true]:text-loss"
    >
      {words.join(', ')}
    </span>
  );
}

/** Work that lies with the teacher for longer than most does. It asks for nothing. */
function SlowList({ view }: { view: string }) {
  const { board, work, mayWrite } = useStudent();
  const navigate = useNavigate();
  const now = useNow();
  if (board.slow.length === 0) return null;
  return (
    <details className="no-print mb-5 text-[14px]">
      <summary className="text-ink-2">
        {count(board.slow.length, 'piece')} of work with the teacher longer than usual
      </summary>
      <ul className="mt-1 border-line-2 border-t">
        {board.slow.map((one) => {
          const piece = work(one);
          return (
            piece && (
              <li key={one} className="flex items-center gap-3 border-line-2 border-b py-1">
                <span className="min-w-0 flex-1">
                  {piece.title}
                  {piece.handedInAt && (
                    <span className="text-ink-2">
                      , for {span((now - new Date(piece.handedInAt).getTime()) / 60_000)}
                    </span>
                  )}
                </span>
                <TextButton
                  onClick={() => void navigate(`${view}/${one}${mayWrite ? '?step=message' : ''}`)}
                  className="text-[13.5px]"
                >
                  {mayWrite ? 'Ask about it' : 'Look at it'}
                </TextButton>
              </li>
            )
          );
        })}
      </ul>
    </details>
  );
}

export { Signals, SlowList };
