import { UniqueConstraintViolationException } from '@mikro-orm/core';
import type { NewPasskey, Passkey, PasskeyShown } from '@plesion/contract/passkeys';
import {
  type AuthenticationResponseJSON,
  generateAuthenticationOptions,
  generateRegistrationOptions,
  type RegistrationResponseJSON,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import { PasskeyEntity, PersonEntity, type PasskeyColumns } from '../database/personEntities';
import type { Em } from '../database/orm';
import { badRequest, HttpProblem, notFound } from '../http/errors';

/** Passkeys that one person may have. */
const MOST = 20;

/** Of which site a key is, and which of its challenges it answers. */
export interface Asked {
  origin: string;
  challenge: string;
}

const siteOf = (origin: string): string => new URL(origin).hostname;

const notThisKey = () =>
  new HttpProblem(401, {
    code: 'unknown-passkey',
    message: 'This passkey opens no account here. Sign in with a password, and make one under Account.',
  });

export async function listPasskeys(em: Em, personId: string): Promise<Passkey[]> {
  return (await em.find(PasskeyEntity, { personId }, { orderBy: { createdAt: 'asc', id: 'asc' } })).map(toldOf);
}

/** What a device needs to make a key for a person. */
export async function optionsToMake(em: Em, personId: string, name: string, origin: string) {
  const known = await em.find(PasskeyEntity, { personId });
  if (known.length >= MOST)
    throw new HttpProblem(409, {
      code: 'too-many-passkeys',
      message: `There are ${MOST} passkeys already; end one that is not used.`,
    });
  return generateRegistrationOptions({
    rpName: 'Plesion',
    rpID: siteOf(origin),
    userName: name,
    userID: new TextEncoder().encode(personId),
    attestationType: 'none',
    excludeCredentials: known.map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'preferred' },
  });
}

/** Keep a key that a device has made in answer to what it was asked. */
export async function keepPasskey(
  em: Em,
  personId: string,
  { name, made }: NewPasskey,
  { origin, challenge }: Asked,
): Promise<Passkey> {
  const refused = badRequest([
    { code: 'bad-passkey', message: 'The device’s answer does not fit what it was asked. Try again.', field: 'made' },
  ]);
  const { verified, registrationInfo } = await verifyRegistrationResponse({
    response: made as RegistrationResponseJSON,
    expectedChallenge: challenge,
    expectedOrigin: origin,
    expectedRPID: siteOf(origin),
    requireUserVerification: false,
  }).catch(() => {
    throw refused;
  });
  if (!verified) throw refused;
  const { id, publicKey, counter } = registrationInfo.credential;
  const row: PasskeyColumns = {
    ...{ id, personId, name, counter, publicKey: Buffer.from(publicKey) },
    ...{ transports: made.response.transports ?? [], createdAt: new Date(), usedAt: null },
  };
  try {
    await em.insert(PasskeyEntity, row);
  } catch (error) {
    if (!(error instanceof UniqueConstraintViolationException)) throw error;
    throw refused;
  }
  return toldOf(row);
}

export async function endPasskey(em: Em, personId: string, id: string): Promise<void> {
  if ((await em.nativeDelete(PasskeyEntity, { personId, id })) === 0) throw notFound('passkey');
}

/** What a device needs to show a key: whose it is, its answer says. */
export const optionsToShow = (origin: string) =>
  generateAuthenticationOptions({ rpID: siteOf(origin), userVerification: 'preferred', allowCredentials: [] });

/** The person whose device has shown a key of theirs. @throws 401 for a key that is none. */
export async function personOfPasskey(em: Em, shown: PasskeyShown, { origin, challenge }: Asked): Promise<{ id: string }> {
  const known = await em.findOne(PasskeyEntity, { id: shown.id });
  const person = known && (await em.findOne(PersonEntity, { id: known.personId }));
  if (!person) throw notThisKey();
  const { verified, authenticationInfo } = await verifyAuthenticationResponse({
    response: shown as AuthenticationResponseJSON,
    expectedChallenge: challenge,
    expectedOrigin: origin,
    expectedRPID: siteOf(origin),
    credential: { id: known.id, publicKey: new Uint8Array(known.publicKey), counter: known.counter },
    requireUserVerification: false,
  }).catch(() => {
    throw notThisKey();
  });
  if (!verified) throw notThisKey();
  await em.nativeUpdate(PasskeyEntity, { id: known.id }, { counter: authenticationInfo.newCounter, usedAt: new Date() });
  return { id: person.id };
}

const toldOf = ({ id, name, createdAt, usedAt }: PasskeyColumns): Passkey => ({
  ...{ id, name },
  createdAt: createdAt.toISOString(),
  ...(usedAt ? { usedAt: usedAt.toISOString() } : {}),
});
