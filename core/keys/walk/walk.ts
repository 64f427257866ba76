import type { TrailStep, KeyEndpoint, Walk, CoupletAnswer, KeyedSpecimen, LeadStanding } from './schema';
import type { Situation } from '../../observation';
import type { CompiledGuide } from '../../guide/working';
import { coupletIndex, endingsBelow, endpointId, nextOf, topological } from '../graph';
import type { Couplet, Destination, Key, Lead } from '../schema';
import { backCheckOf } from './backCheck';
import { beyondOf } from './beyond';
import { endpointEvidence } from './evidence';
import { findingOf } from './finding';
import { keyCallOf } from './keyCall';
import { misstepsOf } from './missteps';
import { withTicked } from './readings';
import { leadChances, supportOf, takenIndex } from './support';

export interface WalkRequest {
  key: Key;
  /** The guide behind the key, compiled for the situation. */
  compiled?: CompiledGuide;
  answers: readonly CoupletAnswer[];
  specimens: readonly KeyedSpecimen[];
  situation?: Situation;
  /** Begin at a later couplet, when the group is known already. */
  start?: string;
}

/** Endings less probable than this are not listed. */
const LEAST = 1e-6;

/**
 * Walk a key as far as it was answered. Every lead of every couplet has a
 * probability of being right (see `leadChances`); the mass of 1 that enters at the
 * start is passed on along them, so that the endings' probabilities, with what is
 * lost, sum to 1.
 */
export function walkKey({ key, compiled, answers, specimens: given, situation = {}, start = key.start }: WalkRequest): Walk {
  const characters = new Map(compiled?.guide.characters.map((character) => [character.id, character]));
  const specimens = withTicked(key, answers, given, characters);
  const byCouplet = new Map(answers.map((answer) => [answer.couplet, answer]));
  const { order, circular } = topological(key, start);
  const closed: ReadonlySet<Lead> = new Set(circular.map(({ lead }) => lead));
  const below = endingsBelow(key);
  const standings = new Map<string, LeadStanding[]>();
  const chances = new Map<string, number[]>();
  for (const couplet of order) {
    const leads = leadStandings(couplet, byCouplet.get(couplet.id));
    standings.set(couplet.id, leads);
    chances.set(
      couplet.id,
      leads.map(({ p }) => p),
    );
  }

  function leadStandings(couplet: Couplet, answer: CoupletAnswer | undefined): LeadStanding[] {
    const findings = couplet.leads.map((lead) =>
      lead.statements.flatMap((statement) => findingOf(statement, answer, specimens, characters) ?? []),
    );
    const supports = couplet.leads.map((lead, i) => supportOf(lead, findings[i]));
    const endings = couplet.leads.map(({ to }) => (to.kind === 'couplet' ? (below.get(to.couplet) ?? 1) : 1));
    const p = leadChances(couplet, supports, answer, endings);
    return couplet.leads.map((lead, i) => ({ lead: lead.id, support: supports[i], p: p[i], findings: findings[i] }));
  }

  const { masses, endings, lost } = passMass(key, order, chances, closed, start);
  const walked = follow(key, order, byCouplet, standings, masses, start);
  const evidence = compiled && endpointEvidence(key, compiled, specimens, situation);
  const endpoints = [...endings.values()]
    .filter(({ p }) => p > LEAST)
    .map(({ to, p }) => endpointOf(to, p, evidence?.pOf(endpointId(to)!)))
    .sort((a, b) => b.p - a.p);
  const reachedTo = walked.at === null ? walked.end : undefined;
  const reachedId = reachedTo && endpointId(reachedTo);
  const reached = endpoints.find(({ taxon }) => taxon === reachedId);
  const backCheck = reachedTo && backCheckOf(key, compiled, specimens, situation, evidence, walked.trail, reachedTo);
  return {
    at: walked.at,
    ...(walked.at ? { here: standings.get(walked.at)! } : {}),
    open: walked.open,
    trail: walked.trail,
    endpoints,
    lost,
    ...(reached ? { reached } : {}),
    missteps: misstepsOf(key, walked.trail, reachedId ?? endpoints[0]?.taxon, chances, closed, evidence, compiled?.guide),
    ...(backCheck ? { backCheck } : {}),
    ...(reached && backCheck ? { call: keyCallOf(compiled, situation, specimens, walked.trail, reached, backCheck) } : {}),
    beyond: reachedTo ? beyondOf(key, compiled?.guide, situation, specimens, compiled, reachedTo) : [],
    readings: specimens.map(({ id, readings }) => ({ specimen: id, readings: [...readings] })),
  };
}

