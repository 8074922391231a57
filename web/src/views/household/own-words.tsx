import { client, take } from '../../api/client';
import { queryClient } from '../../api/queries';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { Button } from '../../ui/button';
import { TextArea, TextField } from '../../ui/field';
import { useFormWrite } from '../../ui/use-form-write';
import { groupNames, type Row } from './model';

/** What one keeps of a student for oneself: a note, and the groups that one puts them in. */
function OwnWords({ row }: { row: Row }) {
  const now = useNow();
  const path = { student: row.id };
  const { field, submit, writing, faultOf } = useFormWrite(
    { note: row.own.note, groups: row.own.groups.join(', ') },
    async ({ note, groups }) => {
      const body = { note, groups: groupNames(groups) };
      await take(client.PUT('/api/household/{student}/own', { params: { path }, body }));
      await queryClient.invalidateQueries({ queryKey: ['household'] });
    },
  );
  return (
    <form onSubmit={submit} className="mt-4 flex max-w-[60ch] flex-col gap-2">
      <TextArea
        label={`Your note on ${row.name}`}
        hint={
          row.own.writtenAt
            ? `Written ${near(row.own.writtenAt, row.zone, now)}. Only you see it.`
            : 'Only you see it.'
        }
        rows={3}
        maxLength={4000}
        {...field('note')}
      />
      <div className="flex items-end gap-2">
        <TextField
          label="Your groups, with commas between"
          {...field('groups')}
          fault={faultOf('groups') ?? faultOf('groups[0]')}
        />
        <Button type="submit" disabled={writing}>
          Keep it
        </Button>
      </div>
    </form>
  );
}

export { OwnWords };
