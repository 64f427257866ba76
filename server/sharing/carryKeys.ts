import { KeyEntity, KeyVersionEntity } from '../database/entities';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';
import { logSets } from '../records/changes';

/**
 * Bring the keys of a guide from one station to another, each in its newest version. One that is there already stays as
 * it is: it may have been changed, or taken out.
 */
export async function carryKeys(tx: Em, from: string, caller: Caller, guideId: string): Promise<void> {
  const { stationId } = caller;
  const theirs = await tx.find(KeyEntity, { stationId: from, guideId, hidden: false }, { disableIdentityMap: true });
  if (!theirs.length) return;
  const ids = theirs.map(({ id }) => id);
  const here = await tx.find(KeyEntity, { stationId, id: { $in: ids } }, { fields: ['id'], disableIdentityMap: true });
  const known = new Set(here.map(({ id }) => id));
  const fresh = theirs.filter(({ id }) => !known.has(id));
  if (!fresh.length) return;
  const newest = { stationId: from, $or: fresh.map(({ id, version }) => ({ keyId: id, version })) };
  const versions = await tx.find(KeyVersionEntity, newest, { disableIdentityMap: true });
  const now = new Date();
  const heads = fresh.map(({ guideId: of, title, summary, hash, couplets, endpoints, faults, id }) => ({
    ...{ stationId, id, version: 1, hidden: false, guideId: of, title, summary, hash, couplets, endpoints, faults },
    updatedAt: now,
  }));
  await tx.insertMany(KeyEntity, heads);
  await tx.insertMany(
    KeyVersionEntity,
    versions.map(({ keyId, content, paths }) => ({ stationId, keyId, version: 1, content, paths, createdAt: now })),
  );
  await logSets(tx, caller, [{ kind: 'key', records: heads }]);
}
