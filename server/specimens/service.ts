import { sameContent, type Specimen, type SpecimenWrite } from '@plesion/contract';
import type { Standing } from '@plesion/core/evidence';
import { formsOf, type Guide, namingOf, taxonIndex } from '@plesion/core/guide';
import type { Media } from '@plesion/core/specimen';
import { summarise } from '@plesion/core/specimen';
import type { AnalysisPool } from '../analysis/pool';
import { IndividualEntity, MediaEntity, SpecimenEntity, type SpecimenRecord } from '../database/entities';
import type { Em } from '../database/orm';
import { guideNamed } from '../guides/service';
import { badRequest } from '../http/errors';
import type { Caller } from '../http/route';
import { checkWalk } from '../keys/service';
import { walkedOf } from '../keys/walk';
import { checkPhotos } from '../photos/service';
import { noteCorrection } from '../records/corrections';
import { findRecord, type RecordKind, writeVersioned } from '../records/write';
import { checkAgainst } from '../standing/service';
import { forgetJudged } from '../verifications/judging';
import { dayOf, insteadOf, listedName } from '../verifications/relist';
import { checkNames, signed } from './names';

export const findSpecimen = (em: Em, stationId: string, id: string): Promise<Specimen> => findRecord(em, SPECIMEN, stationId, id);

const SPECIMEN: RecordKind<SpecimenRecord, SpecimenWrite, Specimen> = {
  name: 'specimen',
  entity: SpecimenEntity,
  wireOf: async (em, record, written) => specimenOf(record, written ? (written.media ?? []) : await mediaOf(em, record)),
  same: (stored, sent) => sameContent(stored, sent),
  // The guide may be newer than when it was written last.
  again: true,
  async parts(tx, record, sent, isNew) {
    await putMedia(tx, record, sent.media ?? [], isNew);
    if (!isNew) await forgetJudged(tx, record.stationId, record.id);
  },
  async changed(tx, writer, known, _, record) {
    const { stationId, id, version, recordedBy, hidden, listedInstead } = record;
    const instead = await insteadOf(tx, record);
    if (instead !== listedInstead) await tx.nativeUpdate(SpecimenEntity, { stationId, id }, { listedInstead: instead });
    await noteCorrection(
      tx,
      writer,
      { kind: 'specimen', id, version, day: dayOf(record), recordedBy },
      {
        hidden: known.hidden,
        name: listedName({ guideId: known.guideId ?? null, determinations: known.determinations, listedInstead }),
      },
      { hidden, name: listedName({ ...record, listedInstead: instead }) },
    );
  },
};

/** Write a specimen. What its readings come to is weighed on the guide as it is now, and kept with it. */
export async function writeSpecimen(
  em: Em,
  pool: AnalysisPool,
  caller: Caller,
  id: string,
  sent: SpecimenWrite,
): Promise<Specimen> {
  const { stationId, accountName } = caller;
  const behind = await guideNamed(em, stationId, sent.guideId);
  const guide = behind?.guide;
  if (guide) checkAgainst(guide, sent.situation, sent.readings, sent.judgement);
  else checkGuideless(sent);
  checkNames(guide, sent.determinations);
  await checkPhotos(em, stationId, sent);
  await checkIndividual(em, stationId, sent.individualId);
  await checkWalk(em, stationId, sent.walk);
  const standing = behind && (await standingOf(em, pool, stationId, behind, sent));
  const naming = guide && namingOf(guide, formsOf(guide), sent.judgement?.treatment);

  return writeVersioned(em, SPECIMEN, caller, id, sent, (stored, version) => {
    const determinations = signed(stored?.determinations ?? [], sent, accountName, guide);
    const summary = summarise(naming && { taxa: naming.taxa }, standing, determinations);
    const now = new Date();
    return {
      id,
      stationId,
      guideId: sent.guideId ?? null,
      guideVersion: behind?.version ?? null,
      individualId: sent.individualId ?? null,
      version,
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
      listedInstead: stored?.listedInstead ?? null,
      recordedBy: stored?.recordedBy ?? accountName,
      createdAt: stored?.createdAt ?? now,
      updatedAt: now,
    };
  });
}

