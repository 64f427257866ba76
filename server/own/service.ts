import type { DraftLook } from '@plesion/contract/authoring';
import type { OwnView, OwnWrite } from '@plesion/contract/own';
import { followedIn, isCorrected, type OwnCell, type VerifiedRecord, withOwn, withoutOwn } from '@plesion/core/own';
import type { StoredGuide } from '@plesion/contract';
import { type Guide, sayFacets } from '@plesion/core/guide';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { findGuide, writeGuide } from '../guides/service';
import type { Caller } from '../http/route';
import { contentHash } from '../records/contentHash';
import { surest } from '../verifications/surest';

/** Specimens taken at most, the newest. */
const MOST = 20_000;

/** What the station's verified records say of a guide's scores. */
export async function ownRecords(
  em: Em,
  pool: AnalysisPool,
  { stationId }: Caller,
  id: string,
  weight: number,
): Promise<OwnView> {
  return viewOf(await findGuide(em, stationId, id), await told(em, pool, stationId, id, weight));
}

interface Told {
  cells: OwnCell[];
  specimens: number;
}

async function told(em: Em, pool: AnalysisPool, stationId: string, id: string, weight: number): Promise<Told> {
  const stored = await findGuide(em, stationId, id);
  const records = await verifiedOf(em, stationId, id);
  const cells = records.length ? await pool.ask(stationId, 'own', { records, weight }, stored) : [];
  const rank = ({ pulls, surprise }: OwnCell) => (pulls ? surprise - 1 : surprise);
  return { specimens: records.length, cells: [...cells].sort((a, b) => rank(a) - rank(b)) };
}

const viewOf = ({ guide, version }: StoredGuide, { cells, specimens }: Told): OwnView => {
  const followed = followedIn(guide);
  return { version, specimens, cells, ...(followed ? { followed } : {}) };
};

const verifiedOf = (em: Em, stationId: string, guideId: string): Promise<VerifiedRecord[]> =>
  em.getConnection().execute<VerifiedRecord[]>(
    `select jsonb_build_object('taxon', sure.taxon, 'facets', sure.facets) as truth, sure.wrong, s.readings
     from specimen s join lateral ${surest('v.*')} as sure on true
     where s.station_id = ? and s.guide_id = ? and not s.hidden order by s.updated_at desc limit ${MOST}`,
    [stationId, guideId],
  );

/** As many verified specimens do a draft's scores count as, when our own are held against them. */
const DRAFT_WEIGHT = 20;

/** Where the station's verified records pull away from the scores of a guide that is being written, in words. */
export async function recordsAgainst(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  id: string,
  guide: Guide,
): Promise<DraftLook['records']> {
  const known = new Set(guide.taxa.map((taxon) => taxon.id));
  const records = (await verifiedOf(em, stationId, id)).filter(({ truth }) => known.has(truth.taxon));
  if (records.length === 0) return [];
  const cells = await pool.ask(stationId, 'own', { records, weight: DRAFT_WEIGHT }, { guide, hash: contentHash(guide) });
  return cells
    .filter((cell) => cell.pulls && !isCorrected(guide, cell))
    .map(({ taxon, facets, character, text }) => ({
      ...{ taxon, character },
      text: [sayFacets(guide, facets), text].filter(Boolean).join(': '),
    }));
}

/** Make them a source of the guide as they are now, or take them away. */
export async function followOwnRecords(
  em: Em,
  pool: AnalysisPool,
  caller: Caller,
  id: string,
  { version, followed, weight }: OwnWrite,
): Promise<OwnView> {
  const { guide } = await findGuide(em, caller.stationId, id);
  const found = await told(em, pool, caller.stationId, id, weight);
  const next = followed === 'none' ? withoutOwn(guide) : withOwn(guide, found.cells, followed, found.specimens);
  return viewOf(await writeGuide(em, caller, id, { version, guide: next }), found);
}
