import { randomUUID } from 'node:crypto';
import type { KeyRow, KeyWrite, StoredKey } from '@plesion/contract';
import { endpointsOf, type KeptWalk, type Key, type KeyPaths } from '@plesion/core/keys';
import type { CheckedKey } from '@plesion/core/keys/exchange';
import { KeyEntity, type KeyHead, KeyVersionEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide, guideNamed } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import { contentHash } from '../records/contentHash';
import { type RecordKind, type Writer, writeVersioned } from '../records/write';
import type { KeyCheck } from './check';

export async function listKeys(em: Em, stationId: string, query: { guideId?: string; hidden?: 'yes' }): Promise<KeyRow[]> {
  const heads = await em.find(
    KeyEntity,
    { stationId, hidden: query.hidden === 'yes', ...(query.guideId ? { guideId: query.guideId } : {}) },
    { orderBy: { title: 'asc' } },
  );
  return heads.map(rowOf);
}

/** A key of the station, at its newest version or the one asked for. */
export async function findKey(em: Em, check: KeyCheck, stationId: string, id: string, version?: number): Promise<StoredKey> {
  const { head, key, hash, guide, guideHash, paths } = await keyAndGuide(em, stationId, id, version);
  const checked = await check(key, hash, guide && { guide, hash: guideHash! });
  return storedOf(head, key, checked, paths);
}

/** A key with the guide behind it, where there is one. */
export async function keyAndGuide(em: Em, stationId: string, id: string, version?: number) {
  const head = await em.findOne(KeyEntity, { id, stationId });
  if (!head) throw notFound('key');
  const stored = await em.findOne(KeyVersionEntity, { stationId, keyId: id, version: version ?? head.version });
  if (!stored) throw notFound('version of the key');
  const behind = head.guideId ? await findGuide(em, stationId, head.guideId) : undefined;
  return {
    head: { ...head, version: stored.version },
    key: stored.content,
    hash: stored.version === head.version ? head.hash : contentHash(stored.content),
    paths: stored.paths ?? undefined,
    guide: behind?.guide,
    guideHash: behind?.hash,
  };
}

const kindOf = (
  hash: string,
  check: KeyCheck,
  checked: CheckedKey,
  paths: KeyPaths | undefined,
): RecordKind<KeyHead, KeyWrite, StoredKey> => ({
  name: 'key',
  versions: true,
  entity: KeyEntity,
  wireOf: (em, head, written) =>
    written ? storedOf(head, written.key, checked, paths) : findKey(em, check, head.stationId, head.id),
  same: (_, { guideId, hidden }, head) => head.hash === hash && head.hidden === hidden && (head.guideId ?? undefined) === guideId,
  parts: async (tx, { id, stationId, version }, { key }) => {
    const row = { keyId: id, version, stationId, content: key, paths: paths ?? null, createdAt: new Date() };
    await tx.insert(KeyVersionEntity, row);
  },
});

/** Write a key; every version of it is kept. */
export async function writeKey(
  em: Em,
  check: KeyCheck,
  writer: Writer,
  id: string,
  sent: KeyWrite,
  paths?: KeyPaths,
): Promise<StoredKey> {
  const { stationId } = writer;
  const behind = await guideNamed(em, stationId, sent.guideId);
  const hash = contentHash(sent.key);
  const checked = await check(sent.key, hash, behind);
  return writeVersioned(em, kindOf(hash, check, checked, paths), writer, id, sent, (_, version) => ({
    id,
    stationId,
    guideId: sent.guideId ?? null,
    title: sent.key.title,
    summary: sent.key.summary ?? null,
    version,
    hash,
    couplets: sent.key.couplets.length,
    endpoints: endpointsOf(sent.key).length,
    faults: checked.problems.filter(({ weight }) => weight === 'fault').length,
    hidden: sent.hidden,
    updatedAt: new Date(),
  }));
}

/** A key that is new in the station. */
export const addKey = (
  em: Em,
  check: KeyCheck,
  writer: Writer,
  key: Key,
  guideId: string | undefined,
  paths?: KeyPaths,
): Promise<StoredKey> => writeKey(em, check, writer, randomUUID(), { version: 0, guideId, key, hidden: false }, paths);

/** A walk goes through a key of the station. */
export async function checkWalk(em: Em, stationId: string, walk: KeptWalk | undefined): Promise<void> {
  if (!walk || (await em.count(KeyVersionEntity, { keyId: walk.keyId, version: walk.keyVersion, stationId }))) return;
  throw badRequest([
    { code: 'unknown-key', message: 'There is no such key, or version of it, in this station.', field: 'walk.keyId' },
  ]);
}

function rowOf(head: Omit<KeyHead, 'stationId' | 'hash'>): KeyRow {
  const { id, title, summary, guideId, version, couplets, endpoints, faults, hidden, updatedAt } = head;
  return {
    id,
    title,
    ...(summary ? { summary } : {}),
    ...(guideId ? { guideId } : {}),
    version,
    couplets,
    endpoints,
    faults,
    hidden,
    updatedAt: updatedAt.toISOString(),
  };
}

function storedOf(head: KeyHead, key: Key, { problems, depth }: CheckedKey, paths: KeyPaths | undefined): StoredKey {
  return { ...rowOf(head), key, problems, depth, ...(paths ? { paths } : {}) };
}
