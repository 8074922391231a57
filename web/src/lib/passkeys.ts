import {
  browserSupportsWebAuthn,
  startAuthentication,
  startRegistration,
  WebAuthnError,
} from '@simplewebauthn/browser';
import { client, Refused, take } from '../api/client';

/** @param of the name of the place that passkeys belong to: a browser gives them to no other */
export function canUsePasskeys(of: string): boolean {
  return browserSupportsWebAuthn() && window.location.hostname === of;
}

/** What the browser says where nothing came of it: mostly that somebody let it be. */
function letBe(error: unknown): never {
  if (!(error instanceof WebAuthnError || error instanceof DOMException)) throw error;
  const there = error instanceof WebAuthnError && error.code === 'ERROR_AUTHENTICATOR_PREVIOUSLY_REGISTERED';
  throw new Refused(0, there ? 'This device is a passkey already' : 'Nothing came from the device', [
    {
      field: '',
      message: there
        ? 'It is in the list. Remove it there first to make it anew.'
        : 'It was let be, or took too long. Try again, or use your password.',
    },
  ]);
}

/** Makes this device, or one beside it, a passkey. */
export async function makePasskey(name: string, password: string): Promise<void> {
  const asked = await take(client.POST('/api/people/me/passkeys/questions', { body: { password } }));
  const answer = await startRegistration({ optionsJSON: JSON.parse(asked.json) }).catch(letBe);
  await take(client.POST('/api/people/me/passkeys', { body: { name, json: JSON.stringify(answer) } }));
}

/** Signs in whose passkey answers. */
export async function enterByPasskey(): Promise<void> {
  const asked = await take(client.POST('/api/passkeys/questions'));
  const answer = await startAuthentication({ optionsJSON: JSON.parse(asked.json) }).catch(letBe);
  await take(client.POST('/api/passkeys/answers', { body: { json: JSON.stringify(answer) } }));
}
