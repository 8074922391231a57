import { type ReactNode, useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../ui/button';
import { TextField } from '../ui/field';
import { useFormWrite } from '../ui/use-form-write';
import { OnceLink } from './once-link';

/** The link that lets somebody in. */
function linkOf(secret: string): string {
  return `${window.location.origin}/join/${secret}`;
}

interface InviteFormProps {
  /** Whether mail can be sent from here. */
  mails: boolean;
  /** What the button says. */
  button: string;
  /** Makes the invitation, mailed or to be handed over, and gives its secret. */
  invite: (email: string | null) => Promise<string>;
  /** What else is chosen. */
  children: ReactNode;
}

/** Makes a link that lets somebody in, and mails it where that can be. The link is shown once either way. */
function InviteForm({ mails, button, invite, children }: InviteFormProps) {
  const [made, setMade] = useState<string | null>(null);
  const { form, field, submit, writing } = useFormWrite({ email: '' }, async ({ email }) => {
    setMade(linkOf(await invite(email.trim() || null)));
    if (email.trim()) toast(`The invitation is on its way to ${email.trim()}`);
    form.reset();
  });
  if (made) return <OnceLink label="The link" text={made} onDone={() => setMade(null)} />;
  return (
    <form onSubmit={submit} className="flex flex-col gap-2.5">
      {children}
      {mails && (
        <TextField
          label="Mail it to"
          hint="May stay empty: then you hand the link over."
          type="email"
          maxLength={254}
          autoComplete="off"
          {...field('email')}
        />
      )}
      <Button type="submit" disabled={writing} className="self-start">
        {button}
      </Button>
    </form>
  );
}

export { InviteForm };
