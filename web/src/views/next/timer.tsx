import { type FormEvent, useEffect, useState, useSyncExternalStore } from 'react';
import { client, type Work, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { localDate, nearStart, span } from '../../lib/time';
import { Button, TextButton } from '../../ui/button';
import { TextField } from '../../ui/field';
import { noticeFault } from '../../ui/notice';
import { writePiece } from '../../ui/write-piece';
import { writeTogether } from '../work/own-forms';

const KEY = 'navlo.timer';
const MOST_MINUTES = 6_000;
/** A clock that ran longer, or over a night, was forgotten. */
const FORGOTTEN_MINUTES = 4 * 60;
/** A day ends so long after its midnight for who works late. */
const NIGHT = 4 * 3_600_000;
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
  /** Whether nobody can have worked as long as it has run: then it is asked how long that was. */
  forgotten: boolean;
  /** Adds what has passed to the work, or what is said instead, and stops. @returns whether it was written */
  note: (minutes?: number) => Promise<boolean>;
  drop: () => void;
}

/** The clock that runs for this student; null while none does. */
function useClock(): Clock | null {
  const { id, mayWrite, zone } = useStudent();
  const timer = useTimer();
  const [, tick] = useState(0);
  const [key, setKey] = useState(writeKey);
  useEffect(() => {
    const every = setInterval(() => tick((n) => n + 1), 15_000);
    return () => clearInterval(every);
  }, []);
  if (!timer || timer.student !== id || !mayWrite) return null;
  const minutes = Math.min(MOST_MINUTES, Math.floor((Date.now() - timer.startedAt) / 60_000));
  const dayOf = (instant: number) => localDate(instant - NIGHT, zone);
  return {
    timer,
    minutes,
    forgotten: minutes >= FORGOTTEN_MINUTES || dayOf(timer.startedAt) !== dayOf(Date.now()),
    drop: () => write(null),
    note: async (said = minutes) => {
      const counted = Math.max(1, said);
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

/** Asks once how long it was: what passed while nobody worked counts nowhere. */
function Forgotten({ clock }: { clock: Clock }) {
  const { zone, work } = useStudent();
  const now = useNow();
  const { timer } = clock;
  const [minutes, setMinutes] = useState(String(work(timer.work)?.effortMinutes ?? 30));
  const said = Number(minutes);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (said >= 1) void clock.note(said);
  };
  return (
    <section
      aria-label="The clock"
      className="no-print mb-3 border-yours border-l-4 bg-yours-soft py-2 pr-2 pl-3"
    >
      <form onSubmit={submit} className="flex flex-wrap items-end gap-x-3 gap-y-1.5">
        <p className="min-w-[220px] flex-1">
          <b className="font-[680]">{timer.title}</b>: the clock has run since{' '}
          {nearStart(new Date(timer.startedAt).toISOString(), zone, now)}. How long did you work?
        </p>
        <TextField
          label="Minutes worked"
          type="number"
          min={1}
          max={MOST_MINUTES}
          required
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
          className="w-28"
        />
        <Button look="quiet" onClick={clock.drop}>
          Throw the time away
        </Button>
        <Button look="main" type="submit">
          Note it
        </Button>
      </form>
    </section>
  );
}

/** Half-way it shows that it takes longer: said, the evening is planned anew at once. */
function NeedsMore({ work, minutes }: { work: Work; minutes: number }) {
  const { id } = useStudent();
  const [asking, setAsking] = useState(false);
  const [more, setMore] = useState('40');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const total = work.minutesSpent + minutes + Number(more);
    try {
      await writeTogether(
        id,
        [work.id],
        { effort: { minutes: total } },
        `${work.title} needs ${span(Number(more))} more`,
      );
      setAsking(false);
    } catch (fault) {
      noticeFault(fault);
    }
  };
  if (!asking) return <TextButton onClick={() => setAsking(true)}>It needs longer</TextButton>;
  return (
    <form onSubmit={(event) => void submit(event)} className="flex items-end gap-2">
      <TextField
        label="It needs, in minutes more"
        type="number"
        min={1}
        max={MOST_MINUTES}
        required
        value={more}
        onChange={(event) => setMore(event.target.value)}
        className="w-36"
      />
      <Button type="submit">Plan with it</Button>
    </form>
  );
}

/** The quiet clock of what is being worked on. It asks for nothing until it is stopped. */
function TimerBar() {
  const clock = useClock();
  const { work } = useStudent();
  if (!clock) return null;
  const piece = work(clock.timer.work);
  if (clock.forgotten) return <Forgotten clock={clock} />;
  return (
    <section
      aria-label="The clock"
      className="no-print mb-3 flex flex-wrap items-center gap-x-3 gap-y-1.5 border-yours border-l-4 bg-yours-soft py-1.5 pr-2 pl-3"
    >
      <span className="min-w-0 flex-1 truncate">
        <b className="font-[680]">{clock.timer.title}</b>, {soFar(clock.minutes)}
      </span>
      {piece && <NeedsMore work={piece} minutes={clock.minutes} />}
      <Button look="quiet" className="h-[30px]" onClick={clock.drop}>
        Throw the time away
      </Button>
      <Button look="main" className="h-[30px]" onClick={() => void clock.note()}>
        Stop, and note {span(Math.max(1, clock.minutes))}
      </Button>
    </section>
  );
}

export { Forgotten, NeedsMore, soFar, startTimer, TimerBar, useClock };
