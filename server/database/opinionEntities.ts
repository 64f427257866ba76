import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { Opinion } from '@plesion/core/opinions';

/** Somebody asks others what they make of a specimen. */
export const OpinionAskEntity = defineEntity({
  name: 'OpinionAsk',
  tableName: 'opinion_ask',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    specimenId: p.uuid(),
    askedBy: p.string(),
    /** By name; nobody: all who belong to the station. */
    askedOf: p.json<string[]>(),
    question: p.text().nullable(),
    at: p.datetime(),
    decidedBy: p.string().nullable(),
    decidedAt: p.datetime().nullable(),
    decidedWhy: p.text().nullable(),
    withdrawn: p.boolean(),
    withdrawnAt: p.datetime().nullable(),
    /** Of the link for somebody outside; only its hash is kept. */
    linkHash: p.string().nullable(),
    linkUntil: p.datetime().nullable(),
    /** From what they did it, in words. */
    device: p.string().default(''),
  },
});
export type AskColumns = InferEntity<typeof OpinionAskEntity>;

/** What somebody said, once. */
export const OpinionEntity = defineEntity({
  name: 'Opinion',
  tableName: 'opinion',
  properties: {
    stationId: p.uuid().primary(),
    askId: p.uuid().primary(),
    givenBy: p.string().primary(),
    outside: p.boolean().primary(),
    id: p.uuid(),
    opinion: p.json<Opinion>(),
    at: p.datetime(),
    device: p.string().default(''),
  },
});
export type OpinionColumns = InferEntity<typeof OpinionEntity>;

export const opinionEntities = [OpinionAskEntity, OpinionEntity];
