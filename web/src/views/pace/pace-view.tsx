import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { nextQuery, paceQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { dateWords, day, localDate, near, span } from '../../lib/time';
import { count, lockWords, sentence } from '../../lib/words';
import { Button } from '../../ui/button';
import { CourseMark } from '../../ui/course-mark';
import { Empty, Failed, Loading } from '../../ui/states';
import { dayWords } from './model';
import { PaceChart } from './pace-chart';

type CoursePace = Schemas['CoursePaceView'];

/** Done against needed over the term, course by course, with what it takes a day and where it will end. */
function PaceView() {
  const { id } = useStudent();
  const pace = useQuery(paceQuery(id));
  if (pace.isError) return <Failed error={pace.error} onRetry={() => void pace.refetch()} />;
  if (!pace.data) return <Loading />;
  if (pace.data.length === 0) {
    return (
      <Empty alone title="There is no course here yet">
        Its pace is shown once there is one.
      </Empty>
    );
  }
  const behind = pace.data.filter((one) => one.standing === 'BEHIND').length;
  const daily = dayWords(pace.data);
  return (
    <div className="flex-1 overflow-auto print:overflow-visible">
      <div className="mx-auto w-full max-w-[1240px] px-5 py-4 max-sm:px-3 print:[zoom:0.85]">
        <header className="mb-2 flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
          <div>
            <h1 className="font-[720] text-[21px] leading-tight">
              {behind === 0 ? 'On pace everywhere' : `Behind in ${behind} of ${pace.data.length} courses`};{' '}
              {daily.figure && <span className="text-yours">{daily.figure} </span>}
              {daily.rest}.
            </h1>
            <QuietDays />
          </div>
          <Button className="no-print" onClick={() => window.print()}>
            Print
          </Button>
        </header>
        <ul>
          {pace.data.map((one) => (
            <CourseRow key={one.course} pace={one} />
          ))}
        </ul>
      </div>
    </div>
  );
}

const AHEAD = 14;

/** Days on which nothing falls due and nothing is planned: they are named, too. */
function QuietDays() {
  const { id, board, zone } = useStudent();
  const today = localDate(useNow(), zone);
  const next = useQuery(nextQuery(id, null));
  if (!next.data) return null;
  const planned = new Map(next.data.days.map((one) => [one.day, one.plannedMinutes]));
  const quiet = board.tide
    .filter((one) => one.day >= today)
    .slice(0, AHEAD)
    .filter((one) => one.openMinutes === 0 && (planned.get(one.day) ?? 0) === 0);
  return (
    <p className="mt-1 text-[14px] text-ink-2">
      {quiet.length === 0
        ? 'Every day of the next two weeks has something planned or due.'
        : `Nothing is due or planned on ${quiet.map((one) => dateWords(one.day)).join(', ')}.`}
    </p>
  );
}

const STANDING_WORDS: Record<CoursePace['standing'], string> = {
  BEHIND: 'Behind',
  ON_PACE: 'On pace',
  AHEAD: 'Ahead',
  WELL_AHEAD: 'Well ahead',
};

function CourseRow({ pace }: { pace: CoursePace }) {
  const { id, course } = useStudent();
  const one = course(pace.course);
  if (!one) return null;
  const required = pace.done + pace.left;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)] gap-x-8 border-line border-t py-3 max-md:grid-cols-1 print:grid-cols-2 print:break-inside-avoid print:gap-x-4 print:py-1 print:text-[12px]">
      <div className="min-w-0">
        <h2 className="flex items-center font-bold text-[16px]">
          <CourseMark colour={one.colour} className="mr-2" />
          <Link to={`/s/${id}/work?course=${pace.course}`} className="truncate hover:underline">
            {one.name}
          </Link>
          <b
            data-standing={pace.standing}
            className="ml-auto font-[680] text-done data-[standing=BEHIND]:text-loss"
          >
            {STANDING_WORDS[pace.standing]}
          </b>
        </h2>
        <p className="mt-0.5 text-[14px] text-ink-2">
          {sentence(pace.words)} {lead(pace)}
        </p>
        <dl className="mt-2 grid grid-cols-[max-content_minmax(0,1fr)] gap-x-4 gap-y-0.5 text-[14px]">
          <Fact name="Done">
            <b className="font-[680]">{pace.done}</b> of {required}
            {pace.outOfReach > 0 && `, and ${pace.outOfReach} out of reach`}
          </Fact>
          <Fact name="Needed">{needed(pace)}</Fact>
          <Fact name="Lately">
            {pace.rateADay === null
              ? 'nothing to go by yet'
              : `${perDay(pace.rateADay)} over ten school days`}
          </Fact>
          <Fact name="At that rate">{forecast(pace)}</Fact>
        </dl>
        <Units pace={pace} />
        <Chains pace={pace} />
      </div>
      <PaceChart pace={pace} />
    </li>
  );
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-ink-2">{name}</dt>
      <dd>{children}</dd>
    </>
  );
}

