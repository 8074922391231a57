import { useState } from 'react';
import { client, type Schemas, take } from '../../api/client';
import { useStudent } from '../../frame/student';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { useWrite } from '../../ui/use-write';
import { ImportPreview } from '../imports/import-preview';
import { linkWay } from '../imports/ways';
import { abilityWords, KINDS, LINK_KIND_ABOUT, LINK_KIND_WORDS } from './model';

type Form = Schemas['LinkForm'];
type LinkLook = Schemas['LinkLook'];

const EMPTY: Form = { kind: 'BOX', address: '', token: '', knownAs: '', name: '' };

interface AddLinkProps {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Two steps: where the school is, and then what it would bring. Nothing is written before the second is confirmed. */
function AddLink({ open, onOpenChange }: AddLinkProps) {
  const [form, setForm] = useState(EMPTY);
  const [look, setLook] = useState<LinkLook | null>(null);
  const end = () => {
    onOpenChange(false);
    setLook(null);
    setForm(EMPTY);
  };
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => (next ? onOpenChange(true) : end())}
      wide={look !== null}
      title={look ? (look.preview.choices.source ?? '') : 'Add a link'}
      about={
        look
          ? `${LINK_KIND_WORDS[form.kind]}: ${abilityWords(look.abilities)}. Nothing is written yet.`
          : 'You see first what it would bring.'
      }
    >
      {look ? <Confirm look={look} onDone={end} /> : <Where form={form} onForm={setForm} onLook={setLook} />}
    </Dialog>
  );
}

interface WhereProps {
  form: Form;
  onForm: (form: Form) => void;
  onLook: (look: LinkLook) => void;
}

function Where({ form, onForm, onLook }: WhereProps) {
  const { id } = useStudent();
  const faultOf = (field: string) => fault?.faults.find((one) => one.field === field)?.message;
  const change = (part: Partial<Form>) => onForm({ ...form, ...part });
  const {
    write: look,
    writing: looking,
    fault,
  } = useWrite(async () => {
    onLook(
      await take(
        client.POST('/api/students/{student}/links/looks', {
          params: { path: { student: id } },
          body: form,
        }),
      ),
    );
  }, true);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void look();
      }}
      className="flex flex-col gap-3"
    >
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

function Confirm({ look, onDone }: { look: LinkLook; onDone: () => void }) {
  const { id } = useStudent();
  const [way] = useState(() => linkWay(id, look.preview.id));
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <ImportPreview titled first={look.preview} way={way} onDone={onDone} />
    </div>
  );
}

export { AddLink };
