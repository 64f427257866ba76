import { createHash, randomBytes } from 'node:crypto';
import { LINK_DAYS, type OutsideOpinion } from '@plesion/contract/opinions';
import { MediaEntity, SpecimenEntity } from '../database/entities';
import { type AskColumns, OpinionAskEntity } from '../database/opinionEntities';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { HttpProblem, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { idFrom } from '../http/stationIn';
import { findPhoto } from '../photos/service';
import { changeOwn, keepOpinion } from './service';

const DAY = 86_400_000;

/** The station stands in it, so that it is looked for among that station's alone. */
const SHAPE = /^([0-9a-f]{32})_([A-Za-z0-9_-]{43})$/;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

const lapsed = () =>
  new HttpProblem(404, {
    code: 'lapsed',
    message: 'This link is good no more: it was withdrawn, has lapsed, or it was decided. Ask whoever sent it for another.',
  });

/** Make a link to one record; an earlier one lapses with it. */
export async function linkOpinion(em: Em, caller: Caller, id: string): Promise<{ token: string; until: string }> {
  const token = `${caller.stationId.replaceAll('-', '')}_${randomBytes(32).toString('base64url')}`;
  const linkUntil = new Date(Date.now() + LINK_DAYS * DAY);
  await changeOwn(em, caller, id, { linkHash: hashOf(token), linkUntil });
  return { token, until: linkUntil.toISOString() };
}

export const unlinkOpinion = (em: Em, caller: Caller, id: string): Promise<void> =>
  changeOwn(em, caller, id, { linkHash: null, linkUntil: null });

/** The asking that a link is to, while it is good. */
export async function linked(em: Em, token: string): Promise<AskColumns> {
  const [, station] = SHAPE.exec(token) ?? [];
  const ask =
    station &&
    (await em.findOne(OpinionAskEntity, {
      ...{ stationId: idFrom(station), linkHash: hashOf(token), linkUntil: { $gt: new Date() } },
      ...{ decidedAt: null, withdrawn: false },
    }));
  if (!ask) throw lapsed();
  return ask;
}

/** A photograph of the record, and of no other. */
export async function linkedPhoto(em: Em, files: FileStore, token: string, hash: string) {
  const { stationId, specimenId } = await linked(em, token);
  const [listed, top] = await Promise.all([
    em.count(MediaEntity, { stationId, specimenId, hash, kind: 'photo' }),
    em.count(SpecimenEntity, { stationId, id: specimenId, photo: hash }),
  ]);
  if (!listed && !top) throw notFound('photo');
  return findPhoto(em, files, stationId, hash, 'whole');
}

/** Somebody outside says what they make of it: one word to a name. */
export const giveLinked = async (em: Em, token: string, { id, opinion, by }: OutsideOpinion): Promise<void> =>
  keepOpinion(em, await linked(em, token), { id, opinion, by, outside: true });
