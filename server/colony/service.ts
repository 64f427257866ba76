import type { Colony, ColonyList, ColonyMember, EggWrite, PairWrite, ProveWrite } from '@plesion/contract/colony';
import type { Kept } from '@plesion/contract/kept';
import type { Outcome } from '@plesion/core';
import type { HereditySection } from '@plesion/core/guide';
import type { CrossAnswer, Pedigree, ProofAnswer, SuspectsAnswer } from '@plesion/core/heredity/schema';
import type { AnalysisPool } from '../analysis/pool';
import { IndividualEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, HttpProblem, notFound } from '../http/errors';

/** Individuals of a book at most. */
const MOST = 2000;

/** Mates that are looked at for a proof. */
const MOST_MATES = 40;

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

/** A book of which questions are asked: what the guide says, who is in it, and what each is called there. */
async function bookOf(em: Em, stationId: string, guideId: string) {
  const { guide } = await findGuide(em, stationId, guideId);
  if (!guide.heredity) throw noHeredity();
  const members = await membersOf(em, stationId, guideId);
  return {
    asked: { ...modelOf(guide.heredity), individuals: pedigreeOf(members) },
    members,
    /** @throws 400 by the field. */
    memberAt(id: string, field: string): ColonyMember {
      const found = members.find((one) => one.id === id);
      if (found) return found;
      throw badRequest([{ code: 'unknown-individual', message: 'This one is not in the book of the guide.', field }]);
    },
  };
}

const told = <T>(outcome: Outcome<T>): T => {
  if (!outcome.ok) throw badRequest(outcome.problems);
  return outcome.value;
};

/** What two of the book would have. */
export async function pairOf(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  pair: PairWrite,
): Promise<CrossAnswer> {
  const { asked, memberAt } = await bookOf(em, stationId, guideId);
  const { father, mother, clutch } = pair;
  const named = { father: memberAt(father, 'father').name, mother: memberAt(mother, 'mother').name };
  return told(await pool.ask(stationId, 'cross', { ...asked, ...named, clutch }));
}

/** The sex it was called beyond doubt. */
const surelyOf = ({ kept: { sex } }: ColonyMember) => (sex?.certainty === 1 ? sex.called : undefined);

/** With whom it shows soonest whether one carries what cannot be seen: of those that are here, and not of its sex. */
export async function proveOf(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  sent: ProveWrite,
): Promise<ProofAnswer> {
  const { asked, members, memberAt } = await bookOf(em, stationId, guideId);
  const { individual, ...question } = sent;
  const one = memberAt(individual, 'individual');
  const sex = surelyOf(one);
  const mates = members
    .filter((mate) => mate.id !== individual && mate.kept.status === 'here' && !(sex && surelyOf(mate) === sex))
    .slice(0, MOST_MATES)
    .map(({ name }) => name);
  if (!mates.length) return { mates: [] };
  return told(await pool.ask(stationId, 'proof', { ...asked, ...question, id: one.name, mates }));
}

/** Of a group, whose egg it is. */
export async function eggOf(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  { group }: EggWrite,
): Promise<SuspectsAnswer> {
  const { asked, memberAt } = await bookOf(em, stationId, guideId);
  const named = group.map((id, i) => ({ id: memberAt(id, `group[${i}]`).name, weight: 1 }));
  return told(await pool.ask(stationId, 'suspects', { ...asked, group: named, role: 'mother', phenotypes: {} }));
}

const noHeredity = () => new HttpProblem(409, { code: 'no-heredity', message: 'The guide does not say how its kinds inherit.' });

const modelOf = ({ system, loci, characters, strains }: HereditySection) => ({
  ...{ system, loci, characters },
  ...(strains ? { strains } : {}),
});

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
      ...(kept.strain ? { strain: kept.strain } : {}),
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
