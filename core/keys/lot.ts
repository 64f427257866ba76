import { valueOf, sayReading, type Situation } from '../observation';
import { posteriorOf, sumOfPowers } from '../evidence';
import { type Character, type CompiledGuide, isStates, taxonIndex } from '../guide/working';
import type { KeyedSpecimen } from './walk/schema';

/** Two specimens of a lot of which one character was read differently. */
export interface LotDisagreement {
  character: string;
  label: string;
  a: { specimen: string; said: string };
  b: { specimen: string; said: string };
}

/** Are the specimens of a lot of one taxon? */
export interface LotUnity {
  disagreements: LotDisagreement[];
  /** Bits for all being of one taxon against the groups being of several; below 0 speaks for a mixed lot. */
  bits: number;
  mixed: boolean;
  /** Specimens that go together, largest first, each with the taxon they fit best. */
  groups: { specimens: string[]; taxon: string; name: string }[];
  text: string;
}

/** Odds of 1 : 10 against one taxon. */
const MIXED = -Math.log2(10);
/** Two values differ when they lie further apart than this many of their combined errors. */
const APART = 3;

/**
 * Compare what each specimen says of the taxa: P(all | one taxon) against the
 * product of P(group | a taxon of its own), the groups being those that fit one
 * taxon best; specimens that all fit the same are held against each for itself. Sexes and ages may differ within a
 * taxon, so a character read differently is shown, but does not alone make a lot mixed.
 */
export function lotUnity(compiled: CompiledGuide, specimens: readonly KeyedSpecimen[], situation: Situation): LotUnity {
  const told = specimens.filter(({ readings }) => readings.some(({ status }) => (status ?? 'seen') === 'seen'));
  const disagreements = disagreementsIn(compiled, specimens);
  if (told.length < 2)
    return {
      disagreements,
      bits: 0,
      mixed: false,
      groups: [],
      text: 'Nothing to compare yet: read characters on two specimens.',
    };
  const taxa = [...new Set(compiled.forms.map(({ taxon }) => taxon))];
  const prior = posteriorOf(compiled, situation, []);
  const massOf = (taxon: string) => compiled.forms.reduce((sum, form, f) => sum + (form.taxon === taxon ? prior.p[f] : 0), 0);
  const masses = taxa.map((taxon) => Math.log2(massOf(taxon) + 1e-12));
  const likelihoods = told.map(({ readings }) => {
    const full = posteriorOf(compiled, situation, readings);
    return taxa.map((taxon, t) =>
      sumOfPowers(
        compiled.forms.flatMap((form, f) =>
          form.taxon === taxon ? [full.bits[f] - full.prior.forms[f] + Math.log2(prior.p[f] + 1e-12) - masses[t]] : [],
        ),
      ),
    );
  });
  const best = likelihoods.map(
    (own) => taxa[own.reduce((lead, b, t) => (b + masses[t] > own[lead] + masses[lead] ? t : lead), 0)],
  );
  const groups = [...new Set(best)]
    .map((taxon) => ({
      specimens: told.filter((_, s) => best[s] === taxon).map(({ id }) => id),
      taxon,
      name: taxonIndex(compiled.guide).get(taxon)!.name,
    }))
    .sort((a, b) => b.specimens.length - a.specimens.length);
  const ofOne = (specimens: readonly number[]) =>
    sumOfPowers(taxa.map((_, t) => masses[t] + specimens.reduce((sum, s) => sum + likelihoods[s][t], 0)));
  const all = told.map((_, s) => s);
  const parts = groups.length > 1 ? groups.map(({ taxon }) => all.filter((s) => best[s] === taxon)) : all.map((s) => [s]);
  const bits = ofOne(all) - parts.reduce((sum, part) => sum + ofOne(part), 0);
  const mixed = bits < MIXED && groups.length > 1;
  return { disagreements, bits, mixed, groups, text: sayUnity(bits, mixed, disagreements.length) };
}

function sayUnity(bits: number, mixed: boolean, disagreements: number): string {
  const odds = `${Math.abs(bits).toFixed(1)} bits`;
  if (mixed) return `This looks like a mixed lot: ${odds} against all being one taxon.`;
  if (disagreements > 0)
    return `Some characters differ between specimens, as they may within one taxon (${odds} ${bits < 0 ? 'against' : 'for'} its being one).`;
  return bits < 0
    ? `Nothing differs that tells taxa apart (${odds} against its being one).`
    : `The specimens agree (${odds} for their being one taxon).`;
}

function disagreementsIn(compiled: CompiledGuide, specimens: readonly KeyedSpecimen[]): LotDisagreement[] {
  return compiled.guide.characters.flatMap((character): LotDisagreement[] => {
    const read = specimens.flatMap(({ id, readings }) => {
      const reading = readings.findLast(
        (one) => one.character === character.id && (one.status ?? 'seen') === 'seen' && !one.comparison,
      );
      return reading ? [{ specimen: id, reading }] : [];
    });
    for (let i = 0; i < read.length; i++) {
      for (let j = i + 1; j < read.length; j++) {
        if (!differ(character, read[i].reading, read[j].reading)) continue;
        const say = ({ specimen, reading }: (typeof read)[number]) => ({ specimen, said: sayReading(character, reading) });
        return [{ character: character.id, label: character.label, a: say(read[i]), b: say(read[j]) }];
      }
    }
    return [];
  });
}

type Read = KeyedSpecimen['readings'][number];

/** No state in common, or counts that differ; measured sizes vary within a taxon, and only proportions far apart differ. */
function differ(character: Character, a: Read, b: Read): boolean {
  if (isStates(character)) return !a.states?.some((state) => b.states?.includes(state));
  if (character.kind === 'count') return a.value !== b.value;
  if (character.kind === 'measurement') return false;
  const [va, vb] = [valueOf(character, a), valueOf(character, b)];
  return Boolean(va && vb && Math.abs(va.value - vb.value) > APART * Math.hypot(va.error, vb.error, (character.error ?? 0) * 2));
}
