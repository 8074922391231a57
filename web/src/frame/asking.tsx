import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Schemas, type Session, take } from '../api/client';
import { guardiansQuery, queryClient, requestsQuery } from '../api/queries';
import { useNow } from '../lib/now';
import { near } from '../lib/time';
import { Button, TextButton } from '../ui/button';
import { TextField } from '../ui/field';
import { useFormWrite } from '../ui/use-form-write';
import { useWrite } from '../ui/use-write';
import { ALL, type Sight, SightChecks } from './sight';

type Person = NonNullable<Session['person']>;

/** A guardian asks to see the work of a student, by the address that they know. */
function Ask({ person }: { person: Person }) {
  const { data: asked } = useQuery(requestsQuery);
  const again = () => queryClient.invalidateQueries({ queryKey: requestsQuery.queryKey });
  const { form, field, submit, writing } = useFormWrite({ email: '' }, async (body) => {
    await take(client.POST('/api/people/me/requests', { body }));
    form.reset();
    await again();
  });
  const { write: takeBack } = useWrite(async (request: number) => {
    await take(client.DELETE('/api/people/me/requests/{request}', { params: { path: { request } } }));
    await again();
  });
  return (
    <section
      aria-labelledby="ask"
      className="mt-5 border-line border-t pt-4 first:mt-0 first:border-t-0 first:pt-0"
    >
      <h3 id="ask" className="font-bold text-[15px]">
        Ask to see somebody’s work
      </h3>
      <ul>
        {asked?.map((one) => (
          <li
            key={one.id}
            className="flex items-baseline justify-between gap-3 border-line-2 border-t py-2 text-[14px]"
          >
            <span className="min-w-0 break-words text-ink-2">You asked {one.email}; no answer yet.</span>
            <TextButton aria-label={`Ask ${one.email} no longer`} onClick={() => void takeBack(one.id)}>
              Take it back
            </TextButton>
          </li>
        ))}
      </ul>
      <form onSubmit={submit} className="mt-1 flex items-end gap-2">
        <TextField
          label="Their address, with which they sign in"
          type="email"
          required
          maxLength={254}
          autoComplete="off"
          {...field('email')}
        />
        <Button type="submit" disabled={writing}>
          Ask
        </Button>
      </form>
      <p className="mt-1 text-[13px] text-ink-2">
        They are told that {person.name} asks, and say yes or no. Whether anybody has this address isn’t said.
      </p>
    </section>
  );
}

interface RequestsProps {
  student: number;
  requests: readonly Schemas['Asking'][];
  zone: string;
}

/** Guardians who ask to see one's work. */
function Requests({ student, requests, zone }: RequestsProps) {
  const again = () => queryClient.invalidateQueries({ queryKey: guardiansQuery(student).queryKey });
  const { write: accept } = useWrite(async ({ request, body }: { request: number; body: Sight }) => {
    await take(
      client.POST('/api/students/{student}/guardians/requests/{request}/acceptance', {
        params: { path: { student, request } },
        body,
      }),
    );
    await again();
  });
  const { write: decline } = useWrite(async (request: number) => {
    await take(
      client.DELETE('/api/students/{student}/guardians/requests/{request}', {
        params: { path: { student, request } },
      }),
    );
    await again();
  });
  return (
    <ul>
      {requests.map((one) => (
        <Request
          key={one.id}
          request={one}
          zone={zone}
          onAccept={(sees) => void accept({ request: one.id, body: sees })}
          onDecline={() => void decline(one.id)}
        />
      ))}
    </ul>
  );
}

interface RequestProps {
  request: Schemas['Asking'];
  zone: string;
  onAccept: (sees: Sight) => void;
  onDecline: () => void;
}

function Request({ request, zone, onAccept, onDecline }: RequestProps) {
  const now = useNow();
  const [sees, setSees] = useState(ALL);
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-line-2 border-t py-2">
      <span className="min-w-0 flex-1 basis-52">
        <b className="block break-words font-[680]">{request.name} asks to see your work</b>
        <span className="block break-words text-[13.5px] text-ink-2">
          {request.email}
          {!request.confirmed && ' (nobody knows yet whether it is theirs)'},{' '}
          {near(request.madeAt, zone, now)}
        </span>
      </span>
      <Button
        look="main"
        aria-label={`Let them: ${request.name} sees your work`}
        onClick={() => onAccept(sees)}
      >
        Let them
      </Button>
      <Button look="quiet" aria-label={`Say no: ${request.name} doesn’t see your work`} onClick={onDecline}>
        Say no
      </Button>
      <div className="basis-full">
        <SightChecks of={request.name} sees={sees} onChange={setSees} />
      </div>
    </li>
  );
}

export { Ask, Requests };
