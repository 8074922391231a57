import type { Course } from '../../api/client';
import { sentence } from '../../lib/words';
import { StageGlyph } from '../../ui/stage-glyph';
import type { Bar } from './model';
import { barWords, stateOf } from './words';

const WIDTH = 380;
const ROOM = 210;

interface BarCardProps {
  bar: Bar;
  rect: DOMRect;
  course: Course | undefined;
  now: number;
}

/** What a bar says, in words: the next loss first. It lies under the bar that is pointed at or walked to. */
function BarCard({ bar, rect, course, now }: BarCardProps) {
  const lines = barWords(bar, course, now);
  const left = Math.max(8, Math.min(rect.left, window.innerWidth - WIDTH - 8));
  const below = rect.bottom + ROOM < window.innerHeight;
  const { work } = bar;
  return (
    <div
      aria-hidden
      data-card
      className="pointer-events-none fixed z-40 rounded border border-line bg-raised p-3 text-[14px] leading-snug shadow-[0_10px_24px_-12px_rgb(0_0_0/0.45)]"
      style={{
        left,
        width: WIDTH,
        maxWidth: 'calc(100vw - 16px)',
        ...(below ? { top: rect.bottom + 20 } : { bottom: window.innerHeight - rect.top + 6 }),
      }}
    >
      <p className="font-bold">{work.title}</p>
      <p className="flex items-center gap-1 text-ink-2">
        <StageGlyph stage={work.stage} redo={work.stage === 'RETURNED' && work.move === 'YOURS'} />
        {course?.name}, {stateOf(bar)}
      </p>
      <ul className="mt-1.5">
        {lines.map((line, place) => (
          <li
            key={line}
            className={place === 0 && work.next && work.move === 'YOURS' ? 'font-semibold text-loss' : ''}
          >
            {sentence(line)}
          </li>
        ))}
      </ul>
    </div>
  );
}

export { BarCard };
