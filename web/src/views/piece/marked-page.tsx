import clsx from 'clsx';
import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import { lazy, Suspense, useEffect, useRef } from 'react';
import type { Detail } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { hasModifier } from '../../lib/keys';
import { count } from '../../lib/words';
import { Boundary } from '../../ui/boundary';
import { Loading } from '../../ui/states';
import { MarkTick } from './mark-tick';
import type { Said } from './model';
import { inOrder, markKey } from './model';

/** What each key does to the mark that is looked at. */
const STEPS: Record<string, number> = { j: 1, ArrowDown: 1, k: -1, ArrowUp: -1 };

const PdfPages = lazy(() => import('./pdf-pages'));

/** The file that `?marks=` names, with the marks of teachers on its pages and their words beside them. */
function MarkedPage({ detail }: { detail: Detail }) {
  const [params, setParams] = useAddress();
  const key = params.get('marks');
  const marks = inOrder(detail.said.filter((one) => one.mark && markKey(one) === key));
  const first = marks[0];
  if (!first) return null;
  const chosen = marks.find((one) => String(one.id) === params.get('mark')) ?? first;
  const choose = (said: Said) =>
    setParams(
      (before) => {
        before.set('mark', String(said.id));
        return before;
      },
      { replace: true },
    );
  const close = () =>
    setParams((before) => {
      before.delete('marks');
      before.delete('mark');
      return before;
    });
  return (
    <Radix.Root open onOpenChange={(open) => !open && close()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[#0b1614]/55" />
        <Radix.Content
          aria-describedby={undefined}
          onKeyDown={(event) => {
            const step = hasModifier(event) ? undefined : STEPS[event.key];
            const next = step && marks[marks.indexOf(chosen) + step];
            if (!next) return;
            event.preventDefault();
            choose(next);
          }}
          className="fixed inset-3 z-50 flex flex-col overflow-hidden rounded border border-line bg-raised max-sm:inset-0"
        >
          <Sheet detail={detail} marks={marks} chosen={chosen} onChoose={choose} />
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

interface SheetProps {
  detail: Detail;
  marks: readonly Said[];
  chosen: Said;
  onChoose: (said: Said) => void;
}

function Sheet({ detail, marks, chosen, onChoose }: SheetProps) {
  const { id } = useStudent();
  const mark = chosen.mark;
  if (!mark) return null;
  const file = detail.handIns
    .find((one) => one.id === mark.handIn)
    ?.files.find((one) => one.position === mark.position);
  const url = `/api/students/${id}/works/${detail.work.id}/hand-ins/${mark.handIn}/files/${mark.position}`;
  return (
    <>
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-line border-b px-4 py-2.5">
        <Radix.Title className="min-w-0 break-words font-bold text-[17px]">{mark.fileName}</Radix.Title>
        <span className="text-[14px] text-ink-2 max-sm:hidden">
          {detail.work.title} · {count(marks.length, 'mark')}
        </span>
        <span className="ml-auto flex items-center gap-4 text-[14px]">
          <a href={`${url}/marked`} className="underline underline-offset-2">
            Download with its marks
          </a>
          <a href={url} download={mark.fileName} className="underline underline-offset-2 max-sm:hidden">
            As handed in
          </a>
          <Radix.Close aria-label="Close" className="rounded p-1.5 text-ink-2 hover:bg-line-2">
            <X size={17} aria-hidden />
          </Radix.Close>
        </span>
      </header>
      <div className="flex min-h-0 flex-1 max-wide:flex-col">
        <div className="min-h-0 min-w-0 flex-1 overflow-auto bg-line-2 p-4 max-sm:p-2">
          {file?.mediaType.startsWith('image/') ? (
            <PageWithMarks page={1} marks={marks} chosen={chosen} onChoose={onChoose}>
              <img src={url} alt={`What is in ${mark.fileName}`} className="block w-full" />
            </PageWithMarks>
          ) : (
            <Boundary
              instead={
                <p className="bg-raised p-4">The page can’t be shown just now. The marks are beside it.</p>
              }
            >
              <Suspense fallback={<Loading rows={3} />}>
                <PdfPages
                  url={url}
                  over={(page) => <MarksOn page={page} marks={marks} chosen={chosen} onChoose={onChoose} />}
                />
              </Suspense>
            </Boundary>
          )}
        </div>
        <MarkWords marks={marks} chosen={chosen} onChoose={onChoose} />
      </div>
    </>
  );
}

interface MarksProps {
  marks: readonly Said[];
  chosen: Said;
  onChoose: (said: Said) => void;
}

function PageWithMarks({
  page,
  children,
  ...rest
}: MarksProps & { page: number; children: React.ReactNode }) {
  return (
    <div className="relative mx-auto max-w-[1100px] bg-[#fff]">
      {children}
      <MarksOn page={page} {...rest} />
    </div>
  );
}

function MarksOn({ page, marks, chosen, onChoose }: MarksProps & { page: number }) {
  return marks.map((said, place) => {
    const mark = said.mark;
    if (mark?.page !== page) return null;
    return (
      <MarkOnPage
        key={said.id}
        number={place + 1}
        said={said}
        mark={mark}
        chosen={said.id === chosen.id}
        onChoose={() => onChoose(said)}
      />
    );
  });
}

interface MarkOnPageProps {
  number: number;
  said: Said;
  mark: NonNullable<Said['mark']>;
  chosen: boolean;
  onChoose: () => void;
}

/** The share of a page that a number needs above its frame, so that it hides nothing of what is framed. */
const ROOM_ABOVE = 0.03;

/** A numbered frame on the page, or a flag where the teacher only pointed. */
function MarkOnPage({ number, said, mark, chosen, onChoose }: MarkOnPageProps) {
  const frame = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (chosen) frame.current?.scrollIntoView({ block: 'center', inline: 'nearest' });
  }, [chosen]);
  const share = (value: number) => `${value * 100}%`;
  return (
    <button
      ref={frame}
      type="button"
      data-chosen={chosen}
      aria-label={`Mark ${number}: ${said.text}`}
      aria-pressed={chosen}
      onClick={onChoose}
      style={{
        left: share(mark.x),
        top: share(mark.y),
        width: mark.width ? share(mark.width) : '26px',
        height: mark.height ? share(mark.height) : '26px',
      }}
      className={clsx(
        'absolute border-[#9c2f3b] data-[chosen=true]:bg-[#9c2f3b]/15',
        mark.width ? 'border-2 data-[chosen=true]:border-[3px]' : 'border-t-2 border-l-2',
      )}
    >
      <span
        className={clsx(
          'absolute left-[-2px] bg-[#9c2f3b] px-1.5 font-bold text-[#fff] text-[13px] leading-[1.45]',
          mark.y < ROOM_ABOVE ? 'top-[-2px]' : 'bottom-full',
        )}
      >
        {number}
      </span>
    </button>
  );
}

function MarkWords({ marks, chosen, onChoose }: MarksProps) {
  return (
    <ol className="w-[340px] shrink-0 overflow-auto border-line border-l max-wide:max-h-[38dvh] max-wide:w-full max-wide:border-t max-wide:border-l-0">
      {marks.map((said, place) => (
        <li
          key={said.id}
          data-chosen={said.id === chosen.id}
          className="flex items-start border-line-2 border-b pr-4 hover:bg-line-2 data-[chosen=true]:bg-loss-soft"
        >
          <button
            type="button"
            onClick={() => onChoose(said)}
            className="flex min-w-0 flex-1 gap-3 py-3 pr-3 pl-4 text-left"
          >
            <span className="grid h-[19px] min-w-[21px] place-items-center bg-loss px-1 font-bold text-[13px] text-raised">
              {place + 1}
            </span>
            <span>
              <span className={said.unread ? 'font-semibold' : ''}>{said.text}</span>
              <span className="block text-[13.5px] text-ink-2">
                {said.name}, page {said.mark?.page}
              </span>
            </span>
          </button>
          <span className="pt-3">
            <MarkTick said={said} label={`Dealt with: mark ${place + 1}`} />
          </span>
        </li>
      ))}
    </ol>
  );
}

export { MarkedPage };
