import { type FormEvent, useState } from 'react';
import { client, type LinkPreview, Refused, type Schemas, take, writeKey } from '../../api/client';
import { writeChange } from '../../api/write-change';
import { useStudent } from '../../frame/student';
import { count } from '../../lib/words';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { noticeFault } from '../../ui/notice';
import { abilityWords, KINDS, LINK_KIND_ABOUT, LINK_KIND_WORDS, linkWords } from './model';
import { ToldRows } from './told-rows';

type Form = Schemas['LinkForm'];

const EMPTY: Form = { kind: 'BOX', address: '', token: '', knownAs: '', name: '' };

interface AddLinkProps {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Two steps: where the school is, and then what it would bring. Nothing is written before the second is confirmed. */
function AddLink({ open, onOpenChange }: AddLinkProps) {
  const [form, setForm] = useState(EMPTY);
  const [preview, setPreview] = useState<LinkPreview | null>(null);
  const end = () => {
    onOpenChange(false);
    setPreview(null);
    setForm(EMPTY);
  };
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => (next ? onOpenChange(true) : end())}
      wide={preview !== null}
      title={preview ? preview.name : 'Add a link'}
      about={
        preview
          ? `${LINK_KIND_WORDS[form.kind]}: ${abilityWords(preview.abilities)}. Nothing is written yet.`
          : 'You see first what it would bring.'
      }
    >
      {preview ? (
        <Confirm form={form} preview={preview} onBack={() => setPreview(null)} onDone={end} />
      ) : (
        <Where form={form} onForm={setForm} onPreview={setPreview} />
      )}
    </Dialog>
  );
}

interface WhereProps {
  form: Form;
  onForm: (form: Form) => void;
  onPreview: (preview: LinkPreview) => void;
}

function Where({ form, onForm, onPreview }: WhereProps) {
  const { id } = useStudent();
  const [looking, setLooking] = useState(false);
  const [fault, setFault] = useState<Refused | null>(null);
  const faultOf = (field: string) => fault?.faults.find((one) => one.field === field)?.message;
  const change = (part: Partial<Form>) => onForm({ ...form, ...part });
  const look = async (event: FormEvent) => {
    event.preventDefault();
    setLooking(true);
    setFault(null);
    try {
      onPreview(
        await take(
          client.POST('/api/students/{student}/links/preview', {
            params: { path: { student: id } },
            body: form,
          }),
        ),
      );
    } catch (error) {
      if (error instanceof Refused && error.status === 422) setFault(error);
      else noticeFault(error);
    }
    setLooking(false);
  };
  return (
    <form onSubmit={(event) => void look(event)} className="flex flex-col gap-3">
      <Choice<(typeof KINDS)[number]>
        label="What it is"
        value={form.kind as (typeof KINDS)[number]}
        options={KINDS.map((kind) => [kind, LINK_KIND_WORDS[kind]] as const)}
        hint={LINK_KIND_ABOUT[form.kind as (typeof KINDS)[number]]}
        onChange={(kind) => change({ kind })}
      />
      <TextField
        label="Its address"
        required
        inputMode="url"
        placeholder="https://"
        value={form.address}
        fault={faultOf('link.address') ?? faultOf('address')}
        onChange={(event) => change({ address: event.target.value })}
      />
      <TextField
        label="Access token"
        autoComplete="off"
        hint="If the school gave you one. It is shown to that address only."
        value={form.token ?? ''}
        fault={faultOf('token')}
        onChange={(event) => change({ token: event.target.value })}
      />
      {form.kind === 'ROSTER' && (
        <TextField
          label="Who you are there"
          hint="Your e-mail address or number, if the gradebook holds more students than you."
          value={form.knownAs ?? ''}
          fault={faultOf('knownAs')}
          onChange={(event) => change({ knownAs: event.target.value })}
        />
      )}
      <TextField
        label="Name"
        hint="Left empty, it is called what it calls itself."
        value={form.name ?? ''}
        fault={faultOf('name')}
        onChange={(event) => change({ name: event.target.value })}
      />
      <Button look="main" type="submit" disabled={looking} className="self-end">
        {looking ? 'Asking …' : 'See what it would bring'}
      </Button>
    </form>
  );
}

interface ConfirmProps {
  form: Form;
  preview: LinkPreview;
  onBack: () => void;
  onDone: () => void;
}

function Confirm({ form, preview, onBack, onDone }: ConfirmProps) {
  const { id } = useStudent();
  const [key] = useState(writeKey);
  const [adding, setAdding] = useState(false);
  const add = async () => {
    setAdding(true);
    try {
      await writeChange(
        id,
        client.POST('/api/students/{student}/links', {
          params: { path: { student: id }, header: { 'Idempotency-Key': key } },
          body: { link: form, fingerprint: preview.fingerprint },
        }),
        `Added ${preview.name}`,
      );
      onDone();
    } catch (error) {
      noticeFault(error);
      setAdding(false);
      if (error instanceof Refused && error.status === 412) onBack();
    }
  };
  return (
    <>
      <div className="min-h-0 flex-1 overflow-auto">
        {preview.courses.length > 0 && (
          <p className="mb-2 text-[14px]">New courses: {preview.courses.join(', ')}.</p>
        )}
        {preview.happened > 0 && (
          <p className="mb-2 text-[14px]">
            Also {count(preview.happened, 'score, comment or hand-in', 'scores, comments and hand-ins')}.
          </p>
        )}
        <ToldRows rows={preview.rows} troubles={preview.troubles} />
      </div>
      <div className="mt-4 flex justify-end gap-2">
        <Button look="quiet" onClick={onBack}>
          Back
        </Button>
        <Button look="main" disabled={adding} onClick={() => void add()}>
          {adding ? 'Adding …' : linkWords(preview)}
        </Button>
      </div>
    </>
  );
}

export { AddLink };
