import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { client, type FilePreview as Preview, Refused, type Schemas, take, writeKey } from '../../api/client';
import { writeChange } from '../../api/write-change';
import { useStudent } from '../../frame/student';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { Select, TextField } from '../../ui/field';
import { noticeFault } from '../../ui/notice';
import { Columns } from './columns';
import { fileWords } from './model';
import { ToldRows } from './told-rows';

type Choices = Schemas['FileChoices'];

interface FilePreviewProps {
  first: Preview;
  onDone: () => void;
}

/** What reading a gradebook's file in would do; what its columns mean can be put right first. */
function FilePreview({ first, onDone }: FilePreviewProps) {
  const { id } = useStudent();
  const [preview, setPreview] = useState(first);
  const [choices, setChoices] = useState(first.choices);
  const asked = useRef(first.choices);
  const [key] = useState(writeKey);
  const path = { student: id, file: first.id };
  const again = useMutation({
    mutationFn: (choices: Choices) =>
      take(
        client.POST('/api/students/{student}/link-files/{file}/preview', {
          params: { path },
          body: choices,
        }),
      ),
    // Of several askings only the answer to the last one is about what is chosen now.
    onSuccess: (answer, choicesThen) => {
      if (choicesThen !== asked.current) return;
      setPreview(answer);
      setChoices(answer.choices);
      asked.current = answer.choices;
    },
    onError: noticeFault,
  });
  const choose = (change: Partial<Choices>) => {
    const next = { ...choices, ...change };
    asked.current = next;
    setChoices(next);
    again.mutate(next);
  };
  const apply = useMutation({
    mutationFn: () =>
      writeChange(
        id,
        client.POST('/api/students/{student}/link-files/{file}/application', {
          params: { path, header: { 'Idempotency-Key': key } },
          body: { choices: preview.choices, fingerprint: preview.fingerprint },
        }),
        `Read in ${preview.choices.source}`,
      ),
    onSuccess: onDone,
    onError: (error) => {
      noticeFault(error);
      if (error instanceof Refused && error.status === 412) again.mutate(preview.choices);
    },
  });
  const words = fileWords(preview);
  return (
    <>
      <h2 className="font-bold text-[20px] tracking-[-0.01em]">{preview.choices.source}</h2>
      <p className="mb-3 text-ink-2">Nothing is changed yet.</p>
      {preview.students.length > 1 && (
        <Select
          label="Who you are in it"
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
      )}
      {choices.mapping && <Table preview={preview} choices={choices} choose={choose} />}
      {preview.courses.length > 0 && (
        <p className="mt-3 mb-1 text-[14px]">New courses: {preview.courses.join(', ')}.</p>
      )}
      {preview.ready && (
        <div className="mt-3">
          <ToldRows rows={preview.rows} troubles={preview.troubles} />
        </div>
      )}
      <div className="mt-4 flex gap-2">
        <Button
          look="main"
          className="h-9"
          disabled={!preview.ready || words === '' || again.isPending || apply.isPending}
          onClick={() => apply.mutate()}
        >
          {!preview.ready ? 'Say first what is asked above' : words || 'Everything in it is here already'}
        </Button>
        <Button look="quiet" className="h-9" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </>
  );
}

interface TableProps {
  preview: Preview;
  choices: Choices;
  choose: (change: Partial<Choices>) => void;
}

function Table({ preview, choices, choose }: TableProps) {
  const { mapping } = choices;
  const [course, setCourse] = useState(choices.course ?? '');
  if (!mapping) return null;
  const asks = (what: Preview['unclear'][number]) => preview.unclear.includes(what);
  const change = (part: Partial<typeof mapping>) => choose({ mapping: { ...mapping, ...part } });
  return (
    <div className="flex flex-col gap-3">
      <Columns
        columns={preview.columns}
        fields={mapping.fields}
        fault={asks('TITLE') && !mapping.fields.includes('TITLE') ? 'Say which column has the titles.' : ''}
        onChange={(fields) => change({ fields })}
      />
      <div className="flex flex-wrap gap-x-8 gap-y-3">
        {asks('DATE_ORDER') && (
          <Choice
            label="A date like 03/04 is"
            value={mapping.dates}
            options={[
              ['DAY_FIRST', '3 April'],
              ['MONTH_FIRST', '4 March'],
            ]}
            hint="The file could mean either."
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
            hint="The file could mean either."
            onChange={(decimals) => change({ decimals })}
          />
        )}
        {!mapping.fields.includes('COURSE') && (
          <TextField
            label="Course"
            value={course}
            onChange={(event) => setCourse(event.target.value)}
            onBlur={() => choose({ course })}
          />
        )}
      </div>
    </div>
  );
}

export { FilePreview };
