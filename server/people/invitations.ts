import { randomUUID } from 'node:crypto';
import { UniqueConstraintViolationException } from '@mikro-orm/core';
import {
  INVITATION_DAYS,
  type Invitation,
  type InvitedTo,
  type Joining,
  type MadeInvitation,
  type NewInvitation,
  type NewJoining,
} from '@plesion/contract/people';
import { keepDeed } from '../audit/deeds';
import { StationEntity } from '../database/entities';
import { AccountEntity, InvitationEntity, type InvitationColumns, PersonEntity } from '../database/personEntities';
import type { Em } from '../database/orm';
import { badRequest, HttpProblem, notFound, signedOut } from '../http/errors';
import type { Caller } from '../http/route';
import { makeSecret, readSecret } from '../http/secret';
import { notOfDemo } from '../session/ofDemo';
import { hashPassword, inStation } from '../session/service';
import { initialsFor } from './initials';
import { lockStation } from './members';

const DAY = 86_400_000;

/** Links that are good at once in one station. */
const MOST = 100;

const lapsed = () =>
  new HttpProblem(404, {
    code: 'lapsed',
    message: 'This link is good no more: it was used, withdrawn, or has lapsed. Ask the keeper of the station for another.',
  });

const toldOf = ({ id, role, madeBy, until }: InvitationColumns, renews?: string): Invitation => ({
  ...{ id, role, by: madeBy, until: until.toISOString() },
  ...(renews === undefined ? {} : { renews }),
});

export async function listInvitations(em: Em, { stationId }: Caller): Promise<Invitation[]> {
  const rows = await em.find(InvitationEntity, { stationId, until: { $gt: new Date() } }, { orderBy: { until: 'asc' } });
  const ids = rows.flatMap(({ accountId }) => accountId ?? []);
  const accounts = ids.length ? await em.find(AccountEntity, { stationId, id: { $in: ids } }) : [];
  return rows.map((row) => toldOf(row, accounts.find(({ id }) => id === row.accountId)?.name));
}

/** Make a link; what lapsed goes. */
export async function invite(em: Em, caller: Caller, wanted: NewInvitation): Promise<MadeInvitation> {
  const { stationId, accountName } = caller;
  await em.nativeDelete(InvitationEntity, { stationId, until: { $lte: new Date() } });
  if ((await em.count(InvitationEntity, { stationId })) >= MOST)
    throw new HttpProblem(409, { code: 'too-many-links', message: `There are ${MOST} links already; withdraw some.` });
  const account = 'renews' in wanted ? await em.findOne(AccountEntity, { stationId, id: wanted.renews }) : undefined;
  if (account === null) throw notFound('member');
  if (account) await needOnlyHere(em, account);
  const { secret: token, hash } = makeSecret(stationId);
  const row: InvitationColumns = {
    ...{ stationId, id: randomUUID(), hash, madeBy: accountName, accountId: account?.id ?? null },
    role: account?.role ?? ('role' in wanted ? wanted.role : 'learner'),
    until: new Date(Date.now() + INVITATION_DAYS * DAY),
  };
  await em.transactional(async (tx) => {
    await tx.insert(InvitationEntity, row);
    const fields = account ? [account.name, 'new password'] : [row.role];
    await keepDeed(tx, caller, { act: 'invited', kind: 'member', id: account?.id ?? row.id, fields });
  });
  return { ...toldOf(row, account?.name), token };
}

export async function withdrawInvitation(em: Em, caller: Caller, id: string): Promise<void> {
  await em.transactional(async (tx) => {
    if ((await tx.nativeDelete(InvitationEntity, { stationId: caller.stationId, id })) === 0) throw notFound('invitation');
    await keepDeed(tx, caller, { act: 'took back', kind: 'member', id });
  });
}

async function linkOf(em: Em, token: string): Promise<InvitationColumns> {
  const read = readSecret(token);
  const row = read && (await em.findOne(InvitationEntity, { ...read, until: { $gt: new Date() } }));
  if (!row) throw lapsed();
  return row;
}

