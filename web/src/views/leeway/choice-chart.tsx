import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { PLOT, PlotKey, PlotTable } from '../../ui/plot';
import { type Case, choiceWords, keyOf, timeline } from './model';

const LOOKS: readonly (readonly [colour: string, dash: string])[] = [
  ['var(--ink)', ''],
  ['var(--yours)', '7 3'],
  ['var(--wait)', '2 3'],
  ['var(--done)', '9 3 2 3'],
  ['var(--plum)', '4 2'],
];

/** What each choice keeps of the expected score, by when the work is handed in. */
function ChoiceChart({ one }: { one: Case }) {
  const { zone } = useStudent();
  const now = useNow();
  const points = timeline(one.lines, now);
  const looks = one.lines.map((line, place) => ({
    key: keyOf(line),
    words: choiceWords(line).toLowerCase(),
    colour: LOOKS[place % LOOKS.length]?.[0] ?? 'var(--ink)',
    dash: LOOKS[place % LOOKS.length]?.[1] ?? '',
  }));
  const when = (at: number) => near(new Date(at).toISOString(), zone, now);
  return (
    <div className="min-w-0">
      <div aria-hidden className="h-[170px]">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart
            accessibilityLayer={false}
            data={points}
            margin={{ top: 8, right: 8, bottom: 0, left: -26 }}
          >
            <CartesianGrid stroke={PLOT.grid} vertical={false} />
            <XAxis
              dataKey="at"
              type="number"
              domain={['dataMin', 'dataMax']}
              tickFormatter={(at: number) => when(at).replace(/ \d\d:\d\d$/, '')}
              tick={PLOT.tick}
              stroke={PLOT.axis}
              minTickGap={40}
            />
            <YAxis domain={[0, 'auto']} tick={PLOT.tick} stroke={PLOT.axis} width={52} />
            <ReferenceLine x={new Date(one.doneAt).getTime()} stroke="var(--ink-3)" strokeDasharray="3 3" />
            <Tooltip
              isAnimationActive={false}
              labelFormatter={(at) => `in by ${when(Number(at))}`}
              formatter={(value, key) => [
                `${Math.round(Number(value) * 10) / 10} points`,
                looks.find((look) => look.key === key)?.words ?? '',
              ]}
              contentStyle={PLOT.tip}
            />
            {looks.map(({ key, colour, dash }) => (
              <Line
                key={key}
                dataKey={key}
                type="stepBefore"
                stroke={colour}
                strokeDasharray={dash}
                strokeWidth={2}
                dot={false}
                isAnimationActive={false}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
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
