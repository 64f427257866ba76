import {
  sameContent,
  type Specimen,
  type SpecimenList,
  type SpecimenQuery,
  type SpecimenRow,
  type SpecimenWrite,
} from '@plesion/contract';
import type { Problem } from '@plesion/core';
import { formsOf, type Guide, namingOf, taxonIndex } from '@plesion/core/guide';
import { traitsRead } from '@plesion/core/plates';
import { type Determination, summarise } from '@plesion/core/specimen';
import { type FilterQuery, LockMode } from '@mikro-orm/core';
import { GuideEntity, GuideVersionEntity, SpecimenEntity, type SpecimenRecord } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, notFound, staleVersion } from '../http/errors';
import { checkWalk } from '../keys/service';
import { walkedOf } from '../keys/walk';
import type { Caller } from '../http/route';
import { checkPhoto } from '../photos/service';
import type { AnalysisPool } from '../analysis/pool';
import { checkAgainst } from '../standing/service';

const PAGE = 60;

/** The daybook: newest day first, what has no date yet on top. */
export async function listSpecimens(em: Em, stationId: string, query: SpecimenQuery): Promise<SpecimenList> {
  const [records, total] = await em.findAndCount(SpecimenEntity, filterOf(stationId, query), {
    orderBy: [{ seenOn: 'desc nulls first' }, { createdAt: 'desc' }],
    limit: query.limit ?? PAGE,
    offset: query.offset ?? 0,
  });
  const versions = await guideVersions(em, records);
  const places = await em
    .getConnection()
    .execute<{ place: string }[]>(
      'select distinct place from specimen where station_id = ? and not hidden and place is not null order by place limit 200',
      [stationId],
    );
  return {
    specimens: records.map((record) => rowOf(record, versions.get(versionKey(record))!)),
    total,
    places: places.map((row) => row.place),
  };
}

