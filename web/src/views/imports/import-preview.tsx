import clsx from 'clsx';
import { useId, useState } from 'react';
import type { ImportPreview as Preview } from '../../api/client';
import { useStudent } from '../../frame/student';
import { fieldTime } from '../../lib/time';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { Check, Select, TextField } from '../../ui/field';
import { Columns } from './columns';
import { ImportRows } from './import-rows';
import { type Choices, groupsOf, KIND_OF_SOURCE, MEANING_WORDS, PAST_WORDS } from './model';
import { usePreview } from './use-preview';
import type { Way } from './ways';

interface ImportPreviewProps {
  first: Preview;
  way: Way;
  /** Whether what it is stands above it already. */
  titled?: boolean;
  onDone: () => void;
}

/** What reading something in would do: row by row, each to be left out or put right before anything is written. */
function ImportPreview({ first, way, titled, onDone }: ImportPreviewProps) {
  const { id } = useStudent();
  const read = usePreview(id, way, first, onDone);
  const { preview, choices, fault, choose, type, correct } = read;
  return (
    <>
      {!titled && (
        <>
          <h2 className="font-bold text-[20px] tracking-[-0.01em]">{choices.source}</h2>
          <p className="mb-3 text-ink-2">
            {KIND_OF_SOURCE[preview.kind]}
            {preview.known ? ', read in before: here is what differs now.' : '.'} Nothing is changed yet.
          </p>
        </>
      )}
      {preview.students.length > 1 && <Who preview={preview} choices={choices} choose={choose} />}
      {choices.mapping && <Table preview={preview} choices={choices} choose={choose} />}
      {preview.ready && <Courses preview={preview} choices={choices} type={type} />}
      {preview.courses.some((course) => course.categories.length > 0) && (
        <Weights preview={preview} choices={choices} choose={choose} />
      )}
      <Past preview={preview} choices={choices} choose={choose} />
      {preview.unknownWords.length > 0 && (
        <UnknownWords words={preview.unknownWords} choices={choices} choose={choose} />
      )}
      <Classes preview={preview} choices={choices} choose={choose} />
      {groupsOf(preview.rows).map((group) => (
        <ImportRows
          key={group.key}
          group={group}
          courses={preview.courses.map((course) => course.name)}
          correct={correct}
        />
      ))}
      {preview.ready && preview.rows.length === 0 && (
        <p className="text-[14px] text-ink-2">It tells of no work.</p>
      )}
      {preview.happened > 0 && (
        <p className="text-[14px]">
          Also {count(preview.happened, 'score, comment or hand-in', 'scores, comments and hand-ins')}.
        </p>
      )}
      <Troubles preview={preview} />
      {fault && (
        <p role="alert" className="mt-2 font-semibold text-[14px] text-loss">
          {fault.words}
        </p>
      )}
      <Foot read={read} way={way} raised={titled === true} onDone={onDone} />
    </>
  );
}

interface PartProps {
  preview: Preview;
  choices: Choices;
  choose: (change: Partial<Choices>) => void;
}

/** Whose of several students' work it is. */
function Who({ preview, choices, choose }: PartProps) {
  return (
    <Select
      label="Who you are in it"
      frame="max-w-80 mb-3"
      value={choices.knownAs ?? ''}
      onChange={(event) => choose({ knownAs: event.target.value })}
    >
      <option value="">choose</option>
      {preview.students.map((one) => (
        <option key={one.id} value={one.id}>
          {one.name} {one.email && `(${one.email})`}
        </option>
      ))}
    </Select>
  );
}

/** What has passed, and nothing is told of. */
function Past({ preview, choices, choose }: PartProps) {
  const past = preview.rows.filter((row) => row.past).length;
  if (past === 0) return null;
  return (
    <div className="my-3 border-line border-l-4 bg-raised px-4 py-3">
      <Choice
        label={`${count(past, 'piece')} of work ${past === 1 ? 'was' : 'were'} due before now, and nothing is told of ${past === 1 ? 'it' : 'them'}. ${past === 1 ? 'It was' : 'They were'}`}
        value={choices.past}
        options={PAST_WORDS}
        hint="Handed in on time is written down with its due as the date. Each row can say otherwise."
        onChange={(answer) => choose({ past: answer })}
      />
    </div>
  );
}

/** Classes that it tells of, as time that isn't free. */
function Classes({ preview, choices, choose }: PartProps) {
  if (preview.classes.length === 0) return null;
  return (
    <div className="my-3">
      <Check
        label={`Take the hours of ${count(preview.classes.length, 'class', 'classes')} as time that isn’t free: ${preview.classes.map((one) => `${one.title} ${fieldTime(one.starts)}`).join(', ')}`}
        checked={choices.classes}
        onChange={(event) => choose({ classes: event.target.checked })}
      />
    </div>
  );
}

interface FootProps {
  read: ReturnType<typeof usePreview>;
  way: Way;
  /** Whether it stands in a dialog. */
  raised: boolean;
  onDone: () => void;
}

/** Takes it all, or leaves it. */
function Foot({ read: { preview, choices, busy, written, apply }, way, raised, onDone }: FootProps) {
  const words = way.words(preview, choices);
  return (
    <div
      className={clsx(
        'sticky bottom-0 mt-4 flex flex-wrap items-center gap-3 border-line border-t py-3',
        raised ? 'bg-raised' : 'bg-paper',
      )}
    >
      <Button
        look="main"
        className="h-9"
        disabled={!preview.ready || (!words && !busy)}
        aria-busy={busy}
        onClick={() => void apply()}
      >
        {!preview.ready ? 'Say first what is asked above' : words || 'Nothing to apply'}
      </Button>
      <Button look="quiet" className="h-9" onClick={onDone}>
        Leave it
      </Button>
      <span className="text-[14px] text-ink-2" aria-live="polite">
        {written && written.of > 0
          ? `Writing ${written.done} of ${written.of} …`
          : 'All of it or nothing; you can undo it afterwards.'}
      </span>
    </div>
  );
}

