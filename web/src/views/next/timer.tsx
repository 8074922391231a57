import { useEffect, useState, useSyncExternalStore } from 'react';
import { client, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { span } from '../../lib/time';
import { Button } from '../../ui/button';
import { writePiece } from '../../ui/write-piece';

const KEY = 'navlo.timer';
const MOST_MINUTES = 6_000;
const CHANGED = 'navlo-timer';

interface Timer {
  student: number;
  work: number;
  title: string;
  startedAt: number;
}

/** In this browser only, so that it outlives the page and a lost connection. */
function read(): string {
  return localStorage.getItem(KEY) ?? '';
}

function write(timer: Timer | null): void {
  if (timer) localStorage.setItem(KEY, JSON.stringify(timer));
  else localStorage.removeItem(KEY);
  window.dispatchEvent(new Event(CHANGED));
}

function subscribe(onChange: () => void): () => void {
  window.addEventListener(CHANGED, onChange);
  window.addEventListener('storage', onChange);
  return () => {
    window.removeEventListener(CHANGED, onChange);
    window.removeEventListener('storage', onChange);
  };
}

function startTimer(student: number, work: number, title: string): void {
  write({ student, work, title, startedAt: Date.now() });
}

function useTimer(): Timer | null {
  const text = useSyncExternalStore(subscribe, read);
  return text ? (JSON.parse(text) as Timer) : null;
}

interface Clock {
  timer: Timer;
  minutes: number;
  /** Adds what has passed to the work, and stops. @returns whether it was written */
  note: () => Promise<boolean>;
  drop: () => void;
}

/** The clock that runs for this student; null while none does. */
function useClock(): Clock | null {
  const { id, mayWrite } = useStudent();
  const timer = useTimer();
  const [, tick] = useState(0);
  const [key, setKey] = useState(writeKey);
  useEffect(() => {
    const every = setInterval(() => tick((n) => n + 1), 15_000);
    return () => clearInterval(every);
  }, []);
  if (!timer || timer.student !== id || !mayWrite) return null;
  const minutes = Math.min(MOST_MINUTES, Math.floor((Date.now() - timer.startedAt) / 60_000));
  const counted = Math.max(1, minutes);
  return {
    timer,
    minutes,
    drop: () => write(null),
    note: async () => {
      const written = await writePiece(
        id,
        timer.work,
        client.POST('/api/students/{student}/works/{work}/time-spent', {
          params: { path: { student: id, work: timer.work }, header: { 'Idempotency-Key': key } },
          body: { minutes: counted },
        }),
        `Added ${span(counted)} to ${timer.title}`,
      );
      if (written.done) {
        write(null);
        setKey(writeKey());
      }
      return written.done;
    },
  };
}

function soFar(minutes: number): string {
  return minutes < 1 ? 'just begun' : `${span(minutes)} so far`;
}

/** The quiet clock of what is being worked on. It asks for nothing until it is stopped. */
function TimerBar() {
  const clock = useClock();
  if (!clock) return null;
  return (
    <section
      aria-label="The clock"
      className="no-print mb-3 flex flex-wrap items-center gap-x-3 gap-y-1.5 border-yours border-l-4 bg-yours-soft py-1.5 pr-2 pl-3"
    >
      <span className="min-w-0 flex-1 truncate">
        <b className="font-[680]">{clock.timer.title}</b>, {soFar(clock.minutes)}
      </span>
      <Button look="quiet" className="h-[30px]" onClick={clock.drop}>
        Throw the time away
      </Button>
      <Button look="main" className="h-[30px]" onClick={() => void clock.note()}>
        Stop, and note {span(Math.max(1, clock.minutes))}
      </Button>
    </section>
  );
}

export { soFar, startTimer, TimerBar, useClock };
