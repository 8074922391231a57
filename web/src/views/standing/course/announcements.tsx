import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../../api/client';
import { announcementsQuery } from '../../../api/queries';
import { useStudent } from '../../../frame/student';
import { useNow } from '../../../lib/now';
import { dateWords, localDate, near } from '../../../lib/time';
import { Belonging } from '../../../ui/belonging';

type Announcement = Schemas['AnnouncementView'];

/** What the course says to all: what still matters is open, the rest is folded. */
function Announcements({ course }: { course: number }) {
  const { id, zone, asof } = useStudent();
  const now = useNow();
  const all = useQuery({ ...announcementsQuery(id), enabled: asof === null });
  const today = localDate(now, zone);
  const own = (all.data?.announcements ?? []).filter((one) => one.courseId === course);
  if (asof !== null || own.length === 0) return null;
  const current = own.filter((one) => one.lastDay === null || one.lastDay >= today);
  const past = own.filter((one) => one.lastDay !== null && one.lastDay < today);
  return (
    <section aria-label="Announcements" className="no-print mb-4 max-w-[860px]">
      <h2 className="border-line border-b pb-1 font-bold">Announcements</h2>
      <List items={current} />
      {past.length > 0 && (
        <details className="mt-1.5">
          <summary className="w-fit cursor-pointer text-[14px] text-ink-2">{past.length} from before</summary>
          <List items={past} />
        </details>
      )}
    </section>
  );
}

function List({ items }: { items: readonly Announcement[] }) {
  const { zone } = useStudent();
  const now = useNow();
  return (
    <ul>
      {items.map((one) => (
        <li key={one.title + one.at} className="border-line-2 border-b py-1.5">
          <p className="flex flex-wrap items-baseline gap-x-3">
            <b className="font-semibold">{one.title}</b>
            <span className="text-[13.5px] text-ink-2">
              {one.by}, {near(one.at, zone, now)}
              {one.lastDay && `, until ${dateWords(one.lastDay)}`}
            </span>
          </p>
          <p className="whitespace-pre-line text-[14px]">{one.body}</p>
          {one.address && <Belonging address={one.address} title={one.title} />}
        </li>
      ))}
    </ul>
  );
}

export { Announcements };
