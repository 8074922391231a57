import { useQuery } from '@tanstack/react-query';
import { ChevronDown } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { client, Refused, take, writeKey } from '../../api/client';
import { lensesQuery, refreshStudent } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { type Narrowing, writeNarrowing } from '../../lib/narrow';
import { keepPlace } from '../../lib/timeline-place';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { Menu, MenuItem, MenuRule } from '../../ui/menu';
import { noticeChange, noticeFault } from '../../ui/notice';

/** Saved ways to look at the work. The address of each can be given to somebody, or kept as a bookmark. */
function LensMenu({ narrowing, chip }: { narrowing: Narrowing; chip: string }) {
  const { id, mayWrite } = useStudent();
  const lenses = useQuery(lensesQuery(id)).data ?? [];
  const [, setParams] = useAddress();
  const [saving, setSaving] = useState(false);
  const query = writeNarrowing(narrowing).toString();
  const held = lenses.find((lens) => lens.query === query);
  const remove = async (lens: { id: number; name: string }) => {
    try {
      const done = await take(
        client.DELETE('/api/students/{student}/lenses/{lens}', {
          params: { path: { student: id, lens: lens.id }, header: { 'Idempotency-Key': writeKey() } },
        }),
      );
      await refreshStudent(id);
      noticeChange(id, done.change, `Removed the lens ${lens.name}`);
    } catch (error) {
      noticeFault(error);
    }
  };
  const copy = () => void navigator.clipboard?.writeText(window.location.href).catch(() => undefined);
  return (
    <>
      <Menu
        trigger={
          <button type="button" data-on={Boolean(held)} className={chip}>
            {held ? `Lens: ${held.name}` : 'Lens'}
            <ChevronDown size={13} aria-hidden />
          </button>
        }
      >
        {lenses.map((lens) => (
          <MenuItem
            key={lens.id}
            onSelect={() => setParams((before) => keepPlace(before, new URLSearchParams(lens.query)))}
          >
            {lens.name}
          </MenuItem>
        ))}
        {lenses.length > 0 && <MenuRule />}
        {mayWrite && !held && (
          <MenuItem onSelect={() => setSaving(true)}>Save what is shown as a lens</MenuItem>
        )}
        {mayWrite && held && (
          <MenuItem onSelect={() => void remove(held)}>Remove the lens {held.name}</MenuItem>
        )}
        <MenuItem onSelect={copy}>Copy its address</MenuItem>
      </Menu>
      <Dialog
        open={saving}
        onOpenChange={setSaving}
        title="Save a lens"
        about="What is narrowed, how it is grouped and sorted, under a name."
      >
        {saving && <LensForm query={query} onClose={() => setSaving(false)} />}
      </Dialog>
    </>
  );
}

function LensForm({ query, onClose }: { query: string; onClose: () => void }) {
  const { id } = useStudent();
  const [name, setName] = useState('');
  const [key] = useState(writeKey);
  const [fault, setFault] = useState<Refused | null>(null);
  const save = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const done = await take(
        client.POST('/api/students/{student}/lenses', {
          params: { path: { student: id }, header: { 'Idempotency-Key': key } },
          body: { name, query },
        }),
      );
      await refreshStudent(id);
      noticeChange(id, done.change, `Saved the lens ${name}`);
      onClose();
    } catch (error) {
      if (error instanceof Refused && error.status === 422) setFault(error);
      else noticeFault(error);
    }
  };
  return (
    <form onSubmit={(event) => void save(event)} className="flex flex-col gap-4">
      <TextField
        label="Name"
        required
        autoFocus
        maxLength={80}
        value={name}
        onChange={(event) => setName(event.target.value)}
        fault={fault?.of('name')}
      />
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Leave it
        </Button>
        <Button look="main" type="submit">
          Save the lens
        </Button>
      </div>
    </form>
  );
}

export { LensMenu };
