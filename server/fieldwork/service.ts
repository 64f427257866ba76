import type {
  CaptureWrite,
  Count,
  CountQuery,
  CountWrite,
  RingString,
  RingStringRow,
  Sheet,
  SheetWrite,
  Site,
  SiteWrite,
  StringWrite,
  Visit,
  VisitQuery,
  VisitRow,
  VisitWrite,
} from '@plesion/contract';
import { ringIn, visitHalts } from '@plesion/core/fieldwork';
import {
  CaptureEntity,
  type CaptureRecord,
  CountEntity,
  type CountRecord,
  SheetEntity,
  type SheetRecord,
  SiteEntity,
  type SiteRecord,
  StringEntity,
  type StringRecord,
  VisitEntity,
  type VisitRecord,
} from '../database/fieldEntities';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';
import { noteCorrection } from '../records/corrections';
import { findRecord, type Writer } from '../records/write';
import { nameOf } from './knownCaptures';
import { type FieldKind, fieldKind, wireOf, writeField } from './records';

/** Most records of a kind told at once. */
const MOST = 500;

const newest = { updatedAt: 'desc', id: 'desc' } as const;

export const SITE = fieldKind<SiteRecord, SiteWrite>('site', SiteEntity, () => ({}));
export const VISIT = fieldKind<VisitRecord, VisitWrite>('visit', VisitEntity, ({ siteId, startedAt, endedAt }) => ({
  siteId,
  startedAt: new Date(startedAt),
  endedAt: endedAt ? new Date(endedAt) : null,
}));
export const CAPTURE: FieldKind<CaptureRecord, CaptureWrite> = {
  ...fieldKind<CaptureRecord, CaptureWrite>('capture', CaptureEntity, (sent) => ({
    visitId: sent.visitId,
    at: new Date(sent.at),
    what: sent.what,
    mark: sent.mark ?? null,
    due: sent.followUp && !sent.followUp.done ? sent.followUp.due : null,
  })),
  changed: (tx, writer, known, sent, { id, version, recordedBy }) =>
    noteCorrection(
      tx,
      writer,
      { kind: 'capture', id, version, day: sent.at.slice(0, 10), visitId: sent.visitId, recordedBy },
      { hidden: known.hidden, name: nameOf(known) },
      { hidden: sent.hidden, name: nameOf(sent) },
    ),
};
export const STRING = fieldKind<StringRecord, StringWrite>('string', StringEntity, () => ({}));
export const COUNT = fieldKind<CountRecord, CountWrite>('count', CountEntity, ({ siteId, at }) => ({
  siteId: siteId ?? null,
  at: new Date(at),
}));
export const SHEET = fieldKind<SheetRecord, SheetWrite>('sheet', SheetEntity, () => ({}));

export const findSite = (em: Em, stationId: string, id: string): Promise<Site> => findRecord(em, SITE, stationId, id);
export const findVisit = (em: Em, stationId: string, id: string): Promise<Visit> => findRecord(em, VISIT, stationId, id);
export const findString = (em: Em, stationId: string, id: string): Promise<RingString> => findRecord(em, STRING, stationId, id);
export const findCount = (em: Em, stationId: string, id: string): Promise<Count> => findRecord(em, COUNT, stationId, id);
export const findSheet = (em: Em, stationId: string, id: string): Promise<Sheet> => findRecord(em, SHEET, stationId, id);

export async function listSites(em: Em, stationId: string, hidden: boolean): Promise<Site[]> {
  return (await em.find(SiteEntity, { stationId, hidden }, { orderBy: newest, limit: MOST })).map(wireOf<SiteWrite>);
}

export async function listVisits(em: Em, stationId: string, { siteId, hidden }: VisitQuery): Promise<VisitRow[]> {
  const where = { stationId, hidden: hidden === 'yes', ...(siteId ? { siteId } : {}) };
  return withCatch(em, stationId, await em.find(VisitEntity, where, { orderBy: { startedAt: 'desc', id: 'desc' }, limit: MOST }));
}

