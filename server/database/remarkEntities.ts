import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { Place } from '@plesion/contract/conversations';

/** Something said of a specimen; the first of a thread is replied to, and resolved. */
export const RemarkEntity = defineEntity({
  name: 'Remark',
  tableName: 'remark',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    specimenId: p.uuid(),
    replyTo: p.uuid().nullable(),
    place: p.json<Place>().nullable(),
    /** Empty once it was taken back. */
    text: p.text(),
    madeBy: p.string(),
    at: p.datetime(),
    withdrawnAt: p.datetime().nullable(),
    resolvedBy: p.string().nullable(),
    resolvedAt: p.datetime().nullable(),
    /** From what they did it, in words. */
    device: p.string().default(''),
  },
});
export type RemarkColumns = InferEntity<typeof RemarkEntity>;

/** What a station answers where one taxon is taken for another. */
export const StockAnswerEntity = defineEntity({
  name: 'StockAnswer',
  tableName: 'stock_answer',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    guideId: p.uuid(),
    called: p.string(),
    truth: p.string(),
    text: p.text(),
    madeBy: p.string(),
    at: p.datetime(),
  },
});
export type StockAnswerColumns = InferEntity<typeof StockAnswerEntity>;

export const remarkEntities = [RemarkEntity, StockAnswerEntity];
