import { dallowLichens, oarCaps, poolSnails } from '@plesion/demo';
import type { AnalysisPool } from '../analysis/pool';
import { GuideEntity } from '../database/entities';
import { DraftEntity } from '../database/draftEntities';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';
import { addGuide } from '../guides/service';
import { checkHere } from '../keys/check';
import { addKey } from '../keys/service';
import type { Writer } from '../records/write';
import { idOf } from '../verifications/demoRecords';
import { beginDraft, editDraft } from './drafts';
import { makeKeyGuide } from './keyGuide';

/** The id that the guide gets by its title, and keeps whatever it is called later. */
const LICHENS = 'lichens-of-the-harbour-walls';

/** A key that was read in from print, and the guide that was made of it; made once, and left as it is then. */
export async function putDemoKeyGuide(em: Em, pool: AnalysisPool, writer: Writer): Promise<void> {
  const { stationId } = writer;
  if (await em.count(GuideEntity, { stationId, slug: LICHENS })) return;
  await em.transactional(async (tx) => {
    const { id } = await addKey(tx, checkHere, writer, dallowLichens, undefined);
    await makeKeyGuide(tx, pool, writer, {
      ...{ keys: [id], title: 'Lichens of the harbour walls', alone: [], join: [], same: [], labels: {} },
    });
  });
}

/** A guide to a group that no body plan draws; written once, and left as it is then. */
export async function putDemoTiles(em: Em, caller: Caller): Promise<void> {
  if (await em.count(GuideEntity, { stationId: caller.stationId, slug: oarCaps.id })) return;
  await addGuide(em, caller, oarCaps);
}

const SNAILS = idOf(491, 1);

/** A guide that is half written; what visitors wrote in it stays. */
export async function putDemoDraft(em: Em, caller: Caller): Promise<void> {
  const { stationId } = caller;
  if (await em.count(DraftEntity, { stationId, id: SNAILS })) return;
  await beginDraft(em, caller, SNAILS, { title: '', as: 'next' });
  await editDraft(em, caller, SNAILS, { batch: idOf(491, 2), after: 0, edits: poolSnails });
}
