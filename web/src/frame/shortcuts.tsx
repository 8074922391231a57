import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { hasModifier, isTyping } from '../lib/keys';
import { Dialog } from '../ui/dialog';
import { addressOf, viewsOf } from './views';

const CHORD = 1_500;

const ROWS: readonly (readonly [keys: string, does: string])[] = [
  ['j  k  ↓  ↑', 'Next or previous piece of work, or planned sitting'],
  ['Enter', 'Open it beside the list'],
  ['e', 'The next step of its move'],
  ['Esc', 'Close what is open'],
  ['/', 'Find or do'],
  ['n', 'Narrow by text'],
  ['t', 'Go to the tideline, then ← → walk its days'],
  ['h', 'In Timeline: back to here and now'],
  ['+  −', 'In Timeline: nearer, further'],
];

/** Goes to views by two keys, and shows all keys on `?`. */
function Shortcuts({ student, words }: { student: number; words: boolean }) {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const went = useRef(Number.NEGATIVE_INFINITY);
  useEffect(() => {
    const views = viewsOf(student, words);
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || hasModifier(event)) return;
      if (event.timeStamp - went.current < CHORD) {
        const view = views.find((one) => one.key === event.key);
        went.current = Number.NEGATIVE_INFINITY;
        if (view) void navigate(addressOf(view, window.location, student));
      } else if (event.key === '?') setOpen(true);
      else if (event.key === 't') document.querySelector<HTMLElement>('[data-tide-stop="true"]')?.focus();
      else if (event.key === 'g') went.current = event.timeStamp;
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [student, words, navigate]);
  const all = [
    ...ROWS,
    ...viewsOf(student, words).map((view) => [`g ${view.key}`, `Go to ${view.name}`] as const),
    ['?', 'These keys'] as const,
  ];
  return (
    <Dialog open={open} onOpenChange={setOpen} title="Keys">
      <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5">
        {all.map(([keys, does]) => (
          <div key={keys} className="contents">
            <dt>
              <kbd className="rounded-sm border border-line border-b-2 px-1.5 font-sans text-[13px] text-ink-2">
                {keys}
              </kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}

export { Shortcuts };
