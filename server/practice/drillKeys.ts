import type { Key } from '@plesion/core/keys';
import type { Asked } from '@plesion/core/practice';
import { KeyEntity, KeyVersionEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';

/** The key that an asking goes through, at its version; refused by the field where the station has none such to the guide. */
type KeyOf = (guideId: string, asked: Asked, field: string) => Key | undefined;

/** The keys through which individuals are to be taken, all at once. */
export async function drillKeys(em: Em, stationId: string, all: readonly Asked[]): Promise<KeyOf> {
  const walks = all.flatMap(({ walk }) => walk ?? []);
  const [heads, versions] = walks.length
    ? await Promise.all([
        em.find(KeyEntity, { stationId, id: { $in: walks.map(({ keyId }) => keyId) } }, { fields: ['id', 'guideId'] }),
        em.find(KeyVersionEntity, {
          stationId,
          $or: walks.map(({ keyId, keyVersion }) => ({ keyId, version: keyVersion })),
        }),
      ])
    : [[], []];
  return (guideId, { walk }, field) => {
    if (!walk) return undefined;
    if (!heads.some((head) => head.id === walk.keyId && head.guideId === guideId))
      throw unknown(`${field}.keyId`, 'There is no such key to this guide in this station.');
    const stored = versions.find(({ keyId, version }) => keyId === walk.keyId && version === walk.keyVersion);
    if (!stored) throw unknown(`${field}.keyVersion`, 'There is no such version of the key.');
    return stored.content;
  };
}

const unknown = (field: string, message: string) => badRequest([{ code: 'unknown-key', message, field }]);