/** Visits with how many each caught, counted as a set. */
export async function withCatch(em: Em, stationId: string, visits: readonly VisitRecord[]): Promise<VisitRow[]> {
  const rows = visits.length
    ? await em.getConnection().execute<{ visit_id: string; caught: string }[]>(
        `select visit_id, count(*) as caught from capture
           where station_id = ? and not hidden and visit_id in (${visits.map(() => '?').join()}) group by visit_id`,
        [stationId, ...visits.map(({ id }) => id)],
      )
    : [];
  const caught = new Map(rows.map((row) => [row.visit_id, Number(row.caught)]));
  return visits.map((visit) => ({ ...wireOf<VisitWrite>(visit), caught: caught.get(visit.id) ?? 0 }));
}

export async function listCounts(em: Em, stationId: string, { siteId, hidden }: CountQuery): Promise<Count[]> {
  const where = { stationId, hidden: hidden === 'yes', ...(siteId ? { siteId } : {}) };
  return (await em.find(CountEntity, where, { orderBy: { at: 'desc', id: 'desc' }, limit: MOST })).map(wireOf<CountWrite>);
}

export async function listSheets(em: Em, stationId: string, hidden: boolean): Promise<Sheet[]> {
  return (await em.find(SheetEntity, { stationId, hidden }, { orderBy: newest, limit: MOST })).map(wireOf<SheetWrite>);
}

/** Strings with the marks of each that were put on: one range of the index for each string. */
export async function listStrings(em: Em, stationId: string, hidden: boolean): Promise<RingStringRow[]> {
  const strings = (await em.find(StringEntity, { stationId, hidden }, { orderBy: newest, limit: MOST })).map(wireOf<StringWrite>);
  if (!strings.length) return [];
  const rows = await em.getConnection().execute<{ id: string; marks: string[] }[]>(
    `select wanted.id, array(
       select mark from capture where station_id = ? and what = 'ringed' and not hidden
         and mark collate "C" between wanted.low and wanted.high and length(mark) = length(wanted.low)
       order by mark collate "C"
     ) as marks
     from (values ${strings.map(() => '(?::uuid, ?::text, ?::text)').join()}) as wanted (id, low, high)`,
    [stationId, ...strings.flatMap((string) => [string.id, ringIn(string, string.first), ringIn(string, string.last)])],
  );
  const marks = new Map(rows.map((row) => [row.id, row.marks]));
  return strings.map((string) => ({ ...string, ringed: marks.get(string.id) ?? [] }));
}

export const writeSite = (em: Em, writer: Writer, id: string, sent: SiteWrite) => writeField(em, SITE, writer, id, sent);
export const writeString = (em: Em, writer: Writer, id: string, sent: StringWrite) => writeField(em, STRING, writer, id, sent);
export const writeSheet = (em: Em, writer: Writer, id: string, sent: SheetWrite) => writeField(em, SHEET, writer, id, sent);

export async function writeCount(em: Em, writer: Writer, id: string, sent: CountWrite): Promise<Count> {
  if (sent.siteId) await siteOf(em, writer.stationId, sent.siteId);
  return writeField(em, COUNT, writer, id, sent);
}

async function siteOf(em: Em, stationId: string, siteId: string): Promise<SiteRecord> {
  const site = await em.findOne(SiteEntity, { stationId, id: siteId });
  if (site) return site;
  throw badRequest([{ code: 'unknown-site', message: 'This site is not in the station; send it first.', field: 'siteId' }]);
}

/** A visit with a method that no licence on file covers, or to a site that is rested, says why it was made all the same. */
export async function writeVisit(em: Em, writer: Writer, id: string, sent: VisitWrite): Promise<Visit> {
  const { content: site } = await siteOf(em, writer.stationId, sent.siteId);
  const unsaid = visitHalts(site, sent.method, sent.startedAt.slice(0, 10)).filter(
    ({ what }) => !sent.overrides.some((override) => override.what === what),
  );
  if (unsaid.length)
    throw badRequest(
      unsaid.map(({ what, says }) => ({ code: what, message: `${says} Say why it is made all the same.`, field: 'overrides' })),
    );
  return writeField(em, VISIT, writer, id, sent);
}
