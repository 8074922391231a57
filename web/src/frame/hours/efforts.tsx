import { useQuery } from '@tanstack/react-query';
import { client, type Schemas, writeKey } from '../../api/client';
import { effortsQuery } from '../../api/queries';
import { span } from '../../lib/time';
import { count, KIND_WORDS } from '../../lib/words';
import { Button } from '../../ui/button';
import { Loading } from '../../ui/states';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';
import { useStudent } from '../student';

type Correction = Schemas['EffortCorrectionView'];

/** "1.35 × as long", "0.8 × as long". */
function factorWords(factor: string): string {
  return `${Number(factor)} × as long`;
}

/** Takes what the time really spent says of a kind of work, or leaves the efforts as they are said. */
function useCorrection(student: number) {
  return useWrite(({ course, kind, refused }: Pick<Correction, 'course' | 'kind' | 'refused'>) =>
    writeChange(
      student,
      client.PUT('/api/students/{student}/efforts', {
        params: { path: { student }, header: { 'Idempotency-Key': writeKey() } },
        body: { course, kind, refused },
      }),
      refused ? 'Efforts are left as they are said' : 'Efforts go by the time you took',
    ),
  );
}

/** How long work really takes, by course and kind. */
function EffortList() {
  const { id, course } = useStudent();
  const efforts = useQuery(effortsQuery(id));
  const { write: correct } = useCorrection(id);
  if (!efforts.data) return <Loading rows={3} />;
  return (
    <>
      <p className="mb-2 text-[14px] text-ink-2">
        When three pieces of a kind are done and their time was noted, the plan reckons with what they took.
        Your own figure for a piece of work always holds.
      </p>
      {efforts.data.length === 0 && (
        <p className="border-line-2 border-t py-2">
          Nothing differs yet. Start the clock on a move to note its time.
        </p>
      )}
      <ul>
        {efforts.data.map((one) => (
          <li
            key={`${one.course} ${one.kind}`}
            className="flex items-center gap-3 border-line-2 border-t py-2 max-sm:flex-wrap"
          >
            <span className="min-w-0 flex-1">
              <b className="font-[680]">
                {KIND_WORDS[one.kind]}s in {course(one.course)?.name}
              </b>
              <span className={one.refused ? 'line-through' : ''}> take you {factorWords(one.factor)}</span>
              <span className="block text-[13.5px] text-ink-2">
                The last {count(one.works, 'piece')}: {span(one.saidMinutes)} said, {span(one.spentMinutes)}{' '}
                spent
              </span>
            </span>
            <Button onClick={() => void correct({ ...one, refused: !one.refused })}>
              {one.refused ? 'Reckon with it' : 'Leave as said'}
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

export { EffortList, factorWords, useCorrection };
