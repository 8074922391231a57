import { figureWords, READING_WORDS, type Standing } from '../../lib/readings';
import type { PartProps } from './rules-form';

/** What the rules of the grade make of the course as it stands. */
function GradeExample({ sheet, trial, tried }: Pick<PartProps, 'sheet' | 'trial' | 'tried'>) {
  const kind = sheet.grade.kind;
  const standing: Pick<Standing, 'kind' | 'letters'> = { kind, letters: [] };
  if (kind === 'COMPLETION')
    return <p>The course is complete when all required work is done and the named work is at its percent.</p>;
  // Figures of another kind of grade would be read as this one's.
  if (tried.grade.kind !== kind)
    return <p className="text-ink-2">Worked out as soon as nothing is missing.</p>;
  return (
    <>
      {trial.shares.length > 0 && (
        <table className="mb-3 w-full">
          <caption className="sr-only">So far, part by part</caption>
          <tbody>
            {trial.shares.map((share) => (
              <tr key={share.name} className="align-top">
                <th scope="row" className="py-0.5 pr-3 text-left font-normal">
                  {share.name}
                  {share.dropped.length > 0 && (
                    <span className="block text-[13px] text-ink-2">dropped: {share.dropped.join(', ')}</span>
                  )}
                </th>
                <td className="whitespace-nowrap py-0.5 pr-3 text-right text-ink-2">
                  {share.weight ? `${Math.round(Number(share.weight) * 10) / 10} % of it` : ''}
                </td>
                <td className="whitespace-nowrap py-0.5 text-right font-semibold">
                  {figureWords(share.figure, standing)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <table className="w-full">
        <caption className="mb-0.5 text-left text-[13px] text-ink-2">
          The course’s readings under these rules
        </caption>
        <tbody>
          {trial.readings.map((one) => (
            <tr key={one.reading}>
              <th scope="row" className="py-0.5 pr-3 text-left font-normal">
                {READING_WORDS[one.reading]}
              </th>
              <td className="py-0.5 pr-3 text-right text-ink-2">
                {one.before === one.after ? '' : `was ${figureWords(one.before, standing)}`}
              </td>
              <td className="py-0.5 text-right font-semibold">{figureWords(one.after, standing)}</td>
              <td className="w-[84px] py-0.5 pl-3 text-ink-2">{one.letterAfter ?? ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {trial.nowhere.length > 0 && (
        <p className="mt-2 text-loss">
          {trial.nowhere.length === 1
            ? 'One piece of work counts'
            : `${trial.nowhere.length} pieces of work count`}{' '}
          nowhere, because nothing here has their {kind === 'STANDARDS' ? 'standard' : 'category'}:{' '}
          {trial.nowhere.slice(0, 4).join(', ')}
          {trial.nowhere.length > 4 ? ' and others' : ''}.
        </p>
      )}
    </>
  );
}

export { GradeExample };
