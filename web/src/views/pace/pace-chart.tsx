import { Line, ReferenceArea, ReferenceLine } from 'recharts';
import type { Schemas } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { dateWords, localDate } from '../../lib/time';
import { LINE, PlotKey, PlotTable, TimePlot } from '../../ui/plot';

const DAY = 86_400_000;

function at(date: string): number {
  return new Date(`${date}T12:00:00Z`).getTime();
}

function dateOf(at: number): string {
  return new Date(at).toISOString().slice(0, 10);
}

/** Due and done over the term as two steps, with today, the holidays and the close. */
function PaceChart({ pace }: { pace: Schemas['CoursePaceView'] }) {
  const { zone } = useStudent();
  const today = localDate(useNow(), zone);
  const points = pace.line.map((point) => ({ at: at(point.day), due: point.due, done: point.done }));
  return (
    <div className="min-w-0">
      <Sketch pace={pace} />
      <div className="no-print max-md:mt-2">
        <TimePlot
          points={points}
          height={190}
          whole
          momentOf={(value) => dateWords(dateOf(value))}
          dayOf={(value) => dateWords(dateOf(value)).replace(/^\S+ /, '')}
          sayValue={(value, line) => [String(value), line]}
        >
          {pace.daysOff.map((off) => (
            <ReferenceArea
              key={off.first}
              x1={at(off.first) - DAY / 2}
              x2={at(off.last) + DAY / 2}
              fill="var(--free)"
            />
          ))}
          <ReferenceLine x={at(today)} stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="3 2" />
          {pace.closes.map((close) => (
            <ReferenceLine
              key={close}
              x={at(localDate(new Date(close).getTime(), zone))}
              stroke="var(--loss)"
              strokeWidth={2}
            />
          ))}
          <Line {...LINE} dataKey="due" type="stepAfter" stroke="var(--ink-3)" strokeDasharray="5 3" />
          <Line
            {...LINE}
            dataKey="done"
            type="stepAfter"
            strokeWidth={2.5}
            stroke={pace.standing === 'BEHIND' ? 'var(--yours)' : 'var(--done)'}
          />
        </TimePlot>
      </div>
      <PlotKey
        lines={[
          { words: 'done', colour: pace.standing === 'BEHIND' ? 'var(--yours)' : 'var(--done)' },
          { words: 'due', colour: 'var(--ink-3)', dash: '5 3' },
          { words: 'grading close', colour: 'var(--loss)', post: true },
          { words: 'today', colour: 'var(--ink)', dash: '3 2', post: true },
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

const WIDTH = 400;
const HEIGHT = 110;

/** The same for the paper, whose width the plot on the screen doesn't know. */
function Sketch({ pace }: { pace: Schemas['CoursePaceView'] }) {
  const first = at(pace.line[0]?.day ?? '');
  const last = at(pace.line.at(-1)?.day ?? '');
  const most = Math.max(1, ...pace.line.map((point) => Math.max(point.due, point.done ?? 0)));
  const steps = (value: (point: (typeof pace.line)[number]) => number | null) =>
    pace.line
      .flatMap((point) => {
        const height = value(point);
        if (height === null) return [];
        const x = ((at(point.day) - first) / Math.max(1, last - first)) * WIDTH;
        return [`H${x.toFixed(1)} V${(HEIGHT - (height / most) * HEIGHT).toFixed(1)}`];
      })
      .join(' ');
  return (
    <svg
      viewBox={`0 -2 ${WIDTH} ${HEIGHT + 4}`}
      className="hidden w-full print:block"
      fill="none"
      strokeWidth="1.5"
      aria-hidden
    >
      <path d={`M0 ${HEIGHT} H${WIDTH}`} stroke="var(--line)" />
      <path d={`M0 ${HEIGHT} ${steps((point) => point.due)}`} stroke="var(--ink-3)" strokeDasharray="5 3" />
      <path d={`M0 ${HEIGHT} ${steps((point) => point.done)}`} stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}

export { PaceChart };
