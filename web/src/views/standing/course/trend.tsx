import { useQuery } from '@tanstack/react-query';
import { memo } from 'react';
import { Line, ReferenceLine } from 'recharts';
import type { Course } from '../../../api/client';
import { trendQuery } from '../../../api/queries';
import { useStudent } from '../../../frame/student';
import { figureWords, READING_WORDS, type Reading } from '../../../lib/readings';
import { day } from '../../../lib/time';
import { LINE, PlotKey, PlotTable, TimePlot } from '../../../ui/plot';
import { Loading } from '../../../ui/states';

const LINES: readonly (readonly [reading: Reading, colour: string, dash: string])[] = [
  ['SO_FAR', 'var(--yours)', ''],
  ['EXPECTED', 'var(--wait)', '6 3'],
  ['WITH_ZEROS', 'var(--loss)', '2 3'],
];

const RATINGS: [number, number] = [0, 4];

/** How the readings went over the term, each day as it was. */
const Trend = memo(function Trend({ course }: { course: Course }) {
  const { id, zone, board, asof } = useStudent();
  const trend = useQuery(trendQuery(id, course.id));
  if (!trend.data) return <Loading rows={3} />;
  const known = asof === null ? trend.data : trend.data.filter((point) => point.at <= board.now);
  if (known.length < 2) return null;
  const points = known.map((point) => ({
    at: new Date(point.at).getTime(),
    ...Object.fromEntries(point.figures.map((figure) => [figure.reading, Number(figure.figure)])),
  }));
  const dayOf = (at: number) => day(new Date(at).toISOString(), zone);
  return (
    <section aria-labelledby="trend" className="mb-6">
      <h2 id="trend" className="font-[680] text-[16px]">
        Over the term
      </h2>
      <TimePlot
        points={points}
        height={180}
        domain={course.standing.kind === 'STANDARDS' ? RATINGS : undefined}
        momentOf={dayOf}
        dayOf={(at) => dayOf(at).replace(/^\S+ /, '')}
        sayValue={(value, line) => [
          figureWords(String(value), course.standing),
          READING_WORDS[line as Reading],
        ]}
      >
        {course.standing.letters.map((letter) => (
          <ReferenceLine
            key={letter.label}
            y={Number(letter.from)}
            stroke="var(--ink-3)"
            strokeDasharray="1 4"
          />
        ))}
        {LINES.map(([reading, colour, dash]) => (
          <Line
            key={reading}
            {...LINE}
            dataKey={reading}
            type="stepAfter"
            stroke={colour}
            strokeDasharray={dash}
            connectNulls
          />
        ))}
      </TimePlot>
      <PlotKey
        lines={LINES.map(([reading, colour, dash]) => ({
          words: READING_WORDS[reading].toLowerCase(),
          colour,
          dash,
        }))}
      />
      <PlotTable
        summary="As a table"
        heads={['Day', ...LINES.map(([reading]) => READING_WORDS[reading])]}
        rows={known.map((point) => ({
          key: point.at,
          cells: [
            day(point.at, zone),
            ...LINES.map(([reading]) =>
              figureWords(
                point.figures.find((figure) => figure.reading === reading)?.figure ?? null,
                course.standing,
              ),
            ),
          ],
        }))}
      />
    </section>
  );
});

export { Trend };
