import type { Detail } from '../../api/client';

/** How the class did, on the scale of the points: from lowest to highest, its mean, and one's own score. */
function ClassStrip({ detail }: { detail: Detail }) {
  const { score } = detail.work;
  const figures = detail.material.classFigures;
  const possible = Number(score.possible);
  if (!figures || possible <= 0) return null;
  const at = (points: string) => `${Math.min(100, (Number(points) / possible) * 100)}%`;
  const { mean, highest, lowest } = figures;
  return (
    <div className="mt-1.5">
      <div aria-hidden className="relative h-4">
        <span className="absolute top-[7px] right-0 left-0 h-[2px] bg-line" />
        {lowest !== null && highest !== null && (
          <span
            className="absolute top-[4px] h-2 bg-free"
            style={{ left: at(lowest), width: `calc(${at(highest)} - ${at(lowest)})` }}
          />
        )}
        {mean !== null && (
          <span className="absolute top-[2px] h-3 w-[2px] bg-ink-2" style={{ left: at(mean) }} />
        )}
        {score.points !== null && (
          <span
            className="absolute top-0 h-4 w-[4px] -translate-x-1/2 bg-done"
            style={{ left: at(score.points) }}
          />
        )}
      </div>
      <p className="text-[14px] text-ink-2">
        {[
          mean !== null && `mean ${mean}`,
          highest !== null && `highest ${highest}`,
          lowest !== null && `lowest ${lowest}`,
        ]
          .filter(Boolean)
          .join(', ')}
        {score.points !== null && `; this one ${score.points}`}
      </p>
    </div>
  );
}

export { ClassStrip };
