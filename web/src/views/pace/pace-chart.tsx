import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { Schemas } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { dateWords, localDate } from '../../lib/time';
import { PLOT, PlotKey, PlotTable } from '../../ui/plot';

const DAY = 86_400_000;

function at(date: string): number {
  return new Date(`${date}T12:00:00Z`).getTime();
}

function dateOf(at: number): string {
  return new Date(at).toISOString().slice(0, 10);
}

/** Due and done over the term as two steps, with today, the holidays and the close. */
function PaceChart({ pace }: { pace: Schemas['CoursePaceView'] }) {
  const { board, zone } = useStudent();
  const today = localDate(useNow(), zone);
  const points = pace.line.map((point) => ({ at: at(point.day), due: point.due, done: point.done }));
  const off = board.tide.filter((one) => one.dayOff !== null);
  return (
    <div className="min-w-0">
      <div aria-hidden className="h-[190px] max-md:mt-2">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart
            accessibilityLayer={false}
            data={points}
            margin={{ top: 8, right: 8, bottom: 0, left: -26 }}
          >
            <CartesianGrid stroke={PLOT.grid} vertical={false} />
            {off.map((one) => (
              <ReferenceArea
                key={one.day}
                x1={at(one.day) - DAY / 2}
                x2={at(one.day) + DAY / 2}
                fill="var(--free)"
              />
            ))}
            <XAxis
              dataKey="at"
              type="number"
              domain={['dataMin', 'dataMax']}
              tickFormatter={(value: number) => dateWords(dateOf(value)).replace(/^\S+ /, '')}
              tick={PLOT.tick}
              stroke={PLOT.axis}
              minTickGap={48}
            />
            <YAxis allowDecimals={false} tick={PLOT.tick} stroke={PLOT.axis} width={52} />
            <ReferenceLine x={at(today)} stroke="var(--ink)" strokeWidth={1.5} />
            {pace.close && (
              <ReferenceLine
                x={at(localDate(new Date(pace.close).getTime(), zone))}
                stroke="var(--loss)"
                strokeWidth={2}
              />
            )}
            <Tooltip
              isAnimationActive={false}
              labelFormatter={(value) => dateWords(dateOf(Number(value)))}
              formatter={(value, name) => [value, name]}
              contentStyle={PLOT.tip}
            />
            <Line
              dataKey="due"
              name="due"
              type="stepAfter"
              stroke="var(--ink-3)"
              strokeDasharray="5 3"
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
            <Line
              dataKey="done"
              name="done"
              type="stepAfter"
              stroke={pace.standing === 'BEHIND' ? 'var(--yours)' : 'var(--done)'}
              strokeWidth={2.5}
              dot={false}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <PlotKey
        lines={[
          { words: 'done', colour: pace.standing === 'BEHIND' ? 'var(--yours)' : 'var(--done)' },
          { words: 'due', colour: 'var(--ink-3)', dash: '5 3' },
        ]}
      />
      <PlotTable
        summary="As a table"
        heads={['Day', 'Due', 'Done']}
        rows={pace.line.map((point) => ({
          key: point.day,
          cells: [dateWords(point.day), String(point.due), point.done === null ? '—' : String(point.done)],
        }))}
      />
    </div>
  );
}

export { PaceChart };
