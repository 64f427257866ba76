import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import { REVIEW_WORDS } from '@plesion/core/review';
import type { GivenName } from '@plesion/core/specimen';

/** What a reviewer says of a name; rows are added and taken back, never changed. */
export const ReviewEntity = defineEntity({
  name: 'Review',
  tableName: 'review',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    specimenId: p.uuid(),
    /** Of the specimen, when it was said. */
    specimenVersion: p.integer(),
    determination: p.string(),
    word: p.enum([...REVIEW_WORDS]),
    name: p.json<GivenName>().nullable(),
    view: p.string().nullable(),
    note: p.text().nullable(),
    madeBy: p.string(),
    at: p.datetime(),
    withdrawnAt: p.datetime().nullable(),
    /** From what they did it, in words. */
    device: p.string().default(''),
  },
});
export type ReviewColumns = InferEntity<typeof ReviewEntity>;
