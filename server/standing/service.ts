import type { StandingRequest } from '@plesion/contract';
import type { Problem } from '@plesion/core';
import { checkReadings, type Assessment, type Reading } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import type { Situation } from '@plesion/core/specimen';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import type { WeighPool } from './pool';

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
  return problems;
}

/** Everything in readings and situation that the guide does not know or that cannot be. */
export function checkAgainst(guide: Guide, situation: Situation, readings: readonly Reading[]): void {
  const problems = [...checkReadings(guide, readings), ...checkSituation(guide, situation)];
  if (problems.length > 0) throw badRequest(problems);
}

export async function standingFor(
  em: Em,
  pool: WeighPool,
  stationId: string,
  guideId: string,
  asked: StandingRequest,
): Promise<Assessment> {
  const { guide, hash } = await findGuide(em, stationId, guideId);
  const situation = asked.situation ?? {};
  checkAgainst(guide, situation, asked.readings);
  checkPolicy(guide, asked);
  return pool.weigh({ guide, hash, situation, readings: asked.readings, level: asked.level, policy: asked.policy });
}

function checkPolicy(guide: Guide, { policy, level }: StandingRequest): void {
  const sources = new Set(guide.sources.map((source) => source.id));
  const named = policy
    ? [...(policy.kind === 'prefer' ? policy.order : Object.keys(policy.weights)), ...(policy.exclude ?? [])]
    : [];
  const unknown = named.find((source) => !sources.has(source));
  if (unknown)
    throw badRequest([{ code: 'unknown-source', message: `There is no source “${unknown}” in this guide.`, field: 'policy' }]);
  if (policy?.exclude && guide.sources.every((source) => policy.exclude!.includes(source.id))) {
    throw badRequest([{ code: 'no-source', message: 'Every source is left out; keep at least one.', field: 'policy.exclude' }]);
  }
  if (level?.kind === 'facet' && !guide.facets[level.facet]) {
    throw badRequest([{ code: 'unknown-level', message: `This guide does not tell ${level.facet}.`, field: 'level.facet' }]);
  }
  if (level?.kind === 'rank' && !guide.taxa.some((taxon) => taxon.rank === level.rank)) {
    throw badRequest([{ code: 'unknown-level', message: `This guide has no ${level.rank}.`, field: 'level.rank' }]);
  }
}
