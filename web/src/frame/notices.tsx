import { useQuery } from '@tanstack/react-query';
import { toast } from 'sonner';
import { client, type Schemas, take } from '../api/client';
import { noticesQuery, queryClient } from '../api/queries';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Check, Select, TextField } from '../ui/field';
import { Failed, Loading } from '../ui/states';
import { useFormWrite } from '../ui/use-form-write';
import { TellHere } from './words-here';

type Choice = Schemas['NoticeChoiceView'];
type Form = Schemas['NoticeForm'];

const DAYS = [
  ['MONDAY', 'Mondays'],
  ['TUESDAY', 'Tuesdays'],
  ['WEDNESDAY', 'Wednesdays'],
  ['THURSDAY', 'Thursdays'],
  ['FRIDAY', 'Fridays'],
  ['SATURDAY', 'Saturdays'],
  ['SUNDAY', 'Sundays'],
] as const;

interface NoticesDialogProps {
  person: number;
  /** Whether they have work of their own; who only looks on is told less. */
  student: boolean;
  open: boolean;
  onClose: () => void;
}

/** What one is reminded of, by mail and here, and when it is quiet. */
function NoticesDialog({ person, student, open, onClose }: NoticesDialogProps) {
  return (
    <Dialog
      open={open}
      onOpenChange={(next) => !next && onClose()}
      title="Reminders"
      about="Each thing is told once, in as few mails as can be."
    >
      {open && <Asked person={person} student={student} onClose={onClose} />}
    </Dialog>
  );
}

function Asked({ person, student, onClose }: Omit<NoticesDialogProps, 'open'>) {
  const { data, isError, error, refetch } = useQuery(noticesQuery);
  if (isError) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading rows={4} />;
  return <ChoiceForm choice={data} person={person} student={student} onClose={onClose} />;
}

function ChoiceForm({
  choice,
  person,
  student,
  onClose,
}: { choice: Choice } & Omit<NoticesDialogProps, 'open'>) {
  const { form, field, submit, writing } = useFormWrite<Omit<Form, 'weekDay'> & { weekDay: string }>(
    {
      losses: choice.losses,
      asked: choice.asked,
      scores: choice.scores,
      weekDay: choice.weekDay ?? '',
      quietFrom: choice.quietFrom.slice(0, 5),
      quietUntil: choice.quietUntil.slice(0, 5),
    },
    async (typed) => {
      const weekDay = DAYS.find(([day]) => day === typed.weekDay)?.[0] ?? null;
      await take(client.PUT('/api/people/me/notices', { body: { ...typed, weekDay } }));
      await queryClient.invalidateQueries({ queryKey: noticesQuery.queryKey });
      toast('It comes as you chose');
      onClose();
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3.5">
      <p className="text-[14px] text-ink-2">
        {choice.canSend
          ? `They go to ${choice.to}. Each mail can stop all of them by one press.`
          : 'No mail server is set up here, so that nothing is sent. What you choose is kept.'}
      </p>
      <div className="flex flex-col gap-2">
        <Check
          label={
            student
              ? 'What is about to be lost, while there is still time to save it'
              : 'What is about to be lost for good, while it can still be saved'
          }
          {...form.register('losses')}
        />
        {student && (
          <Check label="What a teacher asks for, and what came out against me" {...form.register('asked')} />
        )}
        <Check label="New scores" {...form.register('scores')} />
      </div>
      <Select label="The week ahead, at 17:00" {...field('weekDay')}>
        <option value="">never</option>
        {DAYS.map(([day, words]) => (
          <option key={day} value={day}>
            on {words}
          </option>
        ))}
      </Select>
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Quiet from" type="time" required {...field('quietFrom')} />
        <TextField
          label="until"
          type="time"
          required
          hint="The same for no quiet hours"
          {...field('quietUntil')}
        />
      </div>
      <TellHere person={person} />
      <div className="mt-1 flex justify-end gap-2">
        <Button onClick={onClose}>Leave it</Button>
        <Button look="main" type="submit" disabled={writing}>
          Save
        </Button>
      </div>
    </form>
  );
}

export { NoticesDialog };
