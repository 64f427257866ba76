import { randomUUID } from 'node:crypto';
import { nameOfDevice } from '@plesion/contract/device';
import type { MadeToken, NewToken, Token } from '@plesion/contract';
import type { RequestHandler } from 'express';
import { AccountEntity, TokenEntity, type TokenColumns } from '../database/personEntities';
import type { Em } from '../database/orm';
import { HttpProblem, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { makeSecret, readSecret } from '../http/secret';
import { inStation } from '../session/service';

/** Tokens that one account may have. */
const MOST = 50;
/** Milliseconds: so exactly is it kept when a token was used last. */
const MINUTE = 60_000;

/** By this a token is known for what it is, where one stands among other things. */
const TOKEN = 'plesion_';

const badToken = () =>
  new HttpProblem(401, { code: 'bad-token', message: 'This API token is not known here, or was ended. Make another one.' });

/** Who asks: the bearer of a token, else whoever is signed in. */
export function findCaller(em: () => Em): RequestHandler {
  return async (request, _response, next) => {
    const { authorization } = request.headers;
    if (authorization !== undefined) request.caller = await bearer(em(), authorization);
    else if (request.session?.caller) {
      const { caller, device, since } = request.session;
      const known = await signedIn(em(), caller);
      // As it stands on the list of where one is signed in, so that one finds it there.
      request.caller = known && { ...known, device: `${nameOfDevice(device ?? '')}, signed in ${(since ?? '').slice(0, 16)}Z` };
    }
    next();
  };
}

/** Whoever signed in, as they are now: what they are may have changed since, and who was sent away is nobody. */
async function signedIn(em: Em, { stationId, accountId }: Pick<Caller, 'stationId' | 'accountId'>): Promise<Caller | undefined> {
  const account = await em.findOne(AccountEntity, { stationId, id: accountId }, { fields: ['name', 'role', 'personId'] });
  return account
    ? { accountId, stationId, personId: account.personId, accountName: account.name, role: account.role }
    : undefined;
}

async function bearer(em: Em, authorization: string): Promise<Caller> {
  const token = /^Bearer (\S+)$/i.exec(authorization)?.[1] ?? '';
  const read = readSecret(token, TOKEN);
  if (!read) throw badToken();
  const { stationId } = read;
  const known = await em.findOne(TokenEntity, read);
  const account = known && (await em.findOne(AccountEntity, { id: known.accountId, stationId }));
  if (!account) throw badToken();
  if (!known.usedAt || Date.now() - known.usedAt.getTime() > MINUTE)
    await em.nativeUpdate(TokenEntity, { stationId, id: known.id }, { usedAt: new Date() });
  return { ...inStation(account), scope: known.scope, device: `API token “${known.name}”` };
}

export async function listTokens(em: Em, { stationId, accountId }: Caller): Promise<Token[]> {
  const rows = await em.find(TokenEntity, { stationId, accountId }, { orderBy: { createdAt: 'asc' } });
  return rows.map(tokenOf);
}

export async function makeToken(em: Em, { stationId, accountId }: Caller, { name, scope }: NewToken): Promise<MadeToken> {
  if ((await em.count(TokenEntity, { stationId, accountId })) >= MOST)
    throw new HttpProblem(409, {
      code: 'too-many-tokens',
      message: `There are ${MOST} tokens already; end one that is not used.`,
    });
  const { secret: token, hash } = makeSecret(stationId, TOKEN);
  const row = { stationId, id: randomUUID(), accountId, name, scope, hash, createdAt: new Date(), usedAt: null };
  await em.insert(TokenEntity, row);
  return { ...tokenOf(row), token };
}

export async function endToken(em: Em, { stationId, accountId }: Caller, id: string): Promise<void> {
  if ((await em.nativeDelete(TokenEntity, { stationId, accountId, id })) === 0) throw notFound('token');
}

const tokenOf = ({ id, name, scope, createdAt, usedAt }: TokenColumns): Token => ({
  id,
  name,
  scope,
  createdAt: createdAt.toISOString(),
  ...(usedAt ? { usedAt: usedAt.toISOString() } : {}),
});
