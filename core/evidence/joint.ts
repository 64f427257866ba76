import { type CompiledGuide, priorBits, type PriorSetting } from '../guide/working';
import type { Evidence } from './model';
import { type Misread, misreadingsOf } from './oneWrong';
import { sumOfPowers } from './powers';
import type { Reading } from '../observation';
import { leaveOneOut, type Posterior, softmax, type WeighedPosterior, posteriorOf, type Weighed } from './posterior';

/** A lot as it is called: the standing of its taxon, and what it would be without, or with a wrong, reading. */
export interface Joint {
  full: WeighedPosterior;
  without: Posterior[];
  misread: Misread[];
}

/**
 * Several specimens taken to be of one taxon: each is weighed for itself, since
 * they may differ in sex, age or morph, and their likelihoods are multiplied taxon
 * by taxon, P(r | X) = Π_s Σ_f∈X P(f | X) P(r_s | f). Within a taxon, forms stand by
 * the specimens' mean. Places of readings are those in all specimens' lists, one
 * after the other.
 */
export function jointPosterior(
  compiled: CompiledGuide,
  setting: PriorSetting,
  specimens: readonly (readonly Reading[])[],
): Joint {
  const prior = priorBits(compiled, setting);
  const each = specimens.map((readings) => posteriorOf(compiled, setting, readings));
  const taxa = taxaOf(compiled);
  const from = specimens.map((_, s) => specimens.slice(0, s).reduce((sum, readings) => sum + readings.length, 0));
  const replaced = (s: number, by: Posterior): Posterior =>
    joined(
      taxa,
      prior,
      each.map((own, i) => (i === s ? by : own)),
    );
  const whole = joined(taxa, prior, each);
  const weighed = each.flatMap((own, s) =>
    own.weighed.map(({ index, reading, column, counted }): Weighed => ({
      index: from[s] + index,
      reading,
      column: meanInTaxon(taxa, own, column),
      counted: meanInTaxon(taxa, own, counted),
    })),
  );
  const start = whole.bits.slice();
  for (const { counted } of weighed) for (let f = 0; f < start.length; f++) start[f] -= counted.bits[f];
  const outside = weighed.reduce((bits, { counted }) => bits - counted.outside, whole.outsideBits);
  return {
    full: { ...whole, prior: { forms: start, outside }, weighed, dependent: true },
    without: each.flatMap((own, s) => leaveOneOut(compiled, own).map((left) => replaced(s, left))),
    misread: each.flatMap((own, s) =>
      misreadingsOf(compiled, own).map((wrong) => ({
        ...wrong,
        reading: from[s] + wrong.reading,
        standing: replaced(s, wrong.standing),
      })),
    ),
  };
}

/** The forms of each terminal taxon by the names in force. */
function taxaOf({ naming }: CompiledGuide): number[][] {
  const taxa = new Map<string, number[]>();
  naming.of.forEach((taxon, f) => {
    const known = taxa.get(taxon);
    if (known) known.push(f);
    else taxa.set(taxon, [f]);
  });
  return [...taxa.values()];
}

const sumOf = (forms: readonly number[], bitsOf: (form: number) => number): number => sumOfPowers(forms.map(bitsOf));

function joined(
  taxa: readonly number[][],
  prior: { forms: Float64Array; outside: number },
  each: readonly Posterior[],
): Posterior {
  const bits = new Float64Array(prior.forms.length);
  for (const forms of taxa) {
    const mass = sumOf(forms, (f) => prior.forms[f]);
    const own = each.map((standing) => sumOf(forms, (f) => standing.bits[f]));
    const total = own.reduce((sum, b) => sum + b - mass, mass);
    for (const f of forms) {
      const share = each.reduce((sum, standing, s) => sum + 2 ** (standing.bits[f] - own[s]), 0) / each.length;
      bits[f] = total + Math.log2(Math.max(share, 1e-12));
    }
  }
  const outsideBits = each.reduce((sum, standing) => sum + standing.outsideBits - prior.outside, prior.outside);
  return softmax(bits, outsideBits);
}

/** A reading speaks for a taxon as it does for that taxon's forms, by how likely this specimen makes each of them. */
function meanInTaxon(taxa: readonly number[][], { bits }: Posterior, column: Evidence): Evidence {
  const out = new Float64Array(bits.length);
  for (const forms of taxa) {
    const own = sumOf(forms, (f) => bits[f]);
    const mean = forms.reduce((sum, f) => sum + 2 ** (bits[f] - own) * column.bits[f], 0);
    for (const f of forms) out[f] = mean;
  }
  return { bits: out, outside: column.outside };
}
