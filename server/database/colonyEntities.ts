import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { Pairing } from '@plesion/core/colony/schema';
import { fieldColumns } from './fieldEntities';

/** Who was put together of a book, and what came of it. */
export const PairingEntity = defineEntity({
  name: 'Pairing',
  tableName: 'pairing',
  properties: { ...fieldColumns, guideId: p.uuid(), content: p.json<Pairing>() },
});
export type PairingRecord = InferEntity<typeof PairingEntity>;
