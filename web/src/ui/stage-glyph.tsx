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

const LOOKS = Object.keys(MARKER) as Look[];

interface StageGlyphProps {
  stage: Work['stage'];
  /** A returned piece of work that is to be done again. */
  redo?: boolean;
}

/** A short route with three way-points and a marker on it that says how far the work has come. The word always stands beside it. */
function StageGlyph({ stage, redo = false }: StageGlyphProps) {
  return (
    <svg width="54" height="16" viewBox="0 0 54 16" aria-hidden className="shrink-0">
      <use href={`#stage-${redo ? 'REDO' : stage}`} />
    </svg>
  );
}

/** Every glyph once, for the page; the rows of a table only point at them. */
function StageGlyphs() {
  return (
    <svg width="0" height="0" aria-hidden className="absolute">
      <defs>
        {LOOKS.map((look) => (
          <symbol key={look} id={`stage-${look}`} viewBox="0 0 54 16">
            <Route look={look} />
          </symbol>
        ))}
      </defs>
    </svg>
  );
}

function Route({ look }: { look: Look }) {
  const marker = MARKER[look];
  const dashes = look === 'NOT_OPEN' ? { strokeDasharray: '2 3' } : {};
  return (
    <>
      <path d={`M4 ${Y} H46`} stroke="var(--ink-3)" strokeWidth="1.5" {...dashes} />
      <path d={POINTS.map((x) => `M${x} ${Y - 3} v6`).join(' ')} stroke="var(--ink-3)" strokeWidth="1.5" />
      {marker && marker.at > 4 && <path d={`M4 ${Y} H${marker.at}`} stroke={marker.colour} strokeWidth="3" />}
      {marker && <Marker look={look} {...marker} />}
      {look === 'EXCUSED' && <path d="M16 14 L34 2" stroke="var(--ink-3)" strokeWidth="2" />}
    </>
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
export { StageGlyph, StageGlyphs };
