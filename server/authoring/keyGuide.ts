import type { StoredGuide } from '@plesion/contract';
import type { KeyGuideView, KeyGuideWrite } from '@plesion/contract/authoring';
import type { KeyGuide } from '@plesion/core/authoring';
import { idsFor } from '@plesion/core/guide';
import type { AnalysisPool } from '../analysis/pool';
import { GuideEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { importGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import { checkInThread } from '../keys/check';
import { keyAndGuide, writeKey } from '../keys/service';
import type { Writer } from '../records/write';

/** The guide that keys make, worked out off the request's thread. */
async function made(em: Em, pool: AnalysisPool, stationId: string, id: string, { keys: ids, ...choices }: KeyGuideWrite) {
  if (new Set(ids).size < ids.length)
    throw badRequest([{ code: 'key-twice', message: 'A key is named twice; name each once.', field: 'keys' }]);
  const stored = [];
  for (const key of ids) stored.push(await keyAndGuide(em, stationId, key));
  const outcome = await pool.ask(stationId, 'guideFromKeys', { id, keys: stored.map(({ key }) => key), choices });
  if (!outcome.ok) throw badRequest(outcome.problems);
  return { stored, found: outcome.value };
}

/** What a guide of these keys would be; nothing is kept. */
export async function lookAtKeyGuide(em: Em, pool: AnalysisPool, stationId: string, asked: KeyGuideWrite): Promise<KeyGuideView> {
  const { found } = await made(em, pool, stationId, 'looked-at', asked);
  return viewOf(found);
}

const viewOf = ({ guide, characters, proposals, notes }: KeyGuide): KeyGuideView => ({
  title: guide.title,
  taxa: guide.taxa.filter(({ forms }) => forms).map(({ name }) => name),
  ...{ characters, proposals, notes },
});

/** An id for a guide by its title that no guide of the station has yet. */
export async function freeSlug(em: Em, stationId: string, title: string): Promise<string> {
  const taken = await em.find(GuideEntity, { stationId }, { fields: ['slug'] });
  const name = title.toLowerCase();
  return idsFor(
    [name],
    taken.map(({ slug }) => slug),
  ).get(name)!;
}

/** Make a guide of keys, all or nothing; those that had no guide have this one from now on, with their statements tied to it. */
export async function makeKeyGuide(em: Em, pool: AnalysisPool, writer: Writer, asked: KeyGuideWrite): Promise<StoredGuide> {
  const { stationId } = writer;
  const title = asked.title ?? (await keyAndGuide(em, stationId, asked.keys[0])).key.title;
  const { stored, found } = await made(em, pool, stationId, await freeSlug(em, stationId, title), { ...asked, title });
  return em.transactional(async (tx) => {
    const guide = await importGuide(tx, writer, found.guide);
    for (const [k, { head }] of stored.entries()) {
      if (head.guideId) continue;
      const sent = { version: head.version, guideId: guide.id, key: found.keys[k], hidden: head.hidden };
      await writeKey(tx, checkInThread(pool, stationId), writer, head.id, sent);
    }
    return guide;
  });
}
