import type { MemberSexing, SexingWrite } from '@plesion/contract/colony';
import type { Reading } from '@plesion/core/observation';
import type { VerifiedRecord } from '@plesion/core/own';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { surest } from '../verifications/surest';
import { bookOf, surelyOf } from './service';

/** Specimens that the guide counts as beside our own of a strain. */
const WEIGHT = 10;
/** How often a sex that was called for certain is wrong, where nothing else is known of it. */
const CALLED_WRONG = 0.02;
/** Specimens of a strain at most, the newest. */
const MOST = 5000;

interface Row {
  individual: string;
  readings: Reading[];
  /** What it turned out to be, by the surest word on it. */
  taxon: string | null;
  facets: Record<string, string> | null;
  wrong: number | null;
}

/** Of which sex one of the book is by the marks that were read of it: as the guide has them, and those of its strain here. */
export async function sexingFor(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  { individual }: SexingWrite,
): Promise<MemberSexing> {
  const stored = await findGuide(em, stationId, guideId);
  const { members, memberAt } = await bookOf(em, stationId, guideId);
  const { kept } = memberAt(individual, 'individual');
  const taxon = stored.guide.heredity!.taxon ?? stored.guide.taxa[0].id;
  const kin = kept.strain === undefined ? [] : members.filter((one) => one.kept.strain === kept.strain);
  const rows = await readOf(em, stationId, guideId, [...new Set([individual, ...kin.map(({ id }) => id)])]);
  const called = new Map(kin.map((one) => [one.id, surelyOf(one)]));
  const records = rows.flatMap(({ individual: id, readings, facets, wrong, ...turned }): VerifiedRecord[] => {
    if (id === individual) return [];
    if (facets?.sex && turned.taxon && wrong !== null) return [{ truth: { taxon: turned.taxon, facets }, wrong, readings }];
    const sex = called.get(id);
    return sex ? [{ truth: { taxon, facets: { sex } }, wrong: CALLED_WRONG, readings }] : [];
  });
  const readings = newestOf(rows.filter((row) => row.individual === individual).map((row) => row.readings));
  const found = await pool.ask(stationId, 'sexing', { taxon, readings, records, weight: WEIGHT }, stored);
  return found ?? { marks: [], known: records.length };
}

/** What was read of some individuals with a guide, the newest first. */
const readOf = (em: Em, stationId: string, guideId: string, individuals: readonly string[]): Promise<Row[]> =>
  em.getConnection().execute<Row[]>(
    `select s.individual_id as individual, s.readings, sure.taxon, sure.facets, sure.wrong
     from specimen s left join lateral ${surest('v.*')} as sure on true
     where s.station_id = ? and s.guide_id = ? and not s.hidden
       and s.individual_id in (select jsonb_array_elements_text(?::jsonb)::uuid)
     order by s.updated_at desc limit ${MOST}`,
    [stationId, guideId, JSON.stringify(individuals)],
  );

/** Of each character what was read last. */
function newestOf(specimens: readonly Reading[][]): Reading[] {
  const seen = new Set<string>();
  return specimens.flatMap((readings) => {
    const fresh = readings.filter(({ character }) => !seen.has(character));
    for (const { character } of fresh) seen.add(character);
    return fresh;
  });
}
