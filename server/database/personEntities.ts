import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import { ROLES } from '@plesion/contract/roles';

/** Somebody who signs in, to however many stations. */
export const PersonEntity = defineEntity({
  name: 'Person',
  tableName: 'person',
  properties: {
    id: p.uuid().primary(),
    name: p.string(),
    passwordHash: p.string(),
    /** The station they were in last, where signing in brings them. */
    stationId: p.uuid().nullable(),
    createdAt: p.datetime().onCreate(() => new Date()),
  },
});

/** A key of a device that opens the door for a person (WebAuthn); only its public half. */
export const PasskeyEntity = defineEntity({
  name: 'Passkey',
  tableName: 'passkey',
  properties: {
    /** As the device calls it, in base64url. */
    id: p.string().primary(),
    personId: p.uuid(),
    name: p.string(),
    publicKey: p.blob(),
    /** How often it has been used, as the device counts. */
    counter: p.bigint('number'),
    transports: p.json<string[]>(),
    createdAt: p.datetime().onCreate(() => new Date()),
    usedAt: p.datetime().nullable(),
  },
});
export type PasskeyColumns = InferEntity<typeof PasskeyEntity>;

/** What a person is in one station: by this name they sign there. */
export const AccountEntity = defineEntity({
  name: 'Account',
  tableName: 'account',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    personId: p.uuid(),
    name: p.string(),
    role: p.enum([...ROLES]),
    /** As they stand on records; one's own in the station. */
    initials: p.string(),
    createdAt: p.datetime().onCreate(() => new Date()),
  },
});

/** A link that brings somebody in, or renews an account's password; only its hash is kept. */
export const InvitationEntity = defineEntity({
  name: 'Invitation',
  tableName: 'invitation',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    hash: p.string(),
    role: p.enum([...ROLES]),
    accountId: p.uuid().nullable(),
    madeBy: p.string(),
    until: p.datetime(),
  },
});

/** What a script shows instead of a session; only its hash is kept. */
export const TokenEntity = defineEntity({
  name: 'Token',
  tableName: 'api_token',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    accountId: p.uuid(),
    name: p.string(),
    scope: p.enum(['read', 'write'] as const),
    hash: p.string(),
    createdAt: p.datetime(),
    usedAt: p.datetime().nullable(),
  },
});
export type TokenColumns = InferEntity<typeof TokenEntity>;
export type AccountColumns = InferEntity<typeof AccountEntity>;
export type InvitationColumns = InferEntity<typeof InvitationEntity>;

export const personEntities = [PersonEntity, PasskeyEntity, AccountEntity, InvitationEntity, TokenEntity];
