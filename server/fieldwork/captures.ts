import type {
  Capture,
  CaptureList,
  CaptureQuery,
  CaptureWrite,
  MarkHistory,
  SheetWrite,
  SiteWrite,
  VisitWrite,
} from '@plesion/contract';
import { AGE_FAMILIES, brokenChecks, codeOf } from '@plesion/core/fieldwork';
import type { AgeFamily } from '@plesion/core/fieldwork';
import { CaptureEntity, SheetEntity, SiteEntity, VisitEntity } from '../database/fieldEntities';
import type { Em } from '../database/orm';
import { guideNamed } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import { recoveriesOf } from '../office/service';
import { checkPhotos } from '../photos/service';
import { findRecord, type Writer } from '../records/write';
import { checkAgainst } from '../standing/service';
import { wireOf, writeField } from './records';
import { CAPTURE } from './service';
import { surestOfMark } from '../verifications/surest';

/** Captures on a page where it is not said. */
const PAGE = 100;

export const findCapture = (em: Em, stationId: string, id: string): Promise<Capture> => findRecord(em, CAPTURE, stationId, id);

/** Captures, the newest first; the page goes on from the last one told. */
export async function listCaptures(em: Em, stationId: string, query: CaptureQuery): Promise<CaptureList> {
  const { visitId, ring, hidden, limit = PAGE, after } = query;
  const from = after === undefined ? undefined : cursorOf(after);
  const rows = await em.find(
    CaptureEntity,
    {
      stationId,
      hidden: hidden === 'yes',
      ...(visitId ? { visitId } : {}),
      ...(ring ? { mark: { $like: `%${ring.toUpperCase().replace(/[%_\\]/g, '\\$&')}%` } } : {}),
      ...(from ? { $or: [{ at: { $lt: from.at } }, { at: from.at, id: { $lt: from.id } }] } : {}),
    },
    { orderBy: { at: 'desc', id: 'desc' }, limit: limit + 1 },
  );
  const page = rows.slice(0, limit);
  const last = page.at(-1);
  return {
    captures: page.map(wireOf<CaptureWrite>),
    ...(rows.length > limit && last ? { next: `${last.at.toISOString()}_${last.id}` } : {}),
  };
}

function cursorOf(after: string): { at: Date; id: string } {
  const found = /^(\d{4}-\d\d-\d\dT[\d:.]+Z)_([0-9a-f-]{36})$/.exec(after);
  const at = found && new Date(found[1]);
  if (!found || !at || Number.isNaN(at.getTime()))
    throw badRequest([{ code: 'bad-cursor', message: 'Ask with the cursor of the answer before.', field: 'after' }]);
  return { at, id: found[2] };
}

/** Everything known of the bearer of a mark. */
export async function historyOf(em: Em, stationId: string, mark: string): Promise<MarkHistory> {
  const captures = await em.find(
    CaptureEntity,
    { stationId, mark, hidden: false },
    { orderBy: { at: 'asc', id: 'asc' }, limit: 1000 },
  );
  if (!captures.length) throw notFound('ring');
  const visits = await em.find(VisitEntity, { stationId, id: { $in: [...new Set(captures.map(({ visitId }) => visitId))] } });
  const sites = await em.find(SiteEntity, { stationId, id: { $in: [...new Set(visits.map(({ siteId }) => siteId))] } });
  return {
    mark,
    captures: captures.map(wireOf<CaptureWrite>),
    visits: visits.map(wireOf<VisitWrite>),
    sites: sites.map(wireOf<SiteWrite>),
    young: await youngOf(em, stationId, mark),
    recoveries: await recoveriesOf(em, stationId, mark),
    ...(await outcomeOf(em, stationId, mark)),
  };
}

