import { Readable } from 'node:stream';
import type { CaptureWrite, SheetWrite, SiteWrite } from '@plesion/contract';
import {
  againRow,
  ARCHIVE_FILES,
  type ArchiveFile,
  archiveEml,
  archiveLines,
  archiveMeta,
  captureRows,
  eventRow,
  localityOf,
  sensitiveTaxa,
} from '@plesion/core/formats';
import { AGE_FAMILIES } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import yazl from 'yazl';
import { StationEntity } from '../database/entities';
import {
  CaptureEntity,
  type CaptureRecord,
  SheetEntity,
  SiteEntity,
  VisitEntity,
  type VisitRecord,
} from '../database/fieldEntities';
import type { Em } from '../database/orm';
import { findGuide, listGuides } from '../guides/service';
import { gridOf } from '../station/grid';

/** Captures fetched and written at once; others are answered in between. */
const SOME = 1000;

/** What all files are made with, fetched once. */
async function surroundings(em: Em, stationId: string) {
  const sites = new Map((await em.find(SiteEntity, { stationId })).map((site) => [site.id, site]));
  const visits = await em.find(VisitEntity, { stationId, hidden: false }, { orderBy: { startedAt: 'asc', id: 'asc' } });
  const used = await em
    .getConnection()
    .execute<{ guide: string }[]>(
      `select distinct content->>'guideId' as guide from capture where station_id = ? and content->>'guideId' is not null`,
      [stationId],
    );
  const known = new Set((await listGuides(em, stationId)).map(({ id }) => id));
  const guides = new Map<string, Guide>();
  for (const { guide } of used) if (known.has(guide)) guides.set(guide, (await findGuide(em, stationId, guide)).guide);
  const sheets = await em.find(SheetEntity, { stationId, hidden: false });
  const families = [...AGE_FAMILIES, ...sheets.flatMap(({ content }) => (content as SheetWrite).families)];
  return {
    sites,
    visits,
    guides,
    families,
    sensitive: await sensitiveVisits(em, stationId, guides),
    grid: await gridOf(em, stationId),
  };
}

/** Visits at which something was caught whose places are not told precisely. */
async function sensitiveVisits(em: Em, stationId: string, guides: ReadonlyMap<string, Guide>): Promise<Set<string>> {
  const taxa = [...guides].flatMap(([id, guide]) => sensitiveTaxa(guide).map((taxon) => `${id} ${taxon}`));
  if (!taxa.length) return new Set();
  const rows = await em.getConnection().execute<{ visit_id: string }[]>(
    `select distinct visit_id from capture
     where station_id = ? and not hidden and (content->>'guideId') || ' ' || (content->>'taxon') in (${taxa.map(() => '?').join()})`,
    [stationId, ...taxa],
  );
  return new Set(rows.map((row) => row.visit_id));
}

type Surroundings = Awaited<ReturnType<typeof surroundings>>;

/** All captures in order of time, some at once. */
async function* captures(em: Em, stationId: string): AsyncGenerator<CaptureRecord[]> {
  let last: CaptureRecord | undefined;
  for (;;) {
    const rows: CaptureRecord[] = await em.find(
      CaptureEntity,
      { stationId, hidden: false, ...(last ? { $or: [{ at: { $gt: last.at } }, { at: last.at, id: { $gt: last.id } }] } : {}) },
      { orderBy: { at: 'asc', id: 'asc' }, limit: SOME, disableIdentityMap: true },
    );
    if (rows.length) yield rows;
    if (rows.length < SOME) return;
    last = rows.at(-1);
  }
}

/** Degrees that its place is told by, where it is not told precisely. */
const gridAt = (visitId: string, { sensitive, grid }: Surroundings) => (sensitive.has(visitId) ? grid : undefined);

const visitRow = (visit: VisitRecord, around: Surroundings) => {
  const site = around.sites.get(visit.siteId)!;
  return eventRow(visit.id, visit.content, { id: site.id, content: site.content }, gridAt(visit.id, around));
};

async function* linesOf(
  em: Em,
  stationId: string,
  file: Exclude<ArchiveFile, 'event'>,
  around: Surroundings,
): AsyncGenerator<string> {
  yield archiveLines(file, [], true);
  const met = new Map<string, string>();
  for await (const rows of captures(em, stationId)) {
    yield archiveLines(
      file,
      rows.flatMap(({ id, recordedBy, content }) => {
        const capture = content as CaptureWrite;
        if (file !== 'resourcerelationship')
          return captureRows(
            id,
            capture,
            recordedBy,
            around.guides.get(capture.guideId ?? ''),
            around.families,
            around.sensitive.has(capture.visitId),
          )[file];
        const before = capture.mark && met.get(capture.mark);
        if (capture.mark) met.set(capture.mark, id);
        return before ? [againRow(id, capture, before)] : [];
      }),
      false,
    );
  }
}

/** The station's fieldwork as a Darwin Core archive: events, and what was caught at each; never all of it is held. */
export async function fieldArchive(em: () => Em, stationId: string): Promise<NodeJS.ReadableStream> {
  const around = await surroundings(em(), stationId);
  const { name } = await em().findOneOrFail(StationEntity, { id: stationId });
  const zip = new yazl.ZipFile();
  zip.addBuffer(Buffer.from(archiveMeta()), 'meta.xml');
  zip.addBuffer(Buffer.from(archiveEml(name, new Date().toISOString())), 'eml.xml');
  const events = around.visits.map((visit) => visitRow(visit, around));
  zip.addBuffer(Buffer.from(archiveLines('event', events, true)), 'event.csv');
  for (const file of Object.keys(ARCHIVE_FILES) as ArchiveFile[])
    if (file !== 'event')
      zip.addReadStreamLazy(`${file}.csv`, (give) => give(null, Readable.from(linesOf(em(), stationId, file, around))));
  zip.end();
  return zip.outputStream;
}

/** Captures as points, a piece at a time; places of sensitive taxa are told coarsely. */
export async function* fieldGeoJson(em: Em, stationId: string): AsyncGenerator<string> {
  const around = await surroundings(em, stationId);
  const visits = new Map(around.visits.map((visit) => [visit.id, visit]));
  yield '{"type":"FeatureCollection","features":[';
  let begun = false;
  for await (const rows of captures(em, stationId)) {
    for (const { id, visitId, content, recordedBy } of rows) {
      const capture = content as CaptureWrite;
      const visit = visits.get(visitId);
      const site = visit && (around.sites.get(visit.siteId)?.content as SiteWrite | undefined);
      const at = capture.position ?? site?.position;
      if (!visit || !at) continue;
      const { decimalLatitude, decimalLongitude, locality, dataGeneralizations } = localityOf(
        { place: site?.name, latitude: at.latitude, longitude: at.longitude },
        gridAt(visitId, around),
      );
      const [row] = captureRows(id, capture, recordedBy, around.guides.get(capture.guideId ?? ''), around.families).occurrence;
      // What the terms hold already, word by word, is for archives.
      const occurrence = Object.fromEntries(Object.entries(row).filter(([term]) => term !== 'dynamicProperties'));
      const feature = {
        type: 'Feature',
        id: `urn:uuid:${id}`,
        geometry: { type: 'Point', coordinates: [decimalLongitude, decimalLatitude] },
        properties: { ...occurrence, locality, dataGeneralizations },
      };
      yield `${begun ? ',\n' : ''}${JSON.stringify(feature)}`;
      begun = true;
    }
  }
  yield ']}';
}
