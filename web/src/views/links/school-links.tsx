import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { linksQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { Button } from '../../ui/button';
import { Failed, Loading } from '../../ui/states';
import { AddLink } from './add-link';
import { LinkLine } from './link-line';

/** The systems that the work comes from: what each gives, when it last told something, and what went wrong. */
function SchoolLinks() {
  const { id, mayWrite } = useStudent();
  const links = useQuery(linksQuery(id));
  const [adding, setAdding] = useState(false);
  if (links.isError) return <Failed error={links.error} onRetry={() => void links.refetch()} />;
  if (!links.data) return <Loading rows={3} />;
  return (
    <section aria-labelledby="links">
      <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-line border-b pb-2">
        <div>
          <h2 id="links" className="font-bold text-[20px] tracking-[-0.01em]">
            Where it comes from
          </h2>
          <p className="max-w-[70ch] text-ink-2">
            Each is asked every quarter of an hour. What it tells is written down whole or not at all, and can
            be undone.
          </p>
        </div>
        {mayWrite && (
          <Button look="main" className="h-9" onClick={() => setAdding(true)}>
            Add a link
          </Button>
        )}
      </div>
      {links.data.links.length === 0 && (
        <p className="py-4 text-ink-2">
          No school is linked yet. A link brings dues by itself, and scores and hand-ins where the school’s
          system can.
        </p>
      )}
      <ul>
        {links.data.links.map((link) => (
          <LinkLine key={link.id} link={link} />
        ))}
      </ul>
      {links.data.school && (
        <p className="pt-2 text-[14px] text-ink-2">
          The school of this demo is simulated, and acts by the demo’s clock.{' '}
          <a
            href={links.data.school}
            target="_blank"
            rel="noreferrer"
            className="underline underline-offset-2"
          >
            Look at it
          </a>
        </p>
      )}
      <AddLink open={adding} onOpenChange={setAdding} />
    </section>
  );
}

export { SchoolLinks };
