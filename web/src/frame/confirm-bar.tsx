import { useQuery } from '@tanstack/react-query';
import { toast } from 'sonner';
import { client, take } from '../api/client';
import { sessionQuery } from '../api/queries';
import { Button } from '../ui/button';
import { useWrite } from '../ui/use-write';

/** On every page of who hasn't said yet that their address is theirs. */
function ConfirmBar() {
  const { data: session } = useQuery(sessionQuery);
  const { write: again, writing } = useWrite(async () => {
    await take(client.POST('/api/people/me/confirmations'));
    toast('The mail is on its way once more');
  });
  const person = session?.person;
  if (!person?.unconfirmed) return null;
  return (
    <p
      role="status"
      className="no-print flex shrink-0 items-center gap-3 border-wait border-l-4 bg-wait-soft py-1.5 pr-5 pl-4 max-sm:pr-3"
    >
      <span className="min-w-0 flex-1">
        <b className="font-bold">Is {person.email} yours?</b> Say so by the link in the mail from Navlo; no
        other mail comes before.
      </span>
      <Button className="h-[30px]" disabled={writing} onClick={() => void again()}>
        Send the mail again
      </Button>
    </p>
  );
}

export { ConfirmBar };