function endpointOf(to: Destination, p: number, byReadings: number | undefined): KeyEndpoint {
  const name = to.kind === 'taxon' ? to.name : to.kind === 'key' ? `key to ${to.title}` : '';
  return { taxon: endpointId(to)!, name, p, ...(byReadings === undefined ? {} : { byReadings }) };
}

/** The mass of 1 passed on from the start along the leads. */
function passMass(
  key: Key,
  order: readonly Couplet[],
  chances: ReadonlyMap<string, readonly number[]>,
  closed: ReadonlySet<Lead>,
  start: string,
) {
  const masses = new Map<string, number>([[start, 1]]);
  const endings = new Map<string, { to: Destination; p: number }>();
  let lost = order.length === 0 ? 1 : 0;
  for (const couplet of order) {
    const mass = masses.get(couplet.id) ?? 0;
    if (couplet.leads.length === 0) lost += mass;
    couplet.leads.forEach((lead, i) => {
      const p = mass * chances.get(couplet.id)![i];
      const id = endpointId(lead.to);
      if (id !== undefined) {
        const known = endings.get(id);
        if (known) known.p += p;
        else endings.set(id, { to: lead.to, p });
      } else if (lead.to.kind === 'couplet' && nextOf(key, lead) && !closed.has(lead)) {
        masses.set(lead.to.couplet, (masses.get(lead.to.couplet) ?? 0) + p);
      } else lost += p;
    });
  }
  return { masses, endings, lost };
}

/** The couplets that were answered on the ways that are open, and where to decide next. */
function follow(
  key: Key,
  order: readonly Couplet[],
  answers: ReadonlyMap<string, CoupletAnswer>,
  standings: ReadonlyMap<string, LeadStanding[]>,
  masses: ReadonlyMap<string, number>,
  start: string,
) {
  const open = new Set([start]);
  const trail: TrailStep[] = [];
  const frontier: { couplet: string; p: number }[] = [];
  const ends: { to: Destination; p: number }[] = [];
  for (const couplet of order) {
    if (!open.has(couplet.id)) continue;
    const answer = answers.get(couplet.id);
    const taken = takenIndex(couplet, answer);
    const leads = standings.get(couplet.id)!;
    if (taken === undefined && !answer?.fork) {
      frontier.push({ couplet: couplet.id, p: masses.get(couplet.id) ?? 0 });
      continue;
    }
    trail.push({
      couplet: couplet.id,
      number: couplet.number,
      ...(taken === undefined ? {} : { lead: couplet.leads[taken].id }),
      forked: taken === undefined,
      ...(answer!.certainty ? { certainty: answer!.certainty } : {}),
      leads,
      ...(answer!.note ? { note: answer!.note } : {}),
    });
    couplet.leads.forEach(({ to }, i) => {
      const goes = taken === undefined ? leads[i].p > 0 : i === taken;
      if (!goes) return;
      if (to.kind === 'couplet' && coupletIndex(key).has(to.couplet)) open.add(to.couplet);
      else ends.push({ to, p: (masses.get(couplet.id) ?? 0) * leads[i].p });
    });
  }
  frontier.sort((a, b) => b.p - a.p);
  ends.sort((a, b) => b.p - a.p);
  return { trail, at: frontier[0]?.couplet ?? null, open: frontier.slice(1), end: ends[0]?.to };
}