/** The surest word on what the bearer of a mark turned out to be. */
async function outcomeOf(em: Em, stationId: string, mark: string): Promise<Pick<MarkHistory, 'outcome'>> {
  const [outcome] = await em.getConnection().execute<NonNullable<MarkHistory['outcome']>[]>(
    `select v.kind, v.taxon, v.facets, to_char(v.on_day, 'YYYY-MM-DD') as on from (select ?::uuid as station_id, ?::text as mark) m
       join lateral ${surestOfMark('v.*')} as v on true`,
    [stationId, mark],
  );
  return outcome ? { outcome } : {};
}

/** Captures of those whose mother or father bears a mark. */
async function youngOf(em: Em, stationId: string, mark: string): Promise<Capture[]> {
  const ids = await em.getConnection().execute<{ id: string }[]>(
    // Each by an index of its own.
    ['mother', 'father']
      .map(
        (parent) =>
          `select id, at from capture where station_id = ? and not hidden and content->'parents' is not null and content->'parents'->>'${parent}' = ?`,
      )
      .join(' union ')
      .concat(' order by at limit 200'),
    [stationId, mark, stationId, mark],
  );
  if (!ids.length) return [];
  const rows = await em.find(CaptureEntity, { stationId, id: { $in: ids.map(({ id }) => id) } }, { orderBy: { at: 'asc' } });
  return rows.map(wireOf<CaptureWrite>);
}

/** Families of age codes: those known to all, and those of the station's sheets. */
export async function familiesOf(em: Em, stationId: string): Promise<AgeFamily[]> {
  const sheets = await em.find(SheetEntity, { stationId, hidden: false });
  return [...AGE_FAMILIES, ...sheets.flatMap(({ content }) => (content as SheetWrite).families)];
}

/** Keep a capture. A rule of the guide that it breaks stops it, unless it is said why it stands all the same. */
export async function writeCapture(em: Em, writer: Writer, id: string, sent: CaptureWrite): Promise<Capture> {
  const { stationId } = writer;
  if (!(await em.count(VisitEntity, { stationId, id: sent.visitId })))
    throw badRequest([{ code: 'unknown-visit', message: 'This visit is not in the station; send it first.', field: 'visitId' }]);
  if ((sent.what === 'ringed' || sent.what === 'again') && !sent.mark)
    throw badRequest([{ code: 'no-ring', message: 'Say which ring it bears.', field: 'mark' }]);
  if (sent.mark && (sent.what === 'unringed' || sent.what === 'other-kind'))
    throw badRequest([
      { code: 'ring-unsaid', message: 'It bears a ring: say whether it was put on now, or met again.', field: 'what' },
    ]);
  const families = await familiesOf(em, stationId);
  if (sent.age && !codeOf(sent.age, families))
    throw badRequest([{ code: 'unknown-age', message: `“${sent.age.code}” is no code of that family.`, field: 'age.code' }]);
  const guide = (await guideNamed(em, stationId, sent.guideId))?.guide;
  if (guide) checkAgainst(guide, {}, sent.readings);
  else if (sent.readings.length || sent.taxon)
    throw badRequest([{ code: 'no-guide', message: 'Say which guide its kind and characters are of.', field: 'guideId' }]);
  if (guide && sent.taxon && !guide.taxa.some((taxon) => taxon.id === sent.taxon))
    throw badRequest([{ code: 'unknown-taxon', message: `There is no taxon “${sent.taxon}” in this guide.`, field: 'taxon' }]);
  const broken = guide ? brokenChecks(guide, sent, families) : [];
  const unsaid = broken.filter((check) => !sent.overrides.some(({ what }) => what === check.id));
  if (unsaid.length)
    throw badRequest(
      unsaid.map(({ says }) => ({
        code: 'check-broken',
        message: `${says} Say why it stands all the same, or mend it.`,
        field: 'overrides',
      })),
    );
  await checkPhotos(em, stationId, {
    photo: sent.photo,
    media: (sent.naturalMarks ?? []).flatMap(({ photo }) => (photo ? [{ hash: photo }] : [])),
  });
  return writeField(em, CAPTURE, writer, id, sent);
}
