import { figureWords, READING_WORDS, type Reading, readingOf, type Standing } from '../../lib/readings';

/** What a scale reaches from and to, in percent or ratings. */
export interface Domain {
  from: number;
  to: number;
}

const STEP = 10;

/** One domain for all courses that are graded in percent, so that they can be compared. */
export function percentDomain(standings: readonly Standing[]): Domain {
  const figures = standings
    .filter((one) => one.kind === 'POINTS' || one.kind === 'WEIGHTED')
    .flatMap((one) => one.readings.map((reading) => Number(reading.figure ?? 100)));
  const least = Math.min(100 - STEP, ...figures);
  const most = Math.max(100, ...figures);
  return { from: Math.floor(least / STEP) * STEP, to: Math.ceil(most / STEP) * STEP };
}

const RATINGS: Domain = { from: 0, to: 4 };

interface ScaleProps {
  standing: Standing;
  percent: Domain;
  /** What the student wants it to come to; null for nothing. */
  target?: string | null;
}

/** A course's readings on one scale: the reach from floor to ceiling, the boundaries, and three marks. */
function Scale({ standing, percent, target = null }: ScaleProps) {
  if (standing.kind === 'COMPLETION') return <Path standing={standing} />;
  const domain = standing.kind === 'STANDARDS' ? RATINGS : percent;
  const at = (figure: string | number) =>
    `${Math.min(100, Math.max(0, ((Number(figure) - domain.from) / (domain.to - domain.from)) * 100))}%`;
  const of = (reading: Reading) => readingOf(standing, reading)?.figure ?? null;
  const floor = of('FLOOR');
  const ceiling = of('CEILING');
  return (
    <div aria-hidden className="relative h-[46px]">
      <span className="absolute inset-x-0 top-[19px] h-px bg-line" />
      {floor !== null && ceiling !== null && (
        <span
          className="absolute top-[15px] h-[9px] bg-free"
          style={{ left: at(floor), width: `calc(${at(ceiling)} - ${at(floor)})` }}
        />
      )}
      {standing.letters.map((letter) => (
        <span
          key={letter.label}
          className="absolute top-[11px] flex -translate-x-1/2 flex-col items-center"
          style={{ left: at(letter.from) }}
        >
          <span className="h-[17px] w-px bg-ink-3" />
          <span className="max-w-[88px] truncate text-[12px] text-ink-2 leading-4">{letter.label}</span>
        </span>
      ))}
      {target !== null && (
        <svg
          width="11"
          height="11"
          viewBox="0 0 11 11"
          aria-hidden
          className="absolute top-[14px] -translate-x-1/2 overflow-visible"
          style={{ left: at(target) }}
        >
          <path
            d="M5.5 0.5 L10.5 5.5 L5.5 10.5 L0.5 5.5 Z"
            fill="var(--raised)"
            stroke="var(--done)"
            strokeWidth="2"
          />
        </svg>
      )}
      <Mark kind="WITH_ZEROS" left={of('WITH_ZEROS')} at={at} standing={standing} />
      <Mark kind="EXPECTED" left={of('EXPECTED')} at={at} standing={standing} />
      <Mark kind="SO_FAR" left={of('SO_FAR')} at={at} standing={standing} />
    </div>
  );
}

type Marked = 'SO_FAR' | 'WITH_ZEROS' | 'EXPECTED';

interface MarkProps {
  kind: Marked;
  left: string | null;
  at: (figure: string) => string;
  standing: Standing;
}

function Mark({ kind, left, at, standing }: MarkProps) {
  if (left === null) return null;
  return (
    <span
      className="absolute top-0"
      style={{ left: at(left) }}
      title={`${READING_WORDS[kind]}: ${figureWords(left, standing)}`}
    >
      <MarkShape kind={kind} />
    </span>
  );
}

/** So far flies a pennant; expected is an open post; with zeros hangs below the line. */
function MarkShape({ kind }: { kind: Marked }) {
  return (
    <svg width="14" height="26" viewBox="0 0 14 26" className="-ml-px block overflow-visible" aria-hidden>
      {kind === 'SO_FAR' && (
        <>
          <path d="M1 1 V24" stroke="var(--ink)" strokeWidth="2" />
          <path d="M2 1 L12 5 L2 9 Z" fill="var(--yours)" />
        </>
      )}
      {kind === 'EXPECTED' && (
        <rect
          x="-1.5"
          y="14.5"
          width="5"
          height="10"
          fill="var(--raised)"
          stroke="var(--wait)"
          strokeWidth="2"
        />
      )}
      {kind === 'WITH_ZEROS' && (
        <path d="M1 15 V25 M-2.5 25 H4.5" stroke="var(--loss)" strokeWidth="2" fill="none" />
      )}
    </svg>
  );
}

/** A course of completion has no percent: how much of the required work is done. */
function Path({ standing }: { standing: Standing }) {
  const { completion } = standing;
  if (!completion) return null;
  const share = completion.required === 0 ? 0 : completion.done / completion.required;
  return (
    <div aria-hidden className="relative h-[46px]">
      <span className="absolute inset-x-0 top-[15px] h-[9px] bg-free" />
      <span className="absolute top-[15px] left-0 h-[9px] bg-done" style={{ width: `${share * 100}%` }} />
      <span className="absolute top-[26px] left-0 text-[12px] text-ink-2 leading-4">
        {completion.done} of {completion.required} required done
      </span>
    </div>
  );
}

/** What the shapes on the scales say. */
function ScaleKey() {
  return (
    <p className="flex flex-wrap items-center gap-x-5 gap-y-1 text-[13.5px] text-ink-2">
      {(['SO_FAR', 'EXPECTED', 'WITH_ZEROS'] as const).map((kind) => (
        <span key={kind} className="flex items-center gap-2">
          <MarkShape kind={kind} />
          {READING_WORDS[kind].toLowerCase()}
        </span>
      ))}
      <span className="flex items-center gap-2">
        <svg width="11" height="11" viewBox="0 0 11 11" aria-hidden>
          <path
            d="M5.5 1 L10 5.5 L5.5 10 L1 5.5 Z"
            fill="var(--raised)"
            stroke="var(--done)"
            strokeWidth="2"
          />
        </svg>
        the target
      </span>
      <span className="flex items-center gap-2">
        <span aria-hidden className="inline-block h-[9px] w-8 bg-free" />
        from floor to ceiling
      </span>
    </p>
  );
}

export { Scale, ScaleKey };
