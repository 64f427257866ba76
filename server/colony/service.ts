import type { Colony, ColonyList, ColonyMember, PairWrite } from '@plesion/contract/colony';
import type { Kept } from '@plesion/contract/kept';
import type { Outcome } from '@plesion/core';
import type { HereditySection } from '@plesion/core/guide';
import type { CrossAnswer, Pedigree } from '@plesion/core/heredity/schema';
import type { AnalysisPool } from '../analysis/pool';
import { IndividualEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, HttpProblem, notFound } from '../http/errors';

/** Individuals of a book at most. */
const MOST = 2000;

/** The book of a guide, and what each of it carries. */
export async function colonyOf(em: Em, pool: AnalysisPool, stationId: string, guideId: string): Promise<Colony> {
  const { guide } = await findGuide(em, stationId, guideId);
  const members = await membersOf(em, stationId, guideId);
  const model = guide.heredity;
  if (!model || members.length === 0) return { members, inbreeding: {}, problems: [] };
  const individuals = pedigreeOf(members);
  const [posterior, kinship] = await Promise.all([
    pool.ask(stationId, 'posterior', { ...modelOf(model), individuals, ask: [] }),
    pool.ask(stationId, 'kinship', { individuals }),
  ]);
  const names = new Set(members.map(({ name }) => name));
  const problems = (posterior.ok ? [] : posterior.problems).map(({ field = '', message }) => {
    const name = [...names].find((one) => field.startsWith(`individuals.${one}.`));
    return { ...(name === undefined ? {} : { name }), message };
  });
  const inbred = kinship.ok ? kinship.value.inbreeding.filter(({ f }) => f > 0) : [];
  return {
    members,
    ...(posterior.ok ? { posterior: posterior.value } : {}),
    inbreeding: Object.fromEntries(inbred.map(({ id, f }) => [id, f])),
    problems,
  };
}

/** The books of a station: those with most in them first. */
export const listColonies = (em: Em, stationId: string): Promise<ColonyList['colonies']> =>
  em.getConnection().execute(
    `select g.id as "guideId", g.title,
       (select count(*)::int from individual i where i.station_id = g.station_id and i.guide_id = g.id and i.kept is not null and not i.hidden) as n
     from guide g join guide_version v on v.station_id = g.station_id and v.guide_id = g.id and v.version = g.version
     where g.station_id = ? and v.content->'heredity' is not null order by 3 desc, g.title`,
    [stationId],
  );

/** What two of the book would have. */
export async function pairOf(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  pair: PairWrite,
): Promise<CrossAnswer> {
  const { guide } = await findGuide(em, stationId, guideId);
  if (!guide.heredity) throw noHeredity();
  const members = await membersOf(em, stationId, guideId);
  const nameOf = (field: 'father' | 'mother'): string => {
    const found = members.find(({ id }) => id === pair[field]);
    if (!found) throw badRequest([{ code: 'unknown-individual', message: 'This one is not in the book of the guide.', field }]);
    return found.name;
  };
  const asked = {
    ...modelOf(guide.heredity),
    individuals: pedigreeOf(members),
    father: nameOf('father'),
    mother: nameOf('mother'),
    clutch: pair.clutch,
  };
  const outcome: Outcome<CrossAnswer> = await pool.ask(stationId, 'cross', asked);
  if (!outcome.ok) throw badRequest(outcome.problems);
  return outcome.value;
}

const noHeredity = () => new HttpProblem(409, { code: 'no-heredity', message: 'The guide does not say how its kinds inherit.' });

const modelOf = ({ system, loci, characters }: HereditySection) => ({ system, loci, characters });

/** Individuals of a guide that the book says something of, the eldest first, each by a name of its own. */
async function membersOf(em: Em, stationId: string, guideId: string): Promise<ColonyMember[]> {
  const rows = await em.find(
    IndividualEntity,
    { stationId, guideId, hidden: false, kept: { $ne: null } },
    { orderBy: { createdAt: 'asc', id: 'asc' }, limit: MOST },
  );
  const taken = new Map<string, number>();
  return rows.map(({ id, version, label, kept }) => {
    const n = (taken.get(label) ?? 0) + 1;
    taken.set(label, n);
    return { id, version, label, kept: kept!, name: n === 1 ? label : `${label} (${n})` };
  });
}

/** The book as a pedigree. Parents that are in it no more are nobody known. */
function pedigreeOf(members: readonly ColonyMember[]): Pedigree {
  const names = new Map(members.map(({ id, name }) => [id, name]));
  return members.map(({ name, kept }) => {
    const one = (id: string | undefined, role: 'father' | 'mother') => {
      const known = id === undefined ? undefined : names.get(id);
      return known === undefined ? {} : { [role]: known };
    };
    const several = (ids: readonly string[] | undefined, role: 'father' | 'mother') =>
      ids ? { [`${role}s`]: ids.map((id) => ({ id: names.get(id) ?? null, weight: 1 })) } : {};
    return {
      id: name,
      ...sexOf(kept),
      ...(kept.fathers ? several(kept.fathers, 'father') : one(kept.father, 'father')),
      ...(kept.mothers ? several(kept.mothers, 'mother') : one(kept.mother, 'mother')),
      phenotypes: kept.phenotypes,
    };
  });
}

/** What is certain is said as such, so that it is named where it does not fit. */
const sexOf = ({ sex }: Kept) => (sex ? { sex: sex.certainty === 1 ? sex.called : sex } : {});

/** Parents are of the station, and nobody is its own. @throws 400 by the field. */
export async function checkKept(em: Em, stationId: string, id: string, guideId: string | undefined, kept: Kept): Promise<void> {
  if (!guideId) throw badRequest([{ code: 'no-guide', message: 'Choose the guide by which it is kept.', field: 'guideId' }]);
  const { guide } = await findGuide(em, stationId, guideId).catch(() => {
    throw notFound('guide');
  });
  if (!guide.heredity && Object.keys(kept.phenotypes).length) {
    const message = 'The guide does not say how its kinds inherit, so nothing can be told from this. Leave it out.';
    throw badRequest([{ code: 'no-heredity', message, field: 'kept.phenotypes' }]);
  }
  const named = (['father', 'mother', 'fathers', 'mothers'] as const).flatMap((field) =>
    [kept[field] ?? []].flat().map((parent) => ({ field: `kept.${field}`, parent })),
  );
  for (const role of ['father', 'mother'] as const)
    if (kept[role] && kept[`${role}s`])
      throw badRequest([
        { code: 'both', message: 'Give either one parent or several that it may be, not both.', field: `kept.${role}s` },
      ]);
  const own = named.find(({ parent }) => parent === id);
  if (own) throw badRequest([{ code: 'own-parent', message: 'Nobody is its own parent.', field: own.field }]);
  if (!named.length) return;
  const known = await em.find(
    IndividualEntity,
    { stationId, guideId, id: { $in: named.map(({ parent }) => parent) } },
    { fields: ['id'] },
  );
  const stranger = named.find(({ parent }) => !known.some((one) => one.id === parent));
  if (stranger)
    throw badRequest([
      {
        code: 'unknown-individual',
        message: 'This parent is not in the book of the guide; write it down first.',
        field: stranger.field,
      },
    ]);
}
