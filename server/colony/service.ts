import type {
  BookUnlikely,
  Colony,
  ColonyList,
  ColonyMember,
  EggWrite,
  PairWrite,
  ProveWrite,
  ReasonsWrite,
  SimulateWrite,
} from '@plesion/contract/colony';
import type { Outcome } from '@plesion/core';
import { penNames } from '@plesion/core/colony';
import type { HereditySection } from '@plesion/core/guide';
import type {
  CrossAnswer,
  ProofAnswer,
  ReasonsAnswer,
  SimulateAnswer,
  SuspectsAnswer,
  UnlikelyAnswer,
} from '@plesion/core/heredity/schema';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, HttpProblem } from '../http/errors';
import { membersOf, pedigreeOf } from './members';
import { pairingsOf } from './pairings';
import { pensOf } from './pens';

/** Mates that are looked at for a proof. */
const MOST_MATES = 40;

/** The book of a guide, and what each of it carries. */
export async function colonyOf(em: Em, pool: AnalysisPool, stationId: string, guideId: string): Promise<Colony> {
  const { guide } = await findGuide(em, stationId, guideId);
  const pens = await pensOf(em, stationId, guideId);
  const now = penNames(pens);
  const members = await membersOf(em, stationId, guideId, now);
  const pairings = await pairingsOf(em, stationId, guideId, now);
  const model = guide.heredity;
  if (!model || members.length === 0) return { members, pairings, pens, inbreeding: {}, problems: [] };
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
    pairings,
    pens,
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
export async function bookOf(em: Em, stationId: string, guideId: string) {
  const { guide } = await findGuide(em, stationId, guideId);
  if (!guide.heredity) throw noHeredity();
  const members = await membersOf(em, stationId, guideId);
  return {
    asked: { ...modelOf(guide.heredity), individuals: pedigreeOf(members) },
    members,
    neverMix: guide.heredity.neverMix ?? [],
    /** @throws 400 by the field. */
    memberAt(id: string, field: string): ColonyMember {
      const found = members.find((one) => one.id === id);
      if (found) return found;
      throw badRequest([{ code: 'unknown-individual', message: 'This one is not in the book of the guide.', field }]);
    },
  };
}

export const told = <T>(outcome: Outcome<T>): T => {
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
export const surelyOf = ({ kept: { sex } }: ColonyMember) => (sex?.certainty === 1 ? sex.called : undefined);

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

/** Which records make what one carries what it is. */
export async function reasonsFor(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  { individual, locus }: ReasonsWrite,
): Promise<ReasonsAnswer> {
  const { asked, memberAt } = await bookOf(em, stationId, guideId);
  return told(await pool.ask(stationId, 'reasons', { ...asked, id: memberAt(individual, 'individual').name, locus }));
}

/** Of those that breed at most: the latest written down. */
const MOST_BREED = 120;

/** Generations bred from those that are here, or from some of the book. */
export async function aheadOf(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  { from, ...plan }: SimulateWrite,
): Promise<SimulateAnswer> {
  const { asked, members, memberAt } = await bookOf(em, stationId, guideId);
  const breeders = from
    ? from.map((id, i) => memberAt(id, `from[${i}]`))
    : members.filter(({ kept }) => kept.status === 'here').slice(-MOST_BREED);
  if (!breeders.length) return { generations: [] };
  return told(await pool.ask(stationId, 'simulate', { ...asked, ...plan, from: breeders.map(({ name }) => name) }));
}

/** Of a group at most: more cannot be told apart by keeping one alone after another. */
const MOST_OF_A_GROUP = 60;
/** How likely a sex is wrong that was written as certain. */
const SEX_ERROR = 0.02;

/** Of those of a pen, whose egg it is. */
export async function eggOf(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  { pen, since }: EggWrite,
): Promise<SuspectsAnswer> {
  const { asked, members } = await bookOf(em, stationId, guideId);
  const results = ({ kept }: ColonyMember) => (kept.separations ?? []).filter(({ on, from }) => from === pen && on >= since);
  const group = members.filter((one) => (one.kept.status === 'here' && one.kept.pen === pen) || results(one).length > 0);
  if (!group.length)
    throw badRequest([{ code: 'empty-pen', field: 'pen', message: `Nobody is in “${pen}”, nor was taken from it since.` }]);
  if (group.length > MOST_OF_A_GROUP) {
    const message = `There are ${group.length} in “${pen}”: whose egg it is can be told of up to ${MOST_OF_A_GROUP}.`;
    throw badRequest([{ code: 'too-many', field: 'pen', message }]);
  }
  return told(
    await pool.ask(stationId, 'suspects', {
      ...asked,
      ...{ group: group.map(({ name }) => ({ id: name, weight: 1 })), role: 'mother', phenotypes: {}, sexError: SEX_ERROR },
      separated: group.flatMap((one) => results(one).map(({ found }) => ({ id: one.name, found }))),
    }),
  );
}

/** Individuals whose records are looked at by one question, and looked at in all: the latest written down. */
const AT_ONCE = 20;
const MOST_LOOKED_AT = 400;

/**
 * Records that can be true and are likelier wrong than right.
 *
 * @param isGone nobody waits for the answer any more.
 */
export async function unlikelyOf(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  isGone: () => boolean,
): Promise<BookUnlikely> {
  const { asked, members } = await bookOf(em, stationId, guideId);
  const names = members.slice(-MOST_LOOKED_AT).map(({ name }) => name);
  const all: UnlikelyAnswer[] = [];
  let without: UnlikelyAnswer['without'];
  // One after the other: whatever else is asked meanwhile does not wait for all of them. What cannot be true is found once.
  for (let i = 0; i < names.length && !isGone(); i += AT_ONCE) {
    const of = names.slice(i, i + AT_ONCE);
    const answer = told(await pool.ask(stationId, 'unlikely', { ...asked, of, without: i ? (without ?? []) : undefined }));
    without = answer.without;
    all.push(answer);
  }
  return { records: all.flatMap(({ records }) => records).sort((a, b) => b.p - a.p), ...(without?.length ? { without } : {}) };
}

const noHeredity = () => new HttpProblem(409, { code: 'no-heredity', message: 'The guide does not say how its kinds inherit.' });

const modelOf = ({ system, loci, characters, strains }: HereditySection) => ({
  ...{ system, loci, characters },
  ...(strains ? { strains } : {}),
});
