import { LINK_DAYS, type OutsideOpinion } from '@plesion/contract/opinions';
import { MediaEntity, SpecimenEntity } from '../database/entities';
import { type AskColumns, OpinionAskEntity } from '../database/opinionEntities';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { HttpProblem, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { makeSecret, readSecret } from '../http/secret';
import { findPhoto } from '../photos/service';
import { changeOwn, keepOpinion } from './service';

const DAY = 86_400_000;

const lapsed = () =>
  new HttpProblem(404, {
    code: 'lapsed',
    message: 'This link is good no more: it was withdrawn, has lapsed, or it was decided. Ask whoever sent it for another.',
  });

/** Make a link to one record; an earlier one lapses with it. */
export async function linkOpinion(em: Em, caller: Caller, id: string): Promise<{ token: string; until: string }> {
  const { secret: token, hash: linkHash } = makeSecret(caller.stationId);
  const linkUntil = new Date(Date.now() + LINK_DAYS * DAY);
  await changeOwn(em, caller, id, { linkHash, linkUntil });
  return { token, until: linkUntil.toISOString() };
}

export const unlinkOpinion = (em: Em, caller: Caller, id: string): Promise<void> =>
  changeOwn(em, caller, id, { linkHash: null, linkUntil: null });

/** The asking that a link is to, while it is good. */
export async function linked(em: Em, token: string): Promise<AskColumns> {
  const read = readSecret(token);
  const ask =
    read &&
    (await em.findOne(OpinionAskEntity, {
      ...{ stationId: read.stationId, linkHash: read.hash, linkUntil: { $gt: new Date() } },
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
