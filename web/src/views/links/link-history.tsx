import { useQuery } from '@tanstack/react-query';
import type { SchoolLink } from '../../api/client';
import { linkImportsQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { moment } from '../../lib/time';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { undo } from '../../ui/notice';
import { Loading } from '../../ui/states';

/** What a link brought, each time that it told something new, with what couldn't be read of it. */
function LinkHistory({ link }: { link: SchoolLink }) {
  const { id, zone, mayWrite } = useStudent();
  const imports = useQuery(linkImportsQuery(id, link.id));
  if (!imports.data) return <Loading rows={2} />;
  if (imports.data.length === 0)
    return <p className="mt-2 text-[14px] text-ink-2">It has brought nothing yet.</p>;
  return (
    <ul aria-label={`What ${link.name} brought`} className="mt-2 ml-1 border-line border-l-2 pl-4">
      {imports.data.map((one) => (
        <li key={one.change} className="flex flex-wrap items-baseline gap-x-4 py-1 text-[14px]">
          <time className="w-32 shrink-0 text-ink-2">{moment(one.at, zone)}</time>
          <span className={one.stands ? 'min-w-0 flex-1' : 'min-w-0 flex-1 text-ink-2 line-through'}>
            {one.summary}
          </span>
          {one.stands && mayWrite ? (
            <Button
              look="quiet"
              className="h-7"
              aria-label={`Undo: ${one.summary}`}
              onClick={() => void undo(id, one.change)}
            >
              Undo
            </Button>
          ) : (
            <span className="text-ink-3">{one.stands ? '' : 'undone'}</span>
          )}
          {one.troubles.length > 0 && (
            <details className="w-full text-loss">
              <summary className="cursor-pointer">
                {count(one.troubles.length, 'thing')} couldn’t be read
              </summary>
              <ul className="text-[13.5px]">
                {one.troubles.map((trouble) => (
                  <li key={trouble}>{trouble}</li>
                ))}
              </ul>
            </details>
          )}
        </li>
      ))}
    </ul>
  );
}

export { LinkHistory };
