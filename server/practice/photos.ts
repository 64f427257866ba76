import type { Asked, VerifiedPhoto } from '@plesion/core/practice';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';
import { COUNTS } from '../verifications/surest';

/** Photographs practised with at most, the newest verified first. */
const MOST = 500;

const VERIFIED = `
  select distinct on (v.specimen_id, m.hash) v.specimen_id as "specimenId", m.hash, m.view, v.taxon, v.facets, v.kind, v.wrong, v.at
  from specimen_word v
  join specimen s on s.station_id = v.station_id and s.id = v.specimen_id and not s.hidden
  join media m on m.station_id = v.station_id and m.specimen_id = v.specimen_id and m.kind = 'photo'
  where v.station_id = ? and ${COUNTS}`;

/** The surest word on each, the newest of those. */
const ORDER = 'order by v.specimen_id, m.hash, v.wrong, v.at desc';

const written = ({
  view,
  specimenId,
  hash,
  taxon,
  facets,
  kind,
  wrong,
}: VerifiedPhoto & { view: string | null }): VerifiedPhoto => ({
  ...{ specimenId, hash, taxon, facets, kind, wrong },
  ...(view ? { view } : {}),
});

type Row = VerifiedPhoto & { view: string | null };

/** Photographs of a guide's specimens that turned out to be something. */
export async function listVerifiedPhotos(em: Em, stationId: string, guideId: string): Promise<VerifiedPhoto[]> {
  const rows = await em
    .getConnection()
    .execute<Row[]>(`select * from (${VERIFIED} and s.guide_id = ? ${ORDER}) as newest order by at desc, hash limit ${MOST}`, [
      stationId,
      guideId,
    ]);
  return rows.map(written);
}

/** The photograph of an asking; refused by the field where the station has none such that is verified. */
type PhotoOf = (asked: Asked, field: string) => VerifiedPhoto | undefined;

/** The photographs that are asked for, all at once. */
export async function verifiedPhotos(em: Em, stationId: string, all: readonly Asked[]): Promise<PhotoOf> {
  const ids = [...new Set(all.flatMap(({ photo }) => photo?.specimenId ?? []))];
  const rows = ids.length
    ? await em
        .getConnection()
        .execute<Row[]>(`${VERIFIED} and v.specimen_id in (${ids.map(() => '?').join(', ')}) ${ORDER}`, [stationId, ...ids])
    : [];
  return ({ photo }, field) => {
    if (!photo) return undefined;
    const row = rows.find(({ specimenId, hash }) => specimenId === photo.specimenId && hash === photo.hash);
    if (row) return written(row);
    const message = 'There is no such photo in this station of a specimen that is verified.';
    throw badRequest([{ code: 'no-photo', message, field }]);
  };
}
