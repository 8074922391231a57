import { useMutation } from '@tanstack/react-query';
import { useEffect } from 'react';
import { client, take } from '../../api/client';
import { Mark } from '../../frame/top-bar';
import { Button } from '../../ui/button';
import { Failed, Loading } from '../../ui/states';

/** Where the link leads that was mailed to an address: from then on it is known to be its person's. */
function Confirm({ secret }: { secret: string }) {
  const { mutate, isSuccess, isError, error } = useMutation({
    mutationFn: () => take(client.POST('/api/confirmations/{secret}', { params: { path: { secret } } })),
  });
  useEffect(() => mutate(), [mutate]);
  return (
    <div className="grid min-h-dvh place-items-center bg-paper px-4 py-10">
      <main className="w-full max-w-[400px]">
        <Mark />
        {isError ? (
          <Failed error={error} onRetry={() => mutate()} />
        ) : isSuccess ? (
          <>
            <h1 className="mt-8 mb-1 font-bold text-[24px]">The address is yours</h1>
            <p className="mb-5 text-ink-2">What you choose to be told comes there from now on.</p>
            <Button look="main" className="h-10 text-[15px]" onClick={() => window.location.assign('/')}>
              Go on
            </Button>
          </>
        ) : (
          <Loading rows={2} />
        )}
      </main>
    </div>
  );
}

export { Confirm };
