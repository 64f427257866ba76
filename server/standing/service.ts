import type { StandingRequest } from '@plesion/contract';
import type { Problem } from '@plesion/core';
import { checkReadings, type Reading, type Situation } from '@plesion/core/observation';
import { type Standing } from '@plesion/core/evidence';
import type { Guide, Judgement } from '@plesion/core/guide';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import type { AnalysisPool } from '../analysis/pool';

/** A situation may name only places and views that the guide knows. */
export function checkSituation(guide: Guide, situation: Situation): Problem[] {
  const problems: Problem[] = [];
  const known = (list: readonly { id: string }[], id: string | undefined, field: string, what: string) => {
    if (id !== undefined && !list.some((item) => item.id === id)) {
      problems.push({
        code: `unknown-${what}`,
        message: `There is no ${what} “${id}” in this guide.`,
        field: `situation.${field}`,
      });
    }
  };
  known(guide.regions, situation.region, 'region', 'region');
  known(guide.habitats, situation.habitat, 'habitat', 'habitat');
  situation.views?.forEach((view) => known(guide.views, view, 'views', 'view'));
  situation.circumstances?.forEach((id) => known(guide.circumstances ?? [], id, 'circumstances', 'circumstance'));
  situation.company?.forEach((id) => known(guide.company ?? [], id, 'company', 'company'));
  return problems;
}

/** Everything in readings, situation and judgement that the guide does not know or that cannot be. */
export function checkAgainst(
  guide: Guide,
  situation: Situation,
  readings: readonly Reading[],
  judgement: Judgement = {},
  root: 'judgement.' | '' = 'judgement.',
): void {
  const problems = [
    ...checkReadings(guide, readings),
    ...checkSituation(guide, situation),
    ...checkJudgement(guide, judgement).map((problem) => ({ ...problem, field: root + problem.field })),
  ];
  if (problems.length > 0) throw badRequest(problems);
}

export async function standingFor(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  { situation = {}, readings, level, keyed, ...judgement }: StandingRequest,
): Promise<Standing> {
  const { guide, hash } = await findGuide(em, stationId, guideId);
  const named = withNames(guide, readings);
  checkAgainst(guide, situation, named, judgement, '');
  checkLevel(guide, level);
  return pool.ask(stationId, 'standing', { situation, readings: named, level, judgement, keyed }, { guide, hash });
}

/** Readings may call characters and states by their labels: the columns and entries of a table a guide was learned from. */
function withNames(guide: Guide, readings: readonly Reading[]): Reading[] {
  const find = <T extends { id: string; label: string }>(list: readonly T[], name: string): T | undefined =>
    list.find(({ id }) => id === name) ?? list.find(({ label }) => label === name);
  return readings.map((reading) => {
    const character = find(guide.characters, reading.character);
    if (!character) return reading;
    const entries = character.states ?? [];
    const states = reading.states?.map((state) => find(entries, state)?.id ?? state);
    // A column of codes such as 0 and 1 is told by its entries; its cells are still numbers to whoever has the table.
    const code = reading.value === undefined ? undefined : find(entries, String(reading.value));
    if (code) return { ...reading, character: character.id, states: [code.id], value: undefined };
    return { ...reading, character: character.id, ...(states ? { states } : {}) };
  });
}

function checkJudgement(guide: Guide, { policy, treatment, cross, reader }: Judgement): (Problem & { field: string })[] {
  const sources = new Set(guide.sources.map((source) => source.id));
  const named = policy
    ? [...(policy.kind === 'prefer' ? policy.order : Object.keys(policy.weights)), ...(policy.exclude ?? [])]
    : [];
  const problems: (Problem & { field: string })[] = [];
  const report = (code: string, message: string, field: string) => problems.push({ code, message, field });
  const unknown = named.find((source) => !sources.has(source));
  if (unknown) report('unknown-source', `There is no source “${unknown}” in this guide.`, 'policy');
  if (policy?.exclude && guide.sources.every((source) => policy.exclude!.includes(source.id))) {
    report('no-source', 'Every source is left out; keep at least one.', 'policy.exclude');
  }
  const both = policy?.kind === 'prefer' && policy.exclude?.find((source) => policy.order.includes(source));
  if (both) report('source-both-ways', `“${both}” is both preferred and left out; choose one.`, 'policy.exclude');
  if (treatment !== undefined && !guide.treatments?.some(({ id }) => id === treatment)) {
    report('unknown-treatment', `There is no treatment “${treatment}” in this guide.`, 'treatment');
  }
  cross?.forEach((parent, i) => {
    if (!guide.taxa.some(({ id, forms }) => id === parent && forms)) {
      report('unknown-taxon', `There is no taxon “${parent}” with forms of its own in this guide.`, `cross[${i}]`);
    }
  });
  const unread = Object.keys(reader?.rho ?? {}).find((id) => !guide.characters.some((character) => character.id === id));
  if (unread !== undefined) report('unknown-character', `There is no character “${unread}” in this guide.`, 'reader.rho');
  if (cross && cross[0] === cross[1]) report('cross-with-itself', 'A cross needs two different taxa.', 'cross');
  return problems;
}

function checkLevel(guide: Guide, level: StandingRequest['level']): void {
  if (level?.kind === 'facet' && !guide.facets[level.facet]) {
    throw badRequest([{ code: 'unknown-level', message: `This guide does not tell ${level.facet}.`, field: 'level.facet' }]);
  }
  if (level?.kind === 'rank' && !guide.taxa.some((taxon) => taxon.rank === level.rank)) {
    throw badRequest([{ code: 'unknown-level', message: `This guide has no ${level.rank}.`, field: 'level.rank' }]);
  }
}