export function filterOf(stationId: string, query: SpecimenQuery): FilterQuery<SpecimenRecord> {
  const words = (query.search ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  const pattern = (word: string) => `%${word.replace(/[\\%_]/g, '\\$&')}%`;
  return {
    stationId,
    hidden: query.hidden === 'yes',
    ...(query.guideId ? { guideId: query.guideId } : {}),
    ...(query.named ? { named: query.named === 'yes' } : {}),
    ...(query.place ? { place: query.place } : {}),
    ...(query.from || query.to
      ? { seenOn: { ...(query.from ? { $gte: query.from } : {}), ...(query.to ? { $lte: query.to } : {}) } }
      : {}),
    ...(words.length ? { $and: words.map((word) => ({ search: { $like: pattern(word) } })) } : {}),
  };
}

const versionKey = (record: { guideId: string; guideVersion: number }) => `${record.guideId} ${record.guideVersion}`;

/** The guides that some specimens were read with, fetched as a set. */
export async function guideVersions(
  em: Em,
  records: readonly { guideId: string; guideVersion: number }[],
): Promise<Map<string, Guide>> {
  const wanted = [...new Map(records.map((r) => [versionKey(r), { guideId: r.guideId, version: r.guideVersion }])).values()];
  if (wanted.length === 0) return new Map();
  const stored = await em.find(GuideVersionEntity, { $or: wanted });
  return new Map(stored.map((row) => [versionKey({ guideId: row.guideId, guideVersion: row.version }), row.content]));
}

export const guideOf = (versions: Map<string, Guide>, record: SpecimenRecord): Guide => versions.get(versionKey(record))!;

export async function findSpecimen(em: Em, stationId: string, id: string): Promise<Specimen> {
  const record = await em.findOne(SpecimenEntity, { id, stationId });
  if (!record) throw notFound('specimen');
  return specimenOf(record);
}

/**
 * Write a specimen: new at version 0, else on top of the version named. What is
 * stored already, sent again, is answered as it stands; anything else that was
 * not made from the stored version gets both sides back and saves nothing.
 */
export async function writeSpecimen(
  em: Em,
  pool: AnalysisPool,
  caller: Caller,
  id: string,
  sent: SpecimenWrite,
): Promise<Specimen> {
  const { guide, hash, version: guideVersion } = await guideFor(em, caller.stationId, sent.guideId);
  checkAgainst(guide, sent.situation, sent.readings, sent.judgement);
  checkNames(guide, sent.determinations);
  await checkPhoto(em, caller.stationId, sent.photo);
  await checkWalk(em, caller.stationId, sent.walk);
  const { situation, readings, judgement } = sent;
  const walk = await walkedOf(em, caller.stationId, guide.settings.call.school === 'key' ? sent.walk : undefined);
  const standing = await pool.ask('standing', { situation, readings, judgement, walk }, { guide, hash });
  const { taxa } = namingOf(guide, formsOf(guide), judgement?.treatment);

  return em.transactional(async (tx) => {
    const stored = await tx.findOne(SpecimenEntity, { id }, { lockMode: LockMode.PESSIMISTIC_WRITE });
    if (stored ? stored.stationId !== caller.stationId : sent.version > 0) throw notFound('specimen');
    if (stored && stored.version !== sent.version) {
      const known = specimenOf(stored);
      if (sameContent(known, sent)) return known;
      throw staleVersion('specimen', known, sent);
    }
    const determinations = signed(stored?.determinations ?? [], sent, caller.accountName, guide);
    const summary = summarise({ taxa }, standing, determinations);
    const now = new Date();
    const record: SpecimenRecord = {
      id,
      stationId: caller.stationId,
      guideId: sent.guideId,
      guideVersion,
      version: (stored?.version ?? 0) + 1,
      label: sent.label,
      place: sent.situation.place || null,
      seenOn: sent.situation.date ?? null,
      named: determinations.length > 0,
      search: searchText(guide, sent, summary),
      ...asJson({ situation: sent.situation, readings: sent.readings, determinations, summary }),
      judgement: sent.judgement ? asJson(sent.judgement) : null,
      walk: sent.walk ? asJson(sent.walk) : null,
      photo: sent.photo ?? null,
      hidden: sent.hidden,
      recordedBy: stored?.recordedBy ?? caller.accountName,
      createdAt: stored?.createdAt ?? now,
      updatedAt: now,
    };
    if (stored) await tx.nativeUpdate(SpecimenEntity, { id }, record);
    else await tx.insert(SpecimenEntity, record);
    return specimenOf(record);
  });
}

/** What JSON columns will hold: absent parts stay absent instead of becoming null. */
const asJson = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

async function guideFor(em: Em, stationId: string, guideId: string) {
  if (!(await em.count(GuideEntity, { id: guideId, stationId }))) {
    throw badRequest([{ code: 'unknown-guide', message: 'There is no such guide in this station.', field: 'guideId' }]);
  }
  return findGuide(em, stationId, guideId);
}

function checkNames(guide: Guide, determinations: readonly Determination[]): void {
  const taxa = taxonIndex(guide);
  const problems = determinations.flatMap((name, i): Problem[] => {
    const field = `determinations[${i}]`;
    const needsTaxon = name.qualifier !== 'unknown' && name.qualifier !== 'outside';
    const unknown = (id: string | undefined) => id !== undefined && !taxa.has(id);
    if (needsTaxon && !name.taxon)
      return [{ code: 'taxon-missing', message: 'Say which name is given.', field: `${field}.taxon` }];
    if (unknown(name.taxon))
      return [{ code: 'unknown-taxon', message: `There is no taxon “${name.taxon}” in this guide.`, field: `${field}.taxon` }];
    if (unknown(name.other))
      return [{ code: 'unknown-taxon', message: `There is no taxon “${name.other}” in this guide.`, field: `${field}.other` }];
    if (name.qualifier === 'or' && (!name.other || name.other === name.taxon)) {
      return [{ code: 'second-name-missing', message: '“A or B” needs two different names.', field: `${field}.other` }];
    }
    if (name.overruled && !name.reason?.trim()) {
      return [{ code: 'reason-missing', message: 'Say why you name it otherwise than recommended.', field: `${field}.reason` }];
    }
    return [];
  });
  if (problems.length > 0) throw badRequest(problems);
}

/** History only grows; what is new is signed by the one who sends it and pinned to what it rests on. */
function signed(stored: readonly Determination[], sent: SpecimenWrite, by: string, guide: Guide): Determination[] {
  if (stored.some((name, i) => sent.determinations[i]?.id !== name.id)) {
    throw badRequest([
      {
        code: 'history-changed',
        message: 'Earlier determinations stay in the history; add a new one instead.',
        field: 'determinations',
      },
    ]);
  }
  const pinned = {
    situation: sent.situation,
    readings: sent.readings,
    policy: sent.judgement?.policy ?? guide.policy,
    ...(sent.judgement ? { judgement: sent.judgement } : {}),
    ...(sent.walk ? { walk: sent.walk } : {}),
  };
  return [...stored, ...sent.determinations.slice(stored.length).map((name) => ({ ...name, by, pinned }))];
}

function searchText(guide: Guide, sent: SpecimenWrite, summary: { name: string; taxon?: string; other?: string }): string {
  const taxa = taxonIndex(guide);
  const named = [summary.taxon, summary.other].map((id) => taxa.get(id ?? ''));
  const { place, note, date } = sent.situation;
  return [sent.label, place, note, date, summary.name, ...named.flatMap((taxon) => [taxon?.name, taxon?.vernacular])]
    .filter(Boolean)
    .join(' ')
    .toLowerCase();
}

function specimenOf(record: SpecimenRecord): Specimen {
  const {
    id,
    version,
    guideId,
    guideVersion,
    label,
    situation,
    readings,
    judgement,
    walk,
    determinations,
    summary,
    photo,
    hidden,
  } = record;
  return {
    id,
    version,
    guideId,
    guideVersion,
    label,
    situation,
    readings,
    judgement: judgement ?? undefined,
    walk: walk ?? undefined,
    determinations,
    summary,
    photo: photo ?? undefined,
    hidden,
    createdAt: record.createdAt.toISOString(),
    updatedAt: record.updatedAt.toISOString(),
  };
}

function rowOf(record: SpecimenRecord, guide: Guide): SpecimenRow {
  const { id, version, guideId, label, place, seenOn, named, hidden, photo, summary, readings, updatedAt } = record;
  return {
    id,
    version,
    guideId,
    label,
    place: place ?? undefined,
    date: seenOn ?? undefined,
    named,
    hidden,
    photo: photo ?? undefined,
    summary,
    readings: readings.length,
    traits: traitsRead(guide, readings),
    updatedAt: updatedAt.toISOString(),
  };
}
