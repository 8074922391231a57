import type { Detail } from '../../api/client';
import { Part } from './part';

type Row = NonNullable<Detail['material']['rubric']>['rows'][number];

/** What the points are given for: every row with its levels, and once it is marked, what was got and lost. */
function Rubric({ detail }: { detail: Detail }) {
  const { rubric } = detail.material;
  if (!rubric) return null;
  const aside = rubric.got === null ? `${rubric.most} points` : `${rubric.got} of ${rubric.most} points`;
  return (
    <Part title="Rubric" id="rubric" aside={aside}>
      <ul className="flex flex-col gap-4">
        {rubric.rows.map((row) => (
          <RubricRow key={row.title} row={row} />
        ))}
      </ul>
    </Part>
  );
}

function RubricRow({ row }: { row: Row }) {
  const marked = row.got !== null;
  const got = row.levels.find((level) => level.got);
  const others = row.levels.filter((level) => !level.got);
  return (
    <li>
      <p className="flex items-baseline justify-between gap-3">
        <b className="font-[680]">{row.title}</b>
        <span className="whitespace-nowrap text-[14px]">
          {marked ? (
            <>
              <b className="font-[680]">{row.got}</b> <span className="text-ink-2">of {row.most}</span>
              {row.lost !== '0' && <span className="ml-2.5 font-semibold text-loss">−{row.lost}</span>}
            </>
          ) : (
            <span className="text-ink-2">up to {row.most}</span>
          )}
        </span>
      </p>
      <Scale row={row} />
      {marked && got && <LevelText level={got} />}
      {row.words && <p className="mt-0.5 border-done border-l-2 pl-2.5">{row.words}</p>}
      {marked ? (
        <details className="mt-1 text-[14px]">
          <summary className="text-ink-2 underline underline-offset-2">
            {got ? 'The other levels' : 'All levels'}
          </summary>
          <Levels levels={others} />
        </details>
      ) : (
        <Levels levels={row.levels} />
      )}
    </li>
  );
}

/** The levels on a line by their points, and where the mark stands on it. */
function Scale({ row }: { row: Row }) {
  const most = Number(row.most);
  if (most === 0) return null;
  const at = (points: string) => `${(Number(points) / most) * 100}%`;
  return (
    <div aria-hidden className="relative my-1.5 h-2 bg-line-2">
      {row.got !== null && <div className="h-full bg-done" style={{ width: at(row.got) }} />}
      {row.levels.map((level) => (
        <span
          key={level.title}
          className="absolute top-0 h-full w-[2px] -translate-x-1/2 bg-raised"
          style={{ left: at(level.points) }}
        />
      ))}
    </div>
  );
}

function Levels({ levels }: { levels: Row['levels'] }) {
  return (
    <ul className="mt-1 flex flex-col gap-1.5 text-[14px]">
      {levels.map((level) => (
        <li key={level.title}>
          <LevelText level={level} />
        </li>
      ))}
    </ul>
  );
}

function LevelText({ level }: { level: Row['levels'][number] }) {
  return (
    <p className="text-[14px]">
      <span className="font-semibold">
        {level.points}, {level.title}.
      </span>{' '}
      <span className="text-ink-2">{level.description}</span>
    </p>
  );
}

export { Rubric };
