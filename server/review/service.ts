import type { Review, ReviewWrite, WantedOfMe } from '@plesion/contract/review';
import { schemas, type Specimen, type SpecimenWrite } from '@plesion/contract';
import { stableJson } from '@plesion/core';
import { type Determination, type GivenName, recommendedName } from '@plesion/core/specimen';
import { randomUUID } from 'node:crypto';
import { keepDeed } from '../audit/deeds';
import type { AnalysisPool } from '../analysis/pool';
import { SpecimenEntity } from '../database/entities';
import { type ReviewColumns, ReviewEntity } from '../database/reviewEntities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, HttpProblem, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { guideOf, guideVersions } from '../specimens/list';
import { checkNames } from '../specimens/names';
import { findSpecimen, writeSpecimen } from '../specimens/service';

const toldOf = (row: ReviewColumns, version: number): Review => {
  const { id, specimenId, determination, word, name, view, note, madeBy: by, at, specimenVersion, withdrawnAt } = row;
  return {
    ...{ id, specimenId, determination, word, by, at: at.toISOString() },
    ...(name ? { name } : {}),
    ...(view ? { view } : {}),
    ...(note ? { note } : {}),
    writtenSince: version > specimenVersion,
    withdrawn: withdrawnAt !== null,
  };
};

/** What reviewers said of a specimen's names. */
export async function listReviews(em: Em, { stationId }: Caller, specimenId: string): Promise<Review[]> {
  const specimen = await em.findOne(SpecimenEntity, { stationId, id: specimenId }, { fields: ['version'] });
  if (!specimen) throw notFound('specimen');
  const rows = await em.find(ReviewEntity, { stationId, specimenId }, { orderBy: { at: 'desc', id: 'asc' } });
  return rows.map((row) => toldOf(row, specimen.version));
}

/** Views that reviewers need of somebody's own records, as they are. */
export async function viewsWanted(em: Em, { stationId, accountName }: Caller): Promise<WantedOfMe[]> {
  const rows = await em.getConnection().execute<
    (Omit<WantedOfMe, 'at' | 'view' | 'note'> & {
      at: string;
      view: string;
      note: string | null;
      guideId: string;
      guideVersion: number;
    })[]
  >(
    `select r.id, r.specimen_id as "specimenId", s.label, r.made_by as by, r.at, r.view, r.note, g.title as guide, s.guide_id as "guideId", g.version as "guideVersion"
     from review r
     join specimen s on s.station_id = r.station_id and s.id = r.specimen_id and s.version = r.specimen_version and not s.hidden
     join guide g on g.station_id = s.station_id and g.id = s.guide_id
     where r.station_id = ? and r.word = 'view' and r.withdrawn_at is null and s.recorded_by = ?
     order by r.at desc, r.id limit 200`,
    [stationId, accountName],
  );
  const versions = await guideVersions(em, stationId, rows);
  return rows.map(({ at, note, view, guideId, guideVersion, ...row }) => ({
    ...row,
    view: guideOf(versions, { guideId, guideVersion })?.views.find(({ id }) => id === view)?.label ?? view,
    at: new Date(at).toISOString(),
    ...(note ? { note } : {}),
  }));
}

