import { seeded } from '../probability';
import { fromPrior, groupByRank, groupMasses, ranked } from '../evidence';
import type { CompiledGuide } from '../guide';
import { priorBits } from '../guide/working';
import { drawnSpecimen } from './drawnSpecimens';

/** What was said of many specimens whose truth is known. */
export interface CalledOver {
  /** Of the species said at 88 to 92 in 100: how many, and how many were right. */
  about: { n: number; right: number };
  /** Of the species that pass the guide's posterior: how many, and how many were wrong. */
  named: { n: number; wrong: number };
}

/** Draw specimens of a guide, weigh each, and hold the leading species against the truth. */
export function calledOver(compiled: CompiledGuide, specimens: number, seed: string, misreading = 1): CalledOver {
  const { posterior } = compiled.guide.settings.call;
  const species = groupByRank(compiled, 'species');
  const prior = priorBits(compiled, {});
  const random = seeded(`${seed} ${compiled.guide.id}`);
  const about = { n: 0, right: 0 };
  const named = { n: 0, wrong: 0 };
  for (let i = 0; i < specimens; i++) {
    const { form, readings } = drawnSpecimen(compiled, random, { share: 0.25, onePerGroup: true, misreading });
    const masses = groupMasses(species, fromPrior(compiled, prior, readings).p);
    const [lead] = ranked(masses);
    const right = species.of[form] === lead;
    if (masses[lead] >= posterior) {
      named.n++;
      if (!right) named.wrong++;
    }
    if (masses[lead] < 0.88 || masses[lead] > 0.92) continue;
    about.n++;
    if (right) about.right++;
  }
  return { about, named };
}
