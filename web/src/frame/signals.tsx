import { X } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { client, writeKey } from '../api/client';
import { writeChange } from '../api/write-change';
import { useNow } from '../lib/now';
import { stakeWords } from '../lib/readings';
import { GROUP_WORDS, grouped, type Signal, signalKey, wayOf } from '../lib/signals';
import { minutesBetween, span } from '../lib/time';
import { count, sentence } from '../lib/words';
import { Button, TextButton } from '../ui/button';
import { CourseMark } from '../ui/course-mark';
import { noticeFault } from '../ui/notice';
import { useStudent } from './student';

interface SignalsProps {
  /** The view that a piece of work opens beside, "/s/1/next". */
  view: string;
  /** How many are shown before the rest is asked for; all without it. */
  most?: number;
}

/** Everything that asks for attention, by what it is about; each with one step, and the way to put it aside. */
function Signals({ view, most }: SignalsProps) {
  const { board, mayWrite } = useStudent();
  const [all, setAll] = useState(false);
  const { signals } = board;
  if (signals.length === 0) return null;
  const shown = all || most === undefined ? signals : signals.slice(0, most);
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
      {grouped(shown).map(([group, ofGroup]) => (
        <ul key={group} aria-label={GROUP_WORDS[group]}>
          {ofGroup.map((signal, place) => (
            <Line key={signalKey(signal)} signal={signal} view={view} head={place === 0} />
          ))}
        </ul>
      ))}
    </section>
  );
}

function Line({ signal, view, head }: { signal: Signal; view: string; head: boolean }) {
  const { id, work, course, mayWrite } = useStudent();
  const now = useNow();
  const navigate = useNavigate();
  const piece = work(signal.work);
  if (!piece) return null;
  const way = wayOf(signal, id, view, mayWrite);
  const left = signal.until === null ? null : minutesBetween(now, signal.until);
  const hot = signal.group === 'ABOUT_TO_BE_LOST';
  const putAside = () =>
    void writeChange(
      id,
      client.POST('/api/students/{student}/works/{work}/signals/{signal}/aside', {
        params: {
          path: { student: id, work: signal.work, signal: signal.kind },
          header: { 'Idempotency-Key': writeKey() },
        },
      }),
      `Put aside: ${piece.title}`,
    ).catch(noticeFault);
  return (
    <li
      data-signal={signal.kind}
      className="grid grid-cols-[118px_minmax(0,1fr)_auto] items-start gap-x-3 border-line-2 border-b py-1.5 max-sm:grid-cols-1 max-sm:gap-y-1.5"
    >
      <span
        className={`pt-px text-[13px] max-sm:hidden ${hot ? 'font-semibold text-loss' : 'text-ink-2'}`}
        aria-hidden
      >
        {head && GROUP_WORDS[signal.group]}
      </span>
      <span className="min-w-0">
        <b className="font-[680]">{piece.title}</b>
        <span className="block text-[14px]">{sentence(signal.words)}</span>
        <span className="flex flex-wrap items-center gap-x-2 text-[13px] text-ink-2">
          <CourseMark colour={course(piece.courseId)?.colour ?? ''} className="h-3.5" />
          {course(piece.courseId)?.name}
          {signal.stake !== null && Number(signal.stake) > 0 && (
            <span>· {stakeWords(signal.stake)} at stake</span>
          )}
          {left !== null && left > 0 && (
            <span className={hot ? 'font-semibold text-loss' : ''}>· {span(left)} left</span>
          )}
        </span>
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
            onClick={putAside}
            className="grid size-[30px] place-items-center rounded text-ink-3 hover:bg-line-2 hover:text-ink"
          >
            <X size={15} aria-hidden />
          </button>
        )}
      </span>
    </li>
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