/** Say what one makes of a name; sent twice, it is one. */
export async function review(em: Em, pool: AnalysisPool, caller: Caller, sent: ReviewWrite): Promise<Review> {
  const { stationId, accountName } = caller;
  const { id, specimenId, word, name = null, view = null, note } = sent;
  const specimen = await findSpecimen(em, stationId, specimenId);
  const newest = specimen.determinations.at(-1);
  const said = await em.findOne(ReviewEntity, { stationId, id });
  if (said) return toldOf(said, specimen.version);
  // A name that was added on review, and of which the word was not kept: what follows makes good for it.
  const added = newest?.id === id;
  if (!added && newest?.id !== sent.determination)
    throw new HttpProblem(409, {
      code: 'named-anew',
      message: 'It was named anew meanwhile. Nothing was saved; look at it again.',
    });
  if (!specimen.guideId)
    throw badRequest([{ code: 'no-guide', message: 'Choose a guide for the specimen first.', field: 'specimenId' }]);
  const { guide, hash } = await findGuide(em, stationId, specimen.guideId);
  if (view !== null && !guide.views.some((one) => one.id === view))
    throw badRequest([{ code: 'unknown-view', message: `The guide has no view “${view}”.`, field: 'view' }]);
  if (name) checkNames(guide, [name], () => 'name');
  if (name && !name.taxon)
    throw badRequest([{ code: 'taxon-missing', message: 'Say which name it is given.', field: 'name.taxon' }]);
  let { version } = specimen;
  if (name && !added) {
    const { situation, readings, judgement } = specimen;
    const asked = { situation, readings, ...(judgement ? { judgement } : {}) };
    const [standing, [look]] = await Promise.all([
      pool.ask(stationId, 'standing', asked, { guide, hash }),
      pool.ask(stationId, 'look', { records: [{ ...asked, name: { ...name, taxon: name.taxon! }, shown: [] }] }, { guide, hash }),
    ]);
    const { call } = standing;
    const recommended = call.kind === 'taxon' || call.kind === 'either' ? recommendedName(call) : undefined;
    const same = recommended !== undefined && stableJson(given(recommended)) === stableJson(given(name));
    const reason = note ?? (same ? undefined : 'Named otherwise on review.');
    const determination: Determination = {
      ...given(name),
      ...{ id, by: accountName, at: new Date().toISOString(), p: look.options[0].p, recommended: call.text, overruled: !same },
      ...(reason ? { reason } : {}),
      guideVersion: specimen.guideVersion,
    };
    ({ version } = await writeSpecimen(em, pool, caller, specimenId, withName(specimen, determination)));
  }
  const row: ReviewColumns = {
    ...{ stationId, id, specimenId, determination: sent.determination, word, name, view, note: note || null },
    ...{ specimenVersion: version, madeBy: accountName, at: new Date(), withdrawnAt: null, device: caller.device ?? '' },
  };
  await em.createQueryBuilder(ReviewEntity).insert(row).onConflict().ignore().execute('run', false);
  return toldOf(row, version);
}

const given = ({ qualifier, taxon, other, facets, union }: GivenName): GivenName => ({
  ...{ qualifier, facets },
  ...(taxon ? { taxon } : {}),
  ...(other ? { other } : {}),
  ...(union ? { union } : {}),
});

/** A specimen as it is written, with one name more. */
function withName(specimen: Specimen, determination: Determination): SpecimenWrite {
  const write = Object.fromEntries(
    Object.entries(specimen).filter(([part]) => part in schemas.SpecimenWrite.shape),
  ) as SpecimenWrite;
  return { ...write, determinations: [...specimen.determinations, determination] };
}

/** Take back what one said; a name that was added by it gives way to the one before. */
export async function withdrawReview(em: Em, pool: AnalysisPool, caller: Caller, id: string): Promise<Review> {
  const { stationId, accountName } = caller;
  const row = await em.findOne(ReviewEntity, { stationId, id });
  if (!row) throw notFound('review');
  if (row.madeBy !== accountName)
    throw new HttpProblem(403, { code: 'not-yours', message: `Only ${row.madeBy}, who said it, takes it back.` });
  let specimen = await findSpecimen(em, stationId, row.specimenId);
  if (!row.withdrawnAt) {
    const [before, newest] = specimen.determinations.slice(-2);
    if (newest?.id === id) {
      // What it rests on is pinned anew when it is stored.
      const back = { ...before, pinned: undefined, id: randomUUID(), by: accountName, at: new Date().toISOString() };
      const reason = `What was said on review was taken back: as ${before.by} named it.`;
      specimen = await writeSpecimen(em, pool, caller, row.specimenId, withName(specimen, { ...back, reason }));
    }
    const at = new Date();
    row.withdrawnAt = at;
    await em.transactional(async (tx) => {
      if (await tx.nativeUpdate(ReviewEntity, { stationId, id, withdrawnAt: null }, { withdrawnAt: at }))
        await keepDeed(tx, caller, { act: 'took back', kind: 'review', id: row.specimenId, at });
    });
  }
  return toldOf(row, specimen.version);
}
