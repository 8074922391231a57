import { useQuery } from '@tanstack/react-query';
import { client, type Session, take } from '../api/client';
import { queryClient, sessionQuery } from '../api/queries';
import { useNow } from '../lib/now';
import { moment, near } from '../lib/time';
import { Button } from '../ui/button';
import { TextField } from '../ui/field';
import { useFormWrite } from '../ui/use-form-write';
import { useWrite } from '../ui/use-write';

type Person = NonNullable<Session['person']>;

const again = () => queryClient.invalidateQueries({ queryKey: sessionQuery.queryKey });

function useStay(): { write: () => Promise<unknown>; writing: boolean } {
  return useWrite(async () => {
    await take(client.DELETE('/api/people/me/departure'));
    await again();
  });
}

/** Leaving: a download first, then the word; within a week it can be taken back. */
function Leaving({ person }: { person: Person }) {
  const { write: stay, writing: staying } = useStay();
  return (
    <section className="mt-5 border-line border-t pt-4">
      <h3 className="mb-1 font-bold text-[15px]">Leave Navlo</h3>
      {person.leavesAt ? (
        <>
          <p className="mb-2.5 text-[14px]">
            Everything of yours is deleted {moment(person.leavesAt, person.zone)}.
          </p>
          <Button disabled={staying} onClick={() => void stay()}>
            Stay
          </Button>
        </>
      ) : (
        <Ask person={person} />
      )}
    </section>
  );
}

function Ask({ person }: { person: Person }) {
  const { field, submit, writing } = useFormWrite({ word: '' }, async (typed) => {
    await take(client.POST('/api/people/me/departure', { body: typed }));
    await again();
  });
  const student = person.role === 'STUDENT';
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <p className="text-[14px] text-ink-2">
        {student
          ? 'Your work, grades, words and files are deleted here seven days after you say so, and nobody who sees them sees them any longer. Your schools keep what is theirs. Until then you can take it back.'
          : 'Your account is deleted seven days after you say so; the work that you see stays with its students. Until then you can take it back.'}
      </p>
      {student && (
        <a
          className="self-start font-semibold text-[14px] underline underline-offset-2"
          href={`/api/students/${person.id}/archive`}
          download
        >
          First take everything with you, as one file
        </a>
      )}
      <div className="flex items-end gap-2">
        <TextField label="Type “delete” to leave" required autoComplete="off" {...field('word')} />
        <Button look="danger" type="submit" disabled={writing}>
          Leave Navlo
        </Button>
      </div>
    </form>
  );
}

/** On every page of who leaves: until when it can be taken back. */
function LeavingBar() {
  const { data: session } = useQuery(sessionQuery);
  const { write: stay, writing } = useStay();
  const now = useNow();
  const person = session?.person;
  if (!person?.leavesAt) return null;
  return (
    <p
      role="status"
      className="no-print flex shrink-0 items-center gap-3 border-loss border-l-4 bg-loss-soft py-1.5 pr-5 pl-4 max-sm:pr-3"
    >
      <span className="min-w-0 flex-1">
        <b className="font-bold">You leave.</b> Everything of yours is deleted{' '}
        {near(person.leavesAt, person.zone, now)}.
      </span>
      <Button className="h-[30px]" disabled={writing} onClick={() => void stay()}>
        Stay
      </Button>
    </p>
  );
}

export { Leaving, LeavingBar };
