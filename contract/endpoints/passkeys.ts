import { NewPasskey, Passkey, PasskeyList, PasskeyOptions, PasskeyPath, PasskeyShown } from '../passkeys';
import { Session } from '../session';
import type { Endpoint } from './endpoint';
import { nothing } from './endpoint';

/** Keys of one's devices, beside the password. */
export const passkeyEndpoints = {
  passkeys: {
    method: 'GET',
    path: '/api/account/passkeys',
    summary: 'The keys of one’s devices.',
    personal: true,
    response: PasskeyList,
  },
  beginPasskey: {
    method: 'POST',
    path: '/api/account/passkeys/options',
    summary: 'What a device needs to make a key; good for five minutes.',
    personal: true,
    response: PasskeyOptions,
  },
  makePasskey: {
    method: 'POST',
    path: '/api/account/passkeys',
    summary: 'Keep the key that a device has made.',
    personal: true,
    body: NewPasskey,
    response: Passkey,
    status: 201,
  },
  endPasskey: {
    method: 'DELETE',
    path: '/api/account/passkeys/:id',
    summary: 'A key opens the door no more.',
    personal: true,
    params: PasskeyPath,
    response: nothing,
  },
  askPasskey: {
    method: 'POST',
    path: '/api/session/passkey/options',
    summary: 'What a device needs to show a key of its own; good for five minutes.',
    open: true,
    response: PasskeyOptions,
  },
  enterByPasskey: {
    method: 'POST',
    path: '/api/session/passkey',
    summary: 'Sign in with a key of a device.',
    open: true,
    body: PasskeyShown,
    response: Session,
  },
} as const satisfies Record<string, Endpoint>;
