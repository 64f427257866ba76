import { randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { raw, UniqueConstraintViolationException } from '@mikro-orm/core';
import type { OtherStation, PasswordChange, Session } from '@plesion/contract';
import { demoGuides } from '@plesion/demo';
import { StationEntity } from '../database/entities';
import { type AccountColumns, AccountEntity, PersonEntity } from '../database/personEntities';
import type { Em } from '../database/orm';
import { addGuide } from '../guides/service';
import { putDemoKeys } from '../keys/demo';
import { badRequest, HttpProblem, notFound, signedOut } from '../http/errors';
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
  const person = await em.findOne(PersonEntity, { [raw('lower(name)')]: name.toLowerCase() });
  const matches = await verify(person?.passwordHash ?? (await nobody), password);
  if (!person || !matches) return undefined;
  return callerOf(em, person);
}

/** A person who has come in: in the station they were in last, else in the first they came to. */
export async function callerOf(em: Em, { id }: { id: string }): Promise<Caller> {
  const accounts = await em.find(AccountEntity, { personId: id }, { orderBy: { createdAt: 'asc', id: 'asc' } });
  const { stationId: last } = await em.findOneOrFail(PersonEntity, { id }, { fields: ['stationId'] });
  const account = accounts.find(({ stationId }) => stationId === last) ?? accounts.at(0);
  if (!account) throw wrongPassword();
  return inStation(account);
}

/** Who asks, as the account of a person in a station. */
export const inStation = ({
  id,
  personId,
  name,
  stationId,
  role,
}: Pick<AccountColumns, 'id' | 'personId' | 'name' | 'stationId' | 'role'>): Caller => ({
  ...{ accountId: id, personId, accountName: name, stationId, role },
});

/** Go on in another station that one belongs to. @throws 404 where one does not. */
export async function changeStation(em: Em, { personId }: Caller, stationId: string): Promise<Caller> {
  const account = await em.findOne(AccountEntity, { stationId, personId });
  if (!account) throw notFound('station');
  await em.nativeUpdate(PersonEntity, { id: personId }, { stationId });
  return inStation(account);
}

/** Another password for a person, by whoever knows the one there is. */
export async function changePassword(em: Em, { personId }: Caller, { current, next }: PasswordChange): Promise<void> {
  const person = await em.findOne(PersonEntity, { id: personId });
  if (!person) throw signedOut();
  if (!(await verify(person.passwordHash, current)))
    throw badRequest([{ code: 'wrong-password', message: 'This is not the password as it is now.', field: 'current' }]);
  await em.nativeUpdate(PersonEntity, { id: personId }, { passwordHash: await hashPassword(next) });
}

export interface NewStation {
  station: string;
  name: string;
  password: string;
  demo?: boolean;
}

/** A station with the person who keeps it, and the guides every station starts with; all of it or nothing. */
export async function makeStation(em: Em, { station, name, password, demo }: NewStation): Promise<Caller> {
  const person = { id: randomUUID(), name, passwordHash: await hashPassword(password), stationId: null, createdAt: new Date() };
  return whereNamesAreFree(() =>
    em.transactional(async (tx) => {
      await tx.insert(PersonEntity, person);
      return putStation(tx, { name: station, demo: demo ?? false }, { personId: person.id, name });
    }),
  );
}

/** One more station, kept by somebody who has an account. */
export const makeFurtherStation = (em: Em, { personId, accountName }: Caller, station: string): Promise<Caller> =>
  whereNamesAreFree(() =>
    em.transactional((tx) => putStation(tx, { name: station, demo: false }, { personId, name: accountName })),
  );

async function putStation(
  tx: Em,
  station: { name: string; demo: boolean },
  { personId, name }: { personId: string; name: string },
): Promise<Caller> {
  const stationId = randomUUID();
  await tx.insert(StationEntity, { ...station, id: stationId, createdAt: new Date() });
  const account: AccountColumns = {
    ...{ stationId, id: randomUUID(), personId, name, role: 'keeper' as const },
    ...{ initials: initialsFor(name, new Set()), createdAt: new Date() },
  };
  await tx.insert(AccountEntity, account);
  await tx.nativeUpdate(PersonEntity, { id: personId }, { stationId });
  const caller = inStation(account);
  // What the demo has, its photographs among it, is put into it one by one.
  if (station.demo) return caller;
  for (const guide of demoGuides) await addGuide(tx, caller, guide);
  await putDemoKeys(tx, caller);
  return caller;
}

async function whereNamesAreFree(make: () => Promise<Caller>): Promise<Caller> {
  try {
    return await make();
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
}

export async function describeSession(em: Em, caller: Caller): Promise<Session> {
  const { stationId, personId } = caller;
  const station = await em.findOne(StationEntity, { id: stationId });
  if (!station) throw signedOut();
  const others = await em
    .getConnection()
    .execute<OtherStation[]>(
      'select s.id, s.name, a.role from account a join station s on s.id = a.station_id where a.person_id = ? and s.id <> ? order by s.name, s.id',
      [personId, stationId],
    );
  return {
    account: { id: caller.accountId, name: caller.accountName, role: caller.role },
    station: { id: station.id, name: station.name, demo: station.demo },
    others,
  };
}
