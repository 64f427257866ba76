import { randomUUID } from 'node:crypto';
import { UniqueConstraintViolationException } from '@mikro-orm/core';
import {
  INVITATION_DAYS,
  type Invitation,
  type InvitedTo,
  type Joining,
  type MadeInvitation,
  type NewInvitation,
} from '@plesion/contract/people';
import { AccountEntity, InvitationEntity, type InvitationColumns, StationEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { badRequest, HttpProblem, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { makeSecret, readSecret } from '../http/secret';
import { hashPassword } from '../session/service';
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
export async function invite(em: Em, { stationId, accountName }: Caller, wanted: NewInvitation): Promise<MadeInvitation> {
  await em.nativeDelete(InvitationEntity, { stationId, until: { $lte: new Date() } });
  if ((await em.count(InvitationEntity, { stationId })) >= MOST)
    throw new HttpProblem(409, { code: 'too-many-links', message: `There are ${MOST} links already; withdraw some.` });
  const account = 'renews' in wanted ? await em.findOne(AccountEntity, { stationId, id: wanted.renews }) : undefined;
  if (account === null) throw notFound('member');
  const { secret: token, hash } = makeSecret(stationId);
  const row: InvitationColumns = {
    ...{ stationId, id: randomUUID(), hash, madeBy: accountName, accountId: account?.id ?? null },
    role: account?.role ?? ('role' in wanted ? wanted.role : 'learner'),
    until: new Date(Date.now() + INVITATION_DAYS * DAY),
  };
  await em.insert(InvitationEntity, row);
  return { ...toldOf(row, account?.name), token };
}

export async function withdrawInvitation(em: Em, { stationId }: Caller, id: string): Promise<void> {
  if ((await em.nativeDelete(InvitationEntity, { stationId, id })) === 0) throw notFound('invitation');
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

/** Come in by a link: it is used up with it, and with nothing less. */
export async function join(em: Em, token: string, { name, password }: Joining): Promise<Caller> {
  const link = await linkOf(em, token);
  const { stationId } = link;
  if (!link.accountId && name === undefined)
    throw badRequest([{ code: 'name-missing', message: 'Say by what name you are known in the station.', field: 'name' }]);
  const passwordHash = await hashPassword(password);
  try {
    return await em.transactional(async (tx) => {
      if ((await tx.nativeDelete(InvitationEntity, { stationId, id: link.id })) === 0) throw lapsed();
      if (link.accountId) {
        await tx.nativeUpdate(AccountEntity, { stationId, id: link.accountId }, { passwordHash });
        const account = await tx.findOneOrFail(AccountEntity, { stationId, id: link.accountId });
        return { accountId: account.id, accountName: account.name, stationId, role: account.role };
      }
      await lockStation(tx, stationId);
      const others = await tx.find(AccountEntity, { stationId }, { fields: ['initials'] });
      const account = { stationId, id: randomUUID(), name: name!, passwordHash, role: link.role, createdAt: new Date() };
      await tx.insert(AccountEntity, { ...account, initials: initialsFor(name!, new Set(others.map((one) => one.initials))) });
      return { accountId: account.id, accountName: account.name, stationId, role: account.role };
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintViolationException)) throw error;
    throw badRequest([{ code: 'name-taken', message: 'This name cannot be used here. Choose another.', field: 'name' }]);
  }
}
