import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { client, once, type Work, writeKey } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { asRead, instantIn, near } from '../../lib/time';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';
import { ChoiceChart } from './choice-chart';
import { type Case, choiceWords, keyOf } from './model';

/** One piece of work: its choices side by side, what each keeps over time, and what can be done about it. */
function CaseOpen({ one, piece }: { one: Case; piece: Work }) {
  const { zone } = useStudent();
  const now = useNow();
  return (
    <div className="pb-4">
      <p className="mb-2 max-w-[80ch] text-[14px] text-ink-2">
        {asRead(one.rule)}{' '}
        {one.keyOpened && <b className="text-loss">The answer key was opened, which bars it. </b>}
        {one.lines.length > 0 && `It would be done ${near(one.doneAt, zone, now)}, by the plan.`}
      </p>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-6 max-md:grid-cols-1">
        <Choices one={one} />
        {one.lines.length > 0 && <ChoiceChart one={one} />}
      </div>
      <Deeds one={one} piece={piece} />
    </div>
  );
}

function Choices({ one }: { one: Case }) {
  const { zone } = useStudent();
  const now = useNow();
  return (
    <table className="w-full self-start text-[14px]">
      <thead className="text-[13px] text-ink-2">
        <tr>
          <th className="text-left font-normal">Choice</th>
          <th className="text-left font-normal">Due then</th>
          <th className="text-right font-normal">Expected</th>
        </tr>
      </thead>
      <tbody>
        {one.choices.map((choice) => (
          <tr key={keyOf(choice)} className="border-line-2 border-t align-top">
            <th scope="row" className="py-1 pr-2 text-left font-[680] data-[barred=true]:font-normal">
              <span className={choice.bars.length > 0 ? 'font-normal text-ink-2' : ''}>
                {choiceWords(choice)}
              </span>
              {choice.bars.length > 0 && (
                <span className="block font-normal text-[13px] text-ink-2">
                  {asRead(choice.bars.join('; '))}
                </span>
              )}
              {choice.shuts.length > 0 && (
                <span className="block font-normal text-[13px] text-loss">
                  bars extension and tokens after it
                </span>
              )}
            </th>
            <td className="py-1 pr-2">
              {choice.bars.length > 0 || choice.kind === 'LET_GO' || !choice.due
                ? '—'
                : near(choice.due, zone, now)}
            </td>
            <td className="py-1 text-right font-[680]">
              {choice.bars.length > 0 ? '—' : points(choice.score, one)}
              {choice.otherwise !== null && choice.bars.length === 0 && (
                <span className="block font-normal text-[13px] text-ink-2">
                  if it is given; {points(choice.otherwise, one)} if not
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function points(score: string, one: Case): string {
  return `${Math.round(Number(score) * 10) / 10} of ${Number(one.possible)}`;
}

/** What is written down: asking, using tokens, and that the key was opened. */
function useDeeds(one: Case, piece: Work) {
  const { id, zone } = useStudent();
  const now = useNow();
  const navigate = useNavigate();
  const params = {
    path: { student: id, work: one.work },
    header: { 'Idempotency-Key': writeKey() },
  };
  const { write: ask } = useWrite(async () => {
    await once(`ask ${one.work} ${one.newDue}`, (key) =>
      writeChange(
        id,
        client.POST('/api/students/{student}/works/{work}/leeway/asking', {
          params: { ...params, header: { 'Idempotency-Key': key } },
        }),
        one.atOnce
          ? `Took the extension of ${piece.title}, due ${one.newDue ? near(one.newDue, zone, now) : ''}`
          : `Asked for an extension of ${piece.title}`,
      ),
    );
    if (!one.atOnce) void navigate(`/s/${id}/work/${one.work}?step=message&about=An+extension`);
  });
  const { write: use } = useWrite((tokens: number) =>
    writeChange(
      id,
      client.POST('/api/students/{student}/works/{work}/leeway/tokens', { params, body: { tokens } }),
      `Used ${count(tokens, 'token')} on ${piece.title}`,
    ),
  );
  const { write: openKey } = useWrite(() =>
    writeChange(
      id,
      client.POST('/api/students/{student}/works/{work}/leeway/key', { params }),
      `The answer key of ${piece.title} was opened`,
    ),
  );
  return { ask, use, openKey };
}

/** What can be done: each is taken down as one change, and can be undone. */
function Deeds({ one, piece }: { one: Case; piece: Work }) {
  const { id, zone, mayWrite } = useStudent();
  const now = useNow();
  const [sure, setSure] = useState(false);
  const [answering, setAnswering] = useState(false);
  const { ask, use, openKey } = useDeeds(one, piece);
  if (!mayWrite) return null;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      {one.mayAsk && one.newDue && (
        <Button look="main" onClick={() => void ask()}>
          {one.atOnce
            ? `Take the extension, due ${near(one.newDue, zone, now)}`
            : 'Ask, with a letter to the teacher'}
        </Button>
      )}
      {one.tokenDues.map((due, place) => (
        <Button key={due} onClick={() => use(place + 1)}>
          Use {count(place + 1, 'token')}, due {near(due, zone, now)}
        </Button>
      ))}
      {one.pending && (
        <Button look="main" onClick={() => setAnswering(true)}>
          The teacher has answered
        </Button>
      )}
      {!one.keyOpened && (one.mayAsk || one.tokenDues.length > 0) && (
        <Button look="danger" onClick={() => setSure(true)}>
          I opened the answer key
        </Button>
      )}
      <Link to={`/s/${id}/work/${one.work}`} className="ml-auto text-[14px] underline underline-offset-2">
        Open the work
      </Link>
      <Dialog
        open={sure}
        onOpenChange={setSure}
        title="The answer key bars the rest"
        about={`Once it is opened, no extension may be asked for and no token used on ${piece.title}. ${lost(one)}`}
      >
        <div className="flex justify-end gap-2">
          <Button look="quiet" onClick={() => setSure(false)}>
            It stays shut
          </Button>
          <Button
            look="danger"
            onClick={() => {
              setSure(false);
              void openKey();
            }}
          >
            It was opened
          </Button>
        </div>
      </Dialog>
      <Dialog
        open={answering}
        onOpenChange={setAnswering}
        title="What the teacher answered"
        about={piece.title}
      >
        {answering && <Answer one={one} onDone={() => setAnswering(false)} />}
      </Dialog>
    </div>
  );
}

/** What opening the key gives up. */
function lost(one: Case): string {
  const gain = Math.round(Number(one.leewayBrings) * 10) / 10;
  return gain > 0
    ? `That gives up ${gain} points.`
    : 'By the plan, leeway would bring nothing more just now.';
}

function Answer({ one, onDone }: { one: Case; onDone: () => void }) {
  const { id, zone } = useStudent();
  const [due, setDue] = useState('');
  const [key] = useState(writeKey);
  const { write: send, fault: refused } = useWrite(async (granted: boolean) => {
    await writeChange(
      id,
      client.POST('/api/students/{student}/works/{work}/leeway/answer', {
        params: { path: { student: id, work: one.work }, header: { 'Idempotency-Key': key } },
        body: { due: granted ? instantIn(due, zone) : null },
      }),
      granted ? 'An extension was given' : 'The extension was declined',
    );
    onDone();
  }, true);
  const fault = refused?.words ?? '';
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void send(true);
      }}
      className="flex flex-col gap-3"
    >
      <label className="text-[14px]">
        The new due
        <input
          type="datetime-local"
          required
          value={due}
          onChange={(event) => setDue(event.target.value)}
          className="mt-1 block h-9 w-full rounded border border-line bg-paper px-2"
        />
      </label>
      {fault && (
        <p role="alert" className="font-semibold text-[14px] text-loss">
          {fault}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <Button look="danger" onClick={() => void send(false)}>
          It was declined
        </Button>
        <Button look="main" type="submit">
          It was given
        </Button>
      </div>
    </form>
  );
}

export { CaseOpen };