function lead(pace: CoursePace): string {
  if (pace.lead === 0) return '';
  const pieces = count(Math.abs(pace.lead), 'piece');
  const minutes = pace.leadMinutes === 0 ? '' : `, ${span(Math.abs(pace.leadMinutes))} of work`;
  return `${pieces} ${pace.lead < 0 ? 'behind' : 'ahead of'} the dues${minutes}.`;
}

function perDay(rate: string): string {
  const pieces = Number(rate);
  if (pieces === 0) return 'none';
  if (pieces >= 0.95) return `${(Math.round(pieces * 10) / 10).toString()} a school day`;
  return `one every ${(Math.round(10 / pieces) / 10).toString()} school days`;
}

function needed(pace: CoursePace): string {
  if (pace.left === 0) return 'nothing: all is done';
  if (pace.neededADay === null) return `${pace.left} are left and no school day is`;
  const effort = pace.neededMinutes ? `${span(pace.neededMinutes)} a day, ` : '';
  const guessed =
    pace.guessedEfforts > 0 ? `; half an hour is assumed for ${count(pace.guessedEfforts, 'piece')}` : '';
  return `${perDay(pace.neededADay)}, ${effort}for ${count(pace.schoolDaysLeft, 'school day')}${guessed}`;
}

function forecast(pace: CoursePace): React.ReactNode {
  if (pace.left === 0) return 'finished';
  if (pace.finish === null) return <b className="font-[680] text-loss">no end in sight</b>;
  return (
    <b className={pace.inTime ? 'font-[680] text-done' : 'font-[680] text-loss'}>
      {dateWords(pace.finish)}
      {pace.inTime ? ', in time' : ', after the close'}
    </b>
  );
}

function Units({ pace }: { pace: CoursePace }) {
  const { zone } = useStudent();
  if (pace.units.length < 2) return null;
  return (
    <details className="no-print mt-2 text-[14px]">
      <summary className="font-semibold">By unit</summary>
      <table className="mt-1 w-full">
        <thead className="text-[13px] text-ink-2">
          <tr>
            <th className="text-left font-normal">Unit</th>
            <th className="text-right font-normal">Done</th>
            <th className="text-right font-normal">Mean</th>
            <th className="text-right font-normal">Begun</th>
          </tr>
        </thead>
        <tbody>
          {pace.units.map((unit) => (
            <tr key={unit.unit ?? ''} className="border-line-2 border-t">
              <th scope="row" className="py-0.5 text-left font-normal">
                {unit.unit ?? 'No unit'}
                {unit.complete && <b className="font-semibold text-done"> complete</b>}
              </th>
              <td className="text-right">
                {unit.done} of {unit.done + unit.left}
                {unit.outOfReach > 0 && `, ${unit.outOfReach} lost`}
              </td>
              <td className="text-right">
                {unit.meanPercent === null ? '—' : `${Number(unit.meanPercent).toFixed(0)} %`}
              </td>
              <td className="text-right text-ink-2">{unit.started ? day(unit.started, zone) : '—'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

/** What stands in a row behind gates: each link with the last moment to begin it. */
function Chains({ pace }: { pace: CoursePace }) {
  const { id, zone, work } = useStudent();
  const now = useNow();
  if (pace.chains.length === 0) return null;
  const shut = pace.chains.filter((chain) => chain.shutBy.length > 0).length;
  const late = pace.chains.filter((chain) => !chain.possible).length - shut;
  return (
    <details className="no-print mt-1.5 text-[14px]" open={pace.chains.some((chain) => !chain.possible)}>
      <summary className="font-semibold">
        {count(pace.chains.length, 'chain')} behind gates
        {late > 0 && <span className="text-loss">, {late} can’t be in time any more</span>}
        {shut > 0 && <span className="text-loss">, {shut} shut for good</span>}
      </summary>
      {pace.chains.map((chain) => (
        <ol key={chain.to} className="mt-1.5 border-line border-l-2 pl-3">
          {chain.shutBy.length > 0 && (
            <li className="py-0.5 text-loss">
              {work(chain.to)?.title} is shut for good, unless the teacher opens{' '}
              {chain.shutBy.map((root) => work(root)?.title).join(' and ')} again.
            </li>
          )}
          {chain.links.map((link) => {
            const piece = work(link.work);
            return (
              <li key={link.work} className="py-0.5">
                <Link to={`/s/${id}/work/${link.work}`} className="inline-block py-[3px] hover:underline">
                  {piece?.title}
                </Link>
                <span className="block text-[13px] text-ink-2" hidden={chain.shutBy.length > 0}>
                  begin by{' '}
                  <b className={new Date(link.startBy).getTime() < now ? 'text-loss' : 'font-semibold'}>
                    {near(link.startBy, zone, now)}
                  </b>
                  , in by {near(link.handInBy, zone, now)}
                  {link.graded && ', then it waits to be graded'}
                  {link.unlocks > 0 && `; opens ${link.unlocks}`}
                  {piece?.lock && `. ${lockWords(piece)}`}
                </span>
              </li>
            );
          })}
        </ol>
      ))}
    </details>
  );
}

export { PaceView };
