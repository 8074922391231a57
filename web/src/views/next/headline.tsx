import { useStudent } from '../../frame/student';
import { useLasting } from '../../lib/lasting';
import { useNow } from '../../lib/now';
import { stakeWords } from '../../lib/readings';
import { count } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { account, type Next, pricesOf, proofWords, type Stake, shareWords, turnWords } from './model';

/** A plan that is there sooner says nothing of being made. */
const PATIENCE = 300;

/** How much is one's own, what the plan keeps of all that hangs on it, and what one's wishes cost of that. */
function Headline({ next, busy }: { next: Next; busy: boolean }) {
  const { mayWrite, board, course, work, zone } = useStudent();
  const { mean } = next;
  const planning = useLasting(busy, PATIENCE);
  const whose = mayWrite ? 'yours' : `${board.student.name.split(' ')[0]}’s`;
  const now = useNow();
  const prices = pricesOf(next);
  const turn = turnWords(next, (id) => work(id)?.title ?? 'other work', zone, now);
  const inMean = next.stakes.filter((stake) => stake.inMean).length;
  return (
    <div className="min-w-[min(100%,340px)] flex-1">
      <h1 className="font-[720] text-[21px] leading-tight">
        {count(next.yours, 'move')} {next.yours === 1 ? 'is' : 'are'} {whose}
        {Number(mean.most) > 0 && (
          <>
            ; the plan keeps{' '}
            <span className="text-yours">
              {stakeWords(mean.kept).replace(' %', '')} of {stakeWords(mean.most)}
            </span>{' '}
            that {next.yours === 1 ? 'hangs on it' : 'hang on them'}
          </>
        )}
        .
      </h1>
      <p className="mt-1 text-[14px] text-ink-2" aria-live="polite">
        {account(next)}. {proofWords(next)}
        {planning && <span className="text-yours"> Planning anew…</span>}
        {prices.length > 0 && (
          <b className="font-semibold text-loss">
            {' '}
            What you wished costs{' '}
            {prices
              .map((price) => `${stakeWords(price.fall)} of ${course(price.course)?.name ?? 'a course'}`)
              .join(', ')}
            .
          </b>
        )}
      </p>
      {turn && (
        <p data-turn className="mt-0.5 border-yours border-l-2 pl-2 text-[14px]" aria-live="polite">
          {turn}
        </p>
      )}
      {next.stakes.length > 0 && Number(mean.most) > 0 && (
        <details className="mt-0.5 text-[14px]">
          <summary className="w-fit text-ink-2">
            In percent of {inMean === 1 ? 'the course' : `the mean of ${inMean} courses`}: by course
          </summary>
          <p className="mt-1">
            Expected to be saved, since work takes longer or shorter than thought: {shareWords(next.share)}.
          </p>
          <StakeTable next={next} />
        </details>
      )}
    </div>
  );
}

const HEADS = ['With none done', 'By the plan', 'With all done', 'Kept', 'At most'] as const;

/** The same figures course by course, so that the sum can be checked. */
function StakeTable({ next }: { next: Next }) {
  const { course } = useStudent();
  const cells = (stake: Stake) => [
    figure(stake.none),
    figure(stake.planned),
    figure(stake.all),
    stakeWords(stake.kept),
    stakeWords(stake.most),
  ];
  return (
    <div className="mt-1 max-w-[640px] overflow-x-auto">
      <table className="w-full min-w-[520px] text-right text-[13.5px]">
        <thead className="text-ink-2">
          <tr>
            <th className="text-left font-normal">Expected</th>
            {HEADS.map((head) => (
              <th key={head} className="whitespace-nowrap pl-3 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {next.stakes.map((stake) => (
            <tr key={stake.course} className="border-line-2 border-t">
              <th scope="row" className="py-0.5 text-left font-normal">
                <span className="flex items-center gap-2">
                  <CourseMark colour={course(stake.course ?? 0)?.colour ?? ''} className="h-3.5 shrink-0" />
                  <span className="whitespace-nowrap">
                    {course(stake.course ?? 0)?.name}
                    {!stake.inMean && (
                      <span className="block text-[12.5px] text-ink-2">by completion, not in the mean</span>
                    )}
                  </span>
                </span>
              </th>
              {cells(stake).map((cell, place) => (
                <td key={HEADS[place]} className="whitespace-nowrap pl-3">
                  {cell}
                </td>
              ))}
            </tr>
          ))}
          <tr className="border-line border-t font-[680]">
            <th scope="row" className="py-0.5 text-left">
              Mean
            </th>
            {cells(next.mean).map((cell, place) => (
              <td key={HEADS[place]} className="whitespace-nowrap pl-3">
                {cell}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  );
}

function figure(percent: string): string {
  return `${Number(percent).toFixed(1)} %`;
}

export { Headline };