export async function invitedTo(em: Em, token: string): Promise<InvitedTo> {
  const row = await linkOf(em, token);
  const station = await em.findOneOrFail(StationEntity, { id: row.stationId });
  const account = row.accountId && (await em.findOne(AccountEntity, { stationId: row.stationId, id: row.accountId }));
  return { station: station.name, role: row.role, by: row.madeBy, ...(account ? { renews: account.name } : {}) };
}

/** Come in by a link: it is used up with it, and with nothing less. @param own who is signed in, where that is who comes. */
export async function join(em: Em, token: string, joining: Joining, own: Caller | undefined): Promise<Caller> {
  const link = await linkOf(em, token);
  if (link.accountId) return renew(em, link, joining);
  const { stationId } = link;
  const person = 'as' in joining ? await ownPerson(em, stationId, own) : await newPerson(joining);
  const name = joining.name ?? person.name;
  try {
    return await em.transactional(async (tx) => {
      await useUp(tx, link);
      await lockStation(tx, stationId);
      const { passwordHash } = person;
      if (passwordHash) await tx.insert(PersonEntity, { ...person, passwordHash, stationId, createdAt: new Date() });
      else await tx.nativeUpdate(PersonEntity, { id: person.id }, { stationId });
      const others = await tx.find(AccountEntity, { stationId }, { fields: ['initials'] });
      const account = { stationId, id: randomUUID(), personId: person.id, name, role: link.role, createdAt: new Date() };
      await tx.insert(AccountEntity, { ...account, initials: initialsFor(name, new Set(others.map((one) => one.initials))) });
      await keepDeed(
        tx,
        { stationId, accountName: name },
        { act: 'joined', kind: 'member', id: account.id, fields: [link.role] },
      );
      return inStation(account);
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintViolationException)) throw error;
    throw badRequest([{ code: 'name-taken', message: 'This name cannot be used here. Choose another.', field: 'name' }]);
  }
}

async function useUp(tx: Em, { stationId, id }: InvitationColumns): Promise<void> {
  if ((await tx.nativeDelete(InvitationEntity, { stationId, id })) === 0) throw lapsed();
}

/** Another password for the one a link was made for. */
async function renew(em: Em, link: InvitationColumns, joining: Joining): Promise<Caller> {
  if ('as' in joining)
    throw badRequest([
      { code: 'password-missing', message: 'This link renews a password: give the new one.', field: 'password' },
    ]);
  const passwordHash = await hashPassword(joining.password);
  const { stationId } = link;
  return em.transactional(async (tx) => {
    await useUp(tx, link);
    const account = await tx.findOneOrFail(AccountEntity, { stationId, id: link.accountId! });
    await needOnlyHere(tx, account);
    await tx.nativeUpdate(PersonEntity, { id: account.personId }, { passwordHash });
    await keepDeed(
      tx,
      { stationId, accountName: account.name },
      { act: 'changed', kind: 'member', id: account.id, fields: ['password'] },
    );
    return inStation(account);
  });
}

/** A keeper opens no door of another station: who belongs to several is given no new password by one of them. */
async function needOnlyHere(em: Em, { personId, name }: { personId: string; name: string }): Promise<void> {
  if ((await em.count(AccountEntity, { personId })) === 1) return;
  throw new HttpProblem(409, {
    code: 'belongs-elsewhere',
    message: `${name} belongs to other stations too, so no single keeper gives them a new password. They change it themselves under Account; a passkey opens the door as well.`,
  });
}

/** Who comes: somebody new with a password, or somebody who is known. */
interface Coming {
  id: string;
  name: string;
  passwordHash?: string;
}

async function newPerson({ name, password }: NewJoining): Promise<Coming> {
  if (name === undefined)
    throw badRequest([{ code: 'name-missing', message: 'Say by what name you are known in the station.', field: 'name' }]);
  return { id: randomUUID(), name, passwordHash: await hashPassword(password) };
}

async function ownPerson(em: Em, stationId: string, own: Caller | undefined): Promise<Coming> {
  // A script's token is no person at the door: it would come out with a session that may more than it.
  if (!own || own.scope) throw signedOut();
  await notOfDemo(em, own);
  if (await em.count(AccountEntity, { stationId, personId: own.personId }))
    throw new HttpProblem(409, {
      code: 'belongs-already',
      message: 'You belong to this station already. Change to it under Account.',
    });
  return { id: own.personId, name: own.accountName };
}
