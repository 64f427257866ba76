import { posteriorOf, sumOfPowers } from '../../evidence';
import { type CompiledGuide, placesOf } from '../../guide/working';
import type { Situation } from '../../observation';
import { endpointId, endpointsOf } from '../graph';
import type { Key } from '../schema';
import type { KeyedSpecimen } from './schema';

/** How well the readings of all specimens fit each ending of a key. */
export interface EndpointEvidence {
  /** log2 P(readings | ending); undefined for endings that the guide does not know. */
  bitsOf: (endpoint: string) => number | undefined;
  /** P(ending | readings) among the endings known to the guide. */
  pOf: (endpoint: string) => number | undefined;
  /** The forms of an ending, with their probabilities by the readings of one specimen. */
  formsOf: (endpoint: string) => readonly number[];
}

/**
 * Specimens of a lot may differ in sex or age, so each is weighed for itself and
 * their likelihoods are multiplied taxon by taxon: P(r | X) = Π_s Σ_f∈X w_f P(r_s | f).
 */
export function endpointEvidence(
  key: Key,
  compiled: CompiledGuide,
  specimens: readonly KeyedSpecimen[],
  situation: Situation,
): EndpointEvidence {
  const forms = new Map<string, number[]>();
  for (const to of endpointsOf(key)) {
    const id = endpointId(to)!;
    if (to.kind !== 'taxon' || to.taxon === undefined) continue;
    const inside = placesOf(compiled, to.taxon, to.facets);
    if (inside.length) forms.set(id, inside);
  }
  const told = specimens
    .filter(({ readings }) => readings.length > 0)
    .map(({ readings }) => posteriorOf(compiled, situation, readings));
  const prior = posteriorOf(compiled, situation, []);
  const bits = new Map<string, number>();
  const posterior = new Map<string, number>();
  for (const [id, own] of forms) {
    const mass = own.reduce((sum, f) => sum + prior.p[f], 0) || 1e-12;
    const total = told.reduce((sum, full) => {
      const likelihoods = own.map((f) => full.bits[f] - full.prior.forms[f] + Math.log2(prior.p[f] / mass + 1e-12));
      return sum + sumOfPowers(likelihoods);
    }, 0);
    bits.set(id, total);
    posterior.set(id, total + Math.log2(mass));
  }
  const all = sumOfPowers([...posterior.values()]);
  return {
    bitsOf: (id) => bits.get(id),
    pOf: (id) => (posterior.has(id) ? 2 ** (posterior.get(id)! - all) : undefined),
    formsOf: (id) => forms.get(id) ?? [],
  };
}
