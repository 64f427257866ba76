import type { Key } from '@plesion/core/keys';
import type { Asked } from '@plesion/core/practice';
import { KeyEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';
import { keysAt } from '../keys/walk';

/** The key that an asking goes through, at its version; refused by the field where the station has none such to the guide. */
type KeyOf = (guideId: string, asked: Asked, field: string) => Key | undefined;

/** The keys through which individuals are to be taken, all at once. */
export async function drillKeys(em: Em, stationId: string, all: readonly Asked[]): Promise<KeyOf> {
  const walks = all.flatMap(({ walk }) => walk ?? []);
  const [heads, keyAt] = await Promise.all([
    walks.length === 0
      ? []
      : em.find(KeyEntity, { stationId, id: { $in: walks.map(({ keyId }) => keyId) } }, { fields: ['id', 'guideId'] }),
    keysAt(em, stationId, walks),
  ]);
  return (guideId, { walk }, field) => {
    if (!walk) return undefined;
    if (!heads.some((head) => head.id === walk.keyId && head.guideId === guideId))
      throw unknown(`${field}.keyId`, 'There is no such key to this guide in this station.');
    const key = keyAt(walk);
    if (!key) throw unknown(`${field}.keyVersion`, 'There is no such version of the key.');
    return key;
  };
}

const unknown = (field: string, message: string) => badRequest([{ code: 'unknown-key', message, field }]);
