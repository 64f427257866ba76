import { randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { raw, UniqueConstraintViolationException } from '@mikro-orm/core';
import type { PasswordChange, Session } from '@plesion/contract';
import { demoGuides } from '@plesion/demo';
import { AccountEntity, StationEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { addGuide } from '../guides/service';
import { putDemoKeys } from '../keys/demo';
import { badRequest, HttpProblem, signedOut } from '../http/errors';
import type { Caller } from '../http/route';
import { initialsFor } from '../people/initials';

/** argon2id, 19 MiB, 2 passes: the least the OWASP password storage guidance (2023) accepts. */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Checked against when no account has the name, so that the answer takes as long. */
const nobody = hash('nobody has this password', ARGON);

export const hashPassword = (password: string): Promise<string> => hash(password, ARGON);

export const wrongPassword = () =>
  new HttpProblem(401, { code: 'wrong-password', message: 'No account has this name and password.', field: 'password' });

/** Whose name and password these are; nobody's, where they do not belong together. */
export async function signIn(em: Em, name: string, password: string): Promise<Caller | undefined> {
  const account = await em.findOne(AccountEntity, { [raw('lower(name)')]: name.toLowerCase() });
  const matches = await verify(account?.passwordHash ?? (await nobody), password);
  if (!account || !matches) return undefined;
  return { accountId: account.id, accountName: account.name, stationId: account.stationId, role: account.role };
}

/** Another password for an account, by whoever knows the one it has. */
export async function changePassword(em: Em, { accountId, stationId }: Caller, { current, next }: PasswordChange): Promise<void> {
  const account = await em.findOne(AccountEntity, { id: accountId, stationId });
  if (!account) throw signedOut();
  if (!(await verify(account.passwordHash, current)))
    throw badRequest([{ code: 'wrong-password', message: 'This is not the password as it is now.', field: 'current' }]);
  const passwordHash = await hashPassword(next);
  await em.nativeUpdate(AccountEntity, { id: accountId, stationId }, { passwordHash });
}

export interface NewStation {
  station: string;
  name: string;
  password: string;
  demo?: boolean;
}

/** A station with its first account and the guides every station starts with; all of it or nothing. */
export async function makeStation(em: Em, wanted: NewStation): Promise<Caller> {
  const passwordHash = await hashPassword(wanted.password);
  const ids = { station: randomUUID(), account: randomUUID() };
  const writer = { stationId: ids.station, accountName: wanted.name };
  try {
    await em.transactional(async (tx) => {
      await tx.insert(StationEntity, {
        id: ids.station,
        name: wanted.station,
        demo: wanted.demo ?? false,
        createdAt: new Date(),
      });
      await tx.insert(AccountEntity, {
        id: ids.account,
        stationId: ids.station,
        name: wanted.name,
        role: 'keeper',
        initials: initialsFor(wanted.name, new Set()),
        passwordHash,
        createdAt: new Date(),
      });
      for (const guide of demoGuides) await addGuide(tx, writer, guide);
      await putDemoKeys(tx, writer);
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintViolationException)) throw error;
    // Which of the two, and whose it is, is nobody's business.
    throw badRequest([
      {
        code: 'names-unusable',
        message: 'These names cannot be used here. Choose another name for the station, or for the account.',
      },
    ]);
  }
  return { accountId: ids.account, accountName: wanted.name, stationId: ids.station, role: 'keeper' };
}

export async function describeSession(em: Em, caller: Caller): Promise<Session> {
  const station = await em.findOne(StationEntity, { id: caller.stationId });
  if (!station) throw signedOut();
  return {
    account: { id: caller.accountId, name: caller.accountName, role: caller.role },
    station: { id: station.id, name: station.name, demo: station.demo },
  };
}
