import { createClient } from '@plesion/contract';
import type { Session } from '@plesion/contract';
import { passkeyEndpoints } from '@plesion/contract/endpoints/passkeys';
import type { Passkey } from '@plesion/contract/passkeys';
import {
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  startAuthentication,
  startRegistration,
} from '@simplewebauthn/browser';

export const passkeyApi = createClient('', undefined, passkeyEndpoints);

/** Where the list lies in the cache. */
export const PASSKEYS = ['account', 'passkeys'] as const;

/** A device says why in its own words, which are for programmers: in ours. */
function inWords(error: unknown): Error {
  const name = error instanceof Error ? error.name : '';
  if (name === 'NotAllowedError' || name === 'AbortError')
    return new Error('The device showed no passkey: it was called off, or took too long. Try again, or use the password.');
  if (name === 'InvalidStateError') return new Error('This device has a passkey for you already.');
  if (name === 'SecurityError' || name === 'NotSupportedError')
    return new Error('At this address the browser makes no passkeys. Use the address of the station that has a name.');
  return error instanceof Error ? error : new Error('The device gave no answer.');
}

const byDevice = <T>(answer: Promise<T>): Promise<T> =>
  answer.catch((error: unknown) => {
    throw inWords(error);
  });

/** Let this device make a key, and keep it. */
export async function makePasskey(name: string): Promise<Passkey> {
  const options = (await passkeyApi('beginPasskey', {})) as unknown as PublicKeyCredentialCreationOptionsJSON;
  const made = await byDevice(startRegistration({ optionsJSON: options }));
  return passkeyApi('makePasskey', { body: { name, made } });
}

/** Sign in with a key of this device. */
export async function enterByPasskey(): Promise<Session> {
  const options = (await passkeyApi('askPasskey', {})) as unknown as PublicKeyCredentialRequestOptionsJSON;
  const shown = await byDevice(startAuthentication({ optionsJSON: options }));
  return passkeyApi('enterByPasskey', { body: shown });
}
