import { type NamedForms, posteriorOf, sayDifference, TELLS, type WeighedPosterior, worthBetween } from '../evidence';
import { type CompiledGuide, facetsAgree, type Guide, isFormOf, isUnder, keepNewest, sayFacets } from '../guide/working';
import type { Reading, Situation } from '../observation';
import type { Called, Judged, MarkWorth } from './schema';
import { commonest, tellingMarks } from './telling';

/**
 * Did it turn out to be what it was called? Nothing, where the outcome does not go as far as the name: a genus
 * found where a species was called. A facet that the outcome is silent on is not held against the name.
 */
export function turnedOut(guide: Pick<Guide, 'taxa'>, { taxon, other, facets }: Called, truth: Called): boolean | undefined {
  const called = other === undefined ? [taxon] : [taxon, other];
  if (!called.some((one) => isUnder(guide, truth.taxon, one)))
    return called.some((one) => isUnder(guide, one, truth.taxon)) ? undefined : false;
  return facetsAgree(facets, truth.facets);
}

/** A name that was given, and on what. */
export interface Call {
  determination: string;
  called: Called;
  by: string;
  at: string;
  p: number;
  situation: Situation;
  readings: readonly Reading[];
}

/**
 * What a call rested on, held against what it turned out to be: each reading's bits between the two, as they add up
 * to the odds when the name was given.
 *
 * @param compiled The guide as it was, for the situation and judgement of the call.
 * @param after What has been read of it by now: the mark that told in the end may be among it.
 * @returns Nothing where the outcome does not go as far as the name, or the guide has no form of either.
 */
export function judge(compiled: CompiledGuide, call: Call, truth: Called, after: readonly Reading[]): Judged | undefined {
  const { determination, called, by, at, p, situation, readings } = call;
  const right = turnedOut(compiled.guide, called, truth);
  if (right === undefined) return undefined;
  const full = posteriorOf(compiled, situation, readings);
  const { own, other: otherwise } = sidesOf(compiled, called, truth);
  const other = right ? nearest(compiled, full, own) : otherwise;
  if (own.forms.length === 0 || other.forms.length === 0) return undefined;
  const { readings: marks, sum } = worthBetween(full, own.forms, other.forms);
  return {
    ...{ determination, called, by, at, p, right, margin: -sum, marks },
    ...(right
      ? {}
      : { misled: sayMisled(compiled, marks, [other, own], -sum), told: whatTold(compiled, call, after, [own, other]) }),
  };
}

/**
 * What it was, and what it was called and was not. Of the outcome's facets only those count that the name has too: who
 * named a species is not held against a sex.
 */
export function sidesOf(compiled: CompiledGuide, called: Called, truth: Called): { own: NamedForms; other: NamedForms } {
  const named = Object.entries(truth.facets).filter(([facet]) => facet in called.facets);
  const own = sideOf(compiled, { ...truth, facets: Object.fromEntries(named) });
  return { own, other: without(sideOf(compiled, called), own) };
}

/** May a name mean a form? */
export const mayMean = (guide: Guide, { taxon, other, facets }: Called, form: CompiledGuide['forms'][number]): boolean =>
  (other === undefined ? [taxon] : [taxon, other]).some((id) => isFormOf(guide, form, id, facets));

/** Sides that were asked for of a guide: the same few names come again and again, and a guide may have thousands of forms. */
const known = new WeakMap<CompiledGuide, Map<string, NamedForms>>();
const KEPT = 200;

/** The forms that a name may mean, as one would say it. */
export function sideOf(compiled: CompiledGuide, called: Called): NamedForms {
  const kept = known.get(compiled) ?? new Map<string, NamedForms>();
  known.set(compiled, kept);
  return keepNewest(kept, JSON.stringify(called), KEPT, () => formsMeant(compiled, called));
}

function formsMeant({ guide, forms }: CompiledGuide, called: Called): NamedForms {
  const { taxon, other, facets } = called;
  const taxa = other === undefined ? [taxon] : [taxon, other];
  const label = taxa.map((id) => nameOf(guide, id)).join(' or ');
  const more = sayFacets(guide, facets);
  return {
    forms: forms.flatMap((form, f) => (mayMean(guide, called, form) ? [f] : [])),
    label: more ? `${label}, ${more}` : label,
  };
}

const nameOf = (guide: Guide, id: string): string => {
  const taxon = guide.taxa.find((one) => one.id === id);
  return taxon?.vernacular ?? taxon?.name ?? id;
};

/** What is called may hold what it was: the two sides must not overlap. */
function without(side: NamedForms, { forms }: NamedForms): NamedForms {
  const left = new Set(forms);
  return { ...side, forms: side.forms.filter((f) => !left.has(f)) };
}

/** What comes nearest to some forms: another taxon, or another form of the same. */
export function nearestTo(compiled: CompiledGuide, { bits }: WeighedPosterior, own: readonly number[]): Called | undefined {
  const owned = new Set(own);
  const others = compiled.forms.flatMap((_, f) => (owned.has(f) ? [] : [f]));
  if (others.length === 0) return undefined;
  const { taxon, facets } = compiled.forms[others.reduce((best, f) => (bits[f] > bits[best] ? f : best))];
  return { taxon, facets: own.some((f) => compiled.forms[f].taxon === taxon) ? facets : {} };
}

function nearest(compiled: CompiledGuide, full: WeighedPosterior, own: NamedForms): NamedForms {
  const called = nearestTo(compiled, full, own.forms);
  return called ? without(sideOf(compiled, called), own) : { forms: [], label: '' };
}

type Sides = readonly [NamedForms, NamedForms];

function sayMisled(compiled: CompiledGuide, [worst]: readonly MarkWorth[], sides: Sides, margin: number): string {
  if (worst && worst.bits <= -TELLS) return sayDifference(compiled, worst.reading, sides);
  if (margin > 0) return 'No mark pulled the wrong way: map, date and how often each is met did.';
  return 'No mark pulled the wrong way: the name was given against what had been read.';
}

/** What has been read by now and told most; where nothing has, what would have told best. */
function whatTold(compiled: CompiledGuide, { situation }: Call, after: readonly Reading[], sides: Sides): Judged['told'] {
  const [own, other] = sides;
  const best = worthBetween(posteriorOf(compiled, situation, after), own.forms, other.forms).readings.at(-1);
  if (best && best.bits >= TELLS)
    return { character: best.reading.character, read: true, text: sayDifference(compiled, best.reading, sides) };
  const [would] = tellingMarks(compiled, new Set(after.map(({ character }) => character)), sides);
  if (!would) return undefined;
  return {
    character: would.character.id,
    read: false,
    text: sayDifference(compiled, commonest(compiled, would.character.id, own), sides),
  };
}
