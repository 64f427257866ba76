import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { Pairing, Pen } from '@plesion/core/colony/schema';
import { fieldColumns } from './fieldEntities';

/** Who was put together of a book, and what came of it. */
export const PairingEntity = defineEntity({
  name: 'Pairing',
  tableName: 'pairing',
  properties: { ...fieldColumns, guideId: p.uuid(), content: p.json<Pairing>() },
});
export type PairingRecord = InferEntity<typeof PairingEntity>;

/** A pen of a book. */
export const PenEntity = defineEntity({
  name: 'Pen',
  tableName: 'pen',
  properties: { ...fieldColumns, guideId: p.uuid(), content: p.json<Pen>() },
});
export type PenRecord = InferEntity<typeof PenEntity>;
