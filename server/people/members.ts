import { LockMode } from '@mikro-orm/core';
import type { Member } from '@plesion/contract/people';
import type { Role } from '@plesion/contract/roles';
import type { Pool } from 'pg';
import { keepDeed } from '../audit/deeds';
import { StationEntity } from '../database/entities';
import { type AccountColumns, AccountEntity } from '../database/personEntities';
import type { Em } from '../database/orm';
import { HttpProblem, notFound } from '../http/errors';
import type { Caller } from '../http/route';

/** Who belongs to the station, in the order in which they came. */
export async function listMembers(em: Em, { stationId, accountId }: Caller): Promise<Member[]> {
  const accounts = await em.find(AccountEntity, { stationId }, { orderBy: { createdAt: 'asc', id: 'asc' } });
  return accounts.map(({ id, name, initials, role, createdAt }) => ({
    ...{ id, name, initials, role },
    since: createdAt.toISOString(),
    you: id === accountId,
  }));
}

const lastKeeper = () =>
  new HttpProblem(409, {
    code: 'last-keeper',
    message: 'A station has one keeper at the least. Make somebody else keeper first.',
  });

/** Who comes, goes and changes in a station does so one after the other. */
export const lockStation = (tx: Em, stationId: string): Promise<unknown> =>
  tx.findOneOrFail(StationEntity, { id: stationId }, { lockMode: LockMode.PESSIMISTIC_WRITE });

/** Keepers are counted and changed one after the other: two that go at once do not leave none. */
async function whileKept(
  em: Em,
  { stationId }: Caller,
  id: string,
  act: (tx: Em, account: AccountColumns) => Promise<void>,
): Promise<void> {
  await em.transactional(async (tx) => {
    await lockStation(tx, stationId);
    const account = await tx.findOne(AccountEntity, { stationId, id });
    if (!account) throw notFound('member');
    await act(tx, account);
    if ((await tx.count(AccountEntity, { stationId, role: 'keeper' })) === 0) throw lastKeeper();
  });
}

/** What somebody is from now on, wherever they are signed in. */
export async function setRole(em: Em, caller: Caller, id: string, role: Role): Promise<void> {
  await whileKept(em, caller, id, async (tx, { name, role: before }) => {
    await tx.nativeUpdate(AccountEntity, { stationId: caller.stationId, id }, { role });
    if (role !== before) await keepDeed(tx, caller, { act: 'changed', kind: 'member', id, fields: [name, role] });
  });
}

/** Somebody leaves, or a keeper sends them away: they are signed out everywhere, and what they recorded stays. */
export async function removeMember(em: Em, pool: Pool, caller: Caller, id: string): Promise<void> {
  if (id !== caller.accountId && caller.role !== 'keeper')
    throw new HttpProblem(403, { code: 'only-keepers', message: 'Only a keeper sends somebody else away.' });
  await whileKept(em, caller, id, async (tx, account) => {
    await tx.nativeDelete(AccountEntity, { stationId: caller.stationId, id });
    const isOwn = id === caller.accountId;
    await keepDeed(tx, caller, { act: isOwn ? 'left' : 'removed', kind: 'member', id, fields: isOwn ? [] : [account.name] });
    // Who belongs to no station has nowhere to sign in to; their name is free.
    await tx
      .getConnection()
      .execute(
        'delete from person where not exists (select from account where person_id = person.id) and id = ?',
        [account.personId],
        'run',
        tx.getTransactionContext(),
      );
  });
  await pool.query("delete from session where sess -> 'caller' ->> 'accountId' = $1", [id]);
}
