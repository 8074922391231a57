import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Work } from '../../api/client';
import { feedbackQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { sentence } from '../../lib/words';
import { Button, TextButton } from '../../ui/button';
import { asksRedo } from '../feedback/model';
import type { Errand } from './model';

/** How many are shown before the rest is asked for. */
const SHOWN = 2;

interface Signal {
  key: string;
  work: number;
  words: string;
  deed: string;
  /** Where the one action leads, after the address of the work. */
  to: string;
}

function lateWords(work: Work | undefined, zone: string, now: number): string {
  if (!work?.ungradedLong) return 'Handed in, and still listed as missing.';
  return `With the teacher since ${work.handedInAt ? near(work.handedInAt, zone, now) : 'long'}, longer than nine in ten are.`;
}

/** What may be asking for something, each with one thing to do about it. The alarms stand above, on every view. */
function Signals({ errands }: { errands: readonly Errand[] }) {
  const { id, mayWrite, work, zone } = useStudent();
  const now = useNow();
  const feedback = useQuery(feedbackQuery(id));
  const navigate = useNavigate();
  const [all, setAll] = useState(false);
  const said: Signal[] = (feedback.data?.signals ?? []).map((signal) => {
    const redo = asksRedo(signal) && mayWrite;
    return {
      key: `${signal.work} ${signal.signal}`,
      work: signal.work,
      words: sentence(signal.words),
      deed: redo ? 'Start the redo' : 'Look at it',
      to: redo ? '?step=hand-in' : '',
    };
  });
  const late: Signal[] = errands
    .filter((errand) => errand.kind === 'CHECK_GRADING')
    .map((errand) => ({
      key: `${errand.work} late`,
      work: errand.work,
      words: lateWords(work(errand.work), zone, now),
      deed: mayWrite ? 'Ask about it' : 'Look at it',
      to: mayWrite ? '?step=message' : '',
    }));
  const signals = [...said, ...late];
  if (signals.length === 0) return null;
  return (
    <section
      aria-label="Signals"
      className="no-print mb-4 border-wait border-l-4 bg-wait-soft py-1 pr-2 pl-3"
    >
      <ul>
        {(all ? signals : signals.slice(0, SHOWN)).map((signal) => (
          <li key={signal.key} className="flex items-center gap-3 py-1 max-sm:flex-wrap">
            <span className="min-w-0 flex-1">
              <b className="font-[680]">{work(signal.work)?.title}.</b> {signal.words}
            </span>
            <Button
              className="h-[30px]"
              onClick={() => void navigate(`/s/${id}/next/${signal.work}${signal.to}`)}
            >
              {signal.deed}
            </Button>
          </li>
        ))}
      </ul>
      {signals.length > SHOWN && (
        <TextButton onClick={() => setAll(!all)} className="text-[13.5px] text-ink-2">
          {all ? 'Show fewer' : `${signals.length - SHOWN} more may be asking for something`}
        </TextButton>
      )}
    </section>
  );
}

export { Signals };
