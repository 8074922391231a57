import type { Work } from '../api/client';

type Look = Work['stage'] | 'REDO';

/** Where the way-points stand on the line: begun, handed in, returned. */
const POINTS = [18, 32, 46] as const;
const Y = 8;

const MARKER: Record<Look, { at: number; colour: string } | null> = {
  NOT_OPEN: { at: 4, colour: 'var(--ink-3)' },
  ASSIGNED: { at: 4, colour: 'var(--yours)' },
  DRAFT: { at: 18, colour: 'var(--yours)' },
  TURNED_IN: { at: 32, colour: 'var(--wait)' },
  SENT_BACK: { at: 25, colour: 'var(--loss)' },
  RETURNED: { at: 46, colour: 'var(--done)' },
  REDO: { at: 46, colour: 'var(--yours)' },
  EXCUSED: null,
};

interface StageGlyphProps {
  stage: Work['stage'];
  /** A returned piece of work that is to be done again. */
  redo?: boolean;
}

/** A short route with three way-points and a marker on it that says how far the work has come. The word always stands beside it. */
function StageGlyph({ stage, redo = false }: StageGlyphProps) {
  const look: Look = redo ? 'REDO' : stage;
  const marker = MARKER[look];
  return (
    <svg width="54" height="16" viewBox="0 0 54 16" aria-hidden className="shrink-0">
      <line
        x1="4"
        x2="46"
        y1={Y}
        y2={Y}
        stroke="var(--ink-3)"
        strokeWidth="1.5"
        strokeDasharray={stage === 'NOT_OPEN' ? '2 3' : undefined}
      />
      {POINTS.map((x) => (
        <line key={x} x1={x} x2={x} y1={Y - 3} y2={Y + 3} stroke="var(--ink-3)" strokeWidth="1.5" />
      ))}
      {marker && marker.at > 4 && (
        <line x1="4" x2={marker.at} y1={Y} y2={Y} stroke={marker.colour} strokeWidth="3" />
      )}
      {marker && <Marker look={look} {...marker} />}
      {stage === 'EXCUSED' && <line x1="16" x2="34" y1="14" y2="2" stroke="var(--ink-3)" strokeWidth="2" />}
    </svg>
  );
}

function Marker({ look, at, colour }: { look: Look; at: number; colour: string }) {
  if (look === 'SENT_BACK') return <path d={`M${at + 6} 2 L${at - 5} ${Y} L${at + 6} 14 Z`} fill={colour} />;
  const d = `M${at - 4} 2 L${at + 6} ${Y} L${at - 4} 14 Z`;
  return look === 'NOT_OPEN' ? (
    <path d={d} fill="var(--paper)" stroke={colour} strokeWidth="1.5" />
  ) : (
    <path d={d} fill={colour} />
  );
}

export type { StageGlyphProps };
export { StageGlyph };
