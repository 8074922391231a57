import { Line, ReferenceLine } from 'recharts';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near, nearDate, timeWords } from '../../lib/time';
import { LINE, PlotKey, PlotTable, TimePlot } from '../../ui/plot';
import { type Case, choiceWords, keyOf, timeline } from './model';

const LOOKS: readonly (readonly [colour: string, dash: string])[] = [
  ['var(--ink)', ''],
  ['var(--yours)', '7 3'],
  ['var(--wait)', '2 3'],
  ['var(--done)', '9 3 2 3'],
  ['var(--plum)', '4 2'],
];

const A_DAY = 24 * 3_600_000;

/** What each choice keeps of the expected score, by when the work is handed in. */
function ChoiceChart({ one }: { one: Case }) {
  const { zone } = useStudent();
  const now = useNow();
  const points = timeline(one.lines, now);
  // Over less than a day the days would all be the same.
  const hours = (points.at(-1)?.at ?? now) - now < A_DAY;
  const looks = one.lines.map((line, place) => ({
    key: keyOf(line),
    words: choiceWords(line).toLowerCase(),
    colour: LOOKS[place % LOOKS.length]?.[0] ?? 'var(--ink)',
    dash: LOOKS[place % LOOKS.length]?.[1] ?? '',
  }));
  const when = (at: number) => near(new Date(at).toISOString(), zone, now);
  return (
    <div className="min-w-0">
      <TimePlot
        points={points}
        height={170}
        domain={[0, 'auto']}
        momentOf={(at) => `in by ${when(at)}`}
        dayOf={(at) => (hours ? timeWords(at, zone) : nearDate(new Date(at).toISOString(), zone, now))}
        sayValue={(value, key) => [
          `${Math.round(value * 10) / 10} points`,
          looks.find((look) => look.key === key)?.words ?? '',
        ]}
      >
        <ReferenceLine x={new Date(one.doneAt).getTime()} stroke="var(--ink-3)" strokeDasharray="3 3" />
        {looks.map(({ key, colour, dash }) => (
          <Line key={key} {...LINE} dataKey={key} type="stepBefore" stroke={colour} strokeDasharray={dash} />
        ))}
      </TimePlot>
      <PlotKey lines={looks} />
      <PlotTable
        summary="As a table"
        heads={['In by', ...looks.map((look) => look.words)]}
        rows={points.map((point) => ({
          key: String(point.at),
          cells: [
            when(point.at ?? now),
            ...looks.map((look) => String(Math.round((point[look.key] ?? 0) * 10) / 10)),
          ],
        }))}
      />
    </div>
  );
}

export { ChoiceChart };