async function standingOf(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  { guide, hash }: { guide: Guide; hash: string },
  { situation, readings, judgement, walk }: SpecimenWrite,
): Promise<Standing> {
  const walked = await walkedOf(em, stationId, guide.settings.call.school === 'key' ? walk : undefined);
  return pool.ask(stationId, 'standing', { situation, readings, judgement, walk: walked }, { guide, hash });
}

/** What JSON columns will hold: absent parts stay absent instead of becoming null. */
const asJson = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Without a guide there are no characters that could be read, and nothing to be judged. */
function checkGuideless({ readings, judgement }: SpecimenWrite): void {
  const message = (what: string) => `A specimen without a guide has no ${what}; choose a guide for it.`;
  if (readings.length) throw badRequest([{ code: 'no-guide', message: message('readings'), field: 'readings' }]);
  if (judgement) throw badRequest([{ code: 'no-guide', message: message('judgement'), field: 'judgement' }]);
}

async function checkIndividual(em: Em, stationId: string, id: string | undefined): Promise<void> {
  if (id === undefined || (await em.count(IndividualEntity, { id, stationId }))) return;
  throw badRequest([
    { code: 'unknown-individual', message: 'There is no such individual in this station.', field: 'individualId' },
  ]);
}

async function putMedia(
  tx: Em,
  { id: specimenId, stationId }: SpecimenRecord,
  media: readonly Media[],
  isNew: boolean,
): Promise<void> {
  if (!isNew) await tx.nativeDelete(MediaEntity, { stationId, specimenId });
  if (media.length === 0) return;
  await tx.insertMany(
    MediaEntity,
    media.map((one, position) => ({
      ...one,
      view: one.view ?? null,
      note: one.note ?? null,
      credit: one.credit ?? null,
      stationId,
      specimenId,
      position,
    })),
  );
}

async function mediaOf(em: Em, { id: specimenId, stationId }: SpecimenRecord): Promise<Media[]> {
  const rows = await em.find(MediaEntity, { stationId, specimenId }, { orderBy: { position: 'asc' } });
  return rows.map(({ id, kind, hash, view, note, credit }) => ({
    id,
    kind: kind as Media['kind'],
    hash,
    ...(view ? { view } : {}),
    ...(note ? { note } : {}),
    ...(credit ? { credit } : {}),
  }));
}

function searchText(
  guide: Guide | undefined,
  sent: SpecimenWrite,
  summary: { name: string; taxon?: string; other?: string },
): string {
  const taxa = guide && taxonIndex(guide);
  const named = [summary.taxon, summary.other].map((id) => taxa?.get(id ?? ''));
  const { place, note, date } = sent.situation;
  return [sent.label, place, note, date, summary.name, ...named.flatMap((taxon) => [taxon?.name, taxon?.vernacular])]
    .filter(Boolean)
    .join(' ')
    .toLowerCase();
}

function specimenOf(record: SpecimenRecord, media: readonly Media[]): Specimen {
  const { id, version, label, situation, readings, determinations, summary, hidden } = record;
  return {
    id,
    version,
    ...present({
      guideId: record.guideId,
      guideVersion: record.guideVersion,
      individualId: record.individualId,
      judgement: record.judgement,
      walk: record.walk,
      photo: record.photo,
    }),
    ...(media.length ? { media: [...media] } : {}),
    label,
    situation,
    readings,
    determinations,
    summary,
    hidden,
    createdAt: record.createdAt.toISOString(),
    updatedAt: record.updatedAt.toISOString(),
  };
}

/** What a column holds, without those that hold nothing. */
const present = <T extends object>(columns: T) =>
  Object.fromEntries(Object.entries(columns).filter(([, value]) => value !== null && value !== undefined)) as {
    [K in keyof T]?: NonNullable<T[K]>;
  };
