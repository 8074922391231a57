import { useQuery } from '@tanstack/react-query';
import { ChevronDown } from 'lucide-react';
import { useState } from 'react';
import { client, writeKey } from '../../api/client';
import { lensesQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { type Narrowing, writeNarrowing } from '../../lib/narrow';
import { keepPlace } from '../../lib/timeline-place';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { Menu, MenuItem, MenuRule } from '../../ui/menu';
import { useFormWrite } from '../../ui/use-form-write';
import { useWrite } from '../../ui/use-write';
import { writeChange } from '../../ui/write-change';

/** Saved ways to look at the work. The address of each can be given to somebody, or kept as a bookmark. */
function LensMenu({ narrowing, chip }: { narrowing: Narrowing; chip: string }) {
  const { id, mayWrite } = useStudent();
  const lenses = useQuery(lensesQuery(id)).data ?? [];
  const [, setParams] = useAddress();
  const [saving, setSaving] = useState(false);
  const query = writeNarrowing(narrowing).toString();
  const held = lenses.find((lens) => lens.query === query);
  const { write: remove } = useWrite((lens: { id: number; name: string }) =>
    writeChange(
      id,
      client.DELETE('/api/students/{student}/lenses/{lens}', {
        params: { path: { student: id, lens: lens.id }, header: { 'Idempotency-Key': writeKey() } },
      }),
      `Removed the lens ${lens.name}`,
    ),
  );
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
  const [key] = useState(writeKey);
  const { field, submit, writing } = useFormWrite({ name: '' }, async ({ name }) => {
    await writeChange(
      id,
      client.POST('/api/students/{student}/lenses', {
        params: { path: { student: id }, header: { 'Idempotency-Key': key } },
        body: { name, query },
      }),
      `Saved the lens ${name}`,
    );
    onClose();
  });
  return (
    <form onSubmit={submit} className="flex flex-col gap-4">
      <TextField label="Name" required autoFocus maxLength={80} {...field('name')} />
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Leave it
        </Button>
        <Button look="main" type="submit" disabled={writing}>
          Save the lens
        </Button>
      </div>
    </form>
  );
}

export { LensMenu };