function Table({ preview, choices, choose }: PartProps) {
  const { mapping } = choices;
  const [open, setOpen] = useState(preview.unclear.includes('TITLE'));
  if (!mapping) return null;
  const asks = (what: Preview['unclear'][number]) => preview.unclear.includes(what);
  const change = (part: Partial<typeof mapping>) => choose({ mapping: { ...mapping, ...part } });
  const noTitle = asks('TITLE') && !mapping.fields.includes('TITLE');
  return (
    <div className="mb-3 flex flex-col gap-3">
      <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary className="w-fit text-[14px] text-ink-2">
          {count(preview.columns.length, 'column')}, and what they mean
        </summary>
        <Columns
          columns={preview.columns}
          fields={mapping.fields}
          fault={noTitle ? 'Say which column has the titles.' : ''}
          onChange={(fields) => change({ fields })}
        />
      </details>
      {(asks('DATE_ORDER') || asks('DECIMALS')) && (
        <div className="flex flex-wrap gap-x-8 gap-y-3">
          {asks('DATE_ORDER') && (
            <Choice
              label="A date like 03/04 is"
              value={mapping.dates}
              options={[
                ['DAY_FIRST', '3 April'],
                ['MONTH_FIRST', '4 March'],
              ]}
              hint="It could mean either."
              onChange={(dates) => change({ dates })}
            />
          )}
          {asks('DECIMALS') && (
            <Choice
              label="A number like 1,250 is"
              value={mapping.decimals}
              options={[
                ['POINT', 'a thousand and more'],
                ['COMMA', 'one and a quarter'],
              ]}
              hint="It could mean either."
              onChange={(decimals) => change({ decimals })}
            />
          )}
        </div>
      )}
    </div>
  );
}

/** Which of one's courses each is, or what a new one is called. */
function Courses({
  preview,
  choices,
  type,
}: Omit<PartProps, 'choose'> & { type: (change: Partial<Choices>) => void }) {
  const { board } = useStudent();
  const list = useId();
  const named = (key: string) => choices.courses.find((course) => course.key === key)?.name ?? '';
  const rename = (key: string, name: string) =>
    type({ courses: choices.courses.map((course) => (course.key === key ? { key, name } : course)) });
  const told = preview.courses.filter((course) => choices.courses.some((one) => one.key === course.key));
  return (
    <div className="mb-3 flex flex-wrap items-start gap-x-4 gap-y-2">
      {told.map((course) => (
        <TextField
          key={course.key}
          label={told.length > 1 ? `${course.told} (${course.works}) goes into` : 'It goes into the course'}
          frame="w-72"
          list={list}
          maxLength={120}
          value={named(course.key)}
          onFocus={(event) => event.target.select()}
          onChange={(event) => rename(course.key, event.target.value)}
          hint={course.isNew ? 'A new course' : 'One of yours'}
        />
      ))}
      <datalist id={list}>
        {board.courses.map((course) => (
          <option key={course.id} value={course.name} />
        ))}
      </datalist>
    </div>
  );
}

function Weights({ preview, choices, choose }: PartProps) {
  const weighted = preview.courses.filter((course) => course.categories.length > 0);
  const words = weighted
    .map((course) => {
      const sum = course.categories.reduce((total, one) => total + Number(one.weight ?? 0), 0);
      const list = course.categories.map((one) => `${one.name} ${one.weight} %`).join(', ');
      return `${weighted.length > 1 ? `${course.name}: ` : ''}${list}; they add up to ${Math.round(sum * 100) / 100} %`;
    })
    .join('. ');
  return (
    <div className="my-3">
      <Check
        label={`The grade is made of these categories: ${words}`}
        checked={choices.grading}
        onChange={(event) => choose({ grading: event.target.checked })}
      />
    </div>
  );
}

function UnknownWords({
  words,
  choices,
  choose,
}: {
  words: readonly string[];
  choices: Choices;
  choose: PartProps['choose'];
}) {
  const says = (word: string, meaning: string) =>
    choose({
      words: [
        ...choices.words.filter((one) => one.word !== word),
        { word, meaning: meaning as Choices['words'][number]['meaning'] },
      ],
    });
  return (
    <div className="my-3 border-line border-l-4 bg-raised px-4 py-3">
      <p className="font-semibold text-[13.5px]">
        What {words.length === 1 ? 'does this word' : 'do these words'} for a state mean?
      </p>
      <div className="mt-1 flex flex-wrap gap-3">
        {words.map((word) => (
          <Select
            key={word}
            label={`“${word}”`}
            value=""
            onChange={(event) => says(word, event.target.value)}
          >
            <option value="">choose; it is remembered</option>
            {MEANING_WORDS.map(([meaning, said]) => (
              <option key={meaning} value={meaning}>
                {said}
              </option>
            ))}
          </Select>
        ))}
      </div>
    </div>
  );
}

function Troubles({ preview }: { preview: Preview }) {
  if (preview.troubles.length === 0) return null;
  return (
    <details open className="mt-3 text-[14px]">
      <summary className="w-fit cursor-pointer font-semibold text-loss">
        {count(preview.troubles.length, 'thing')} couldn’t be read; the rest can
      </summary>
      <ul>
        {preview.troubles.map((trouble) => (
          <li key={trouble.where + trouble.why}>
            {trouble.where}: <span className="text-ink-2">{trouble.why}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

export { ImportPreview };
