import {
  hazardsOf,
  type NamedForms,
  posteriorOf,
  sayDifference,
  setAsideBy,
  TELLS,
  type WeighedPosterior,
  worthBetween,
} from '../evidence';
import { type CompiledGuide, hasFacets, type Hazard, isUnder, RANKS, taxonAtRank, taxonIndex } from '../guide/working';
import type { Reading, Situation } from '../observation';
import type { GivenName } from '../specimen';
import { commonest, nearestTo, sideOf, type Telling, tellingMarks } from '../verification';
import type { Look, ReviewOption, WantedView } from './schema';

/** What it costs to miss a taxon that can hurt, in ordinary wrong names, where the guide states no cost of its own. */
const MISSED: Record<Hazard['grade'], number> = { slight: 5, serious: 50, grave: 500 };

/** Views asked for at most. */
const VIEWS = 4;

/** A named record, as far as a reviewer needs it. */
export interface Named {
  situation: Situation;
  readings: readonly Reading[];
  name: GivenName & { taxon: string };
  /** Views of the guide that its pictures show. */
  shown: readonly string[];
}

/**
 * What a reviewer has to say of a named record: the name against what comes nearest, what it would cost to miss what
 * else it may be, and the views that would tell.
 */
export function lookAt(compiled: CompiledGuide, { situation, readings, name, shown }: Named): Look {
  const full = posteriorOf(compiled, situation, readings);
  const { taxon, other, facets } = name;
  const own = sideOf(compiled, { taxon, ...(other ? { other } : {}), facets });
  const rest = { options: [optionOf(compiled, full, name, own)], ...missedBy(compiled, full, own) };
  const rivals = rivalsOf(compiled, full, name, own);
  if (!rivals) return { ...rest, views: [] };
  const [a, b] = rivals.sides;
  const { readings: worth, sum } = worthBetween(full, a.forms, b.forms);
  const best = worth.at(-1);
  const told = rivals.names.map((one) => optionOf(compiled, full, one, sideOf(compiled, calledOf(one))));
  return {
    ...rest,
    options: [...rest.options, ...told],
    ...(rivals.against ? { margin: sum } : {}),
    ...(best && best.bits >= TELLS ? { lead: { character: best.reading.character, bits: best.bits } } : {}),
    views: viewsFor(compiled, { situation, readings, name, shown }, full, [a, b]),
  };
}

const calledOf = ({ taxon, other, facets }: GivenName) => ({ taxon: taxon!, ...(other ? { other } : {}), facets });

function optionOf({ forms }: CompiledGuide, { p }: WeighedPosterior, name: GivenName, side: NamedForms): ReviewOption {
  const best = side.forms.reduce((top, f) => (p[f] > p[top] ? f : top), side.forms[0] ?? 0);
  return { name, p: side.forms.reduce((sum, f) => sum + p[f], 0), form: forms[best]?.id ?? '' };
}

/**
 * The names that it may be instead, and the two sides between which it is to be told: the name and what comes nearest;
 * of a name of two, those; of one that holds several species, the two most probable.
 */
function rivalsOf(
  compiled: CompiledGuide,
  full: WeighedPosterior,
  name: Named['name'],
  own: NamedForms,
): { names: GivenName[]; sides: [NamedForms, NamedForms]; against: boolean } | undefined {
  if (own.forms.length === 0) return undefined;
  const { taxon, other, facets } = name;
  const alone = (id: string): GivenName => ({ qualifier: 'none', taxon: id, facets });
  if (other) {
    const sides = [taxon, other].map((id) => sideOf(compiled, { taxon: id, facets }));
    if (sides.some(({ forms }) => forms.length === 0)) return undefined;
    return { names: [alone(taxon), alone(other)], sides: [sides[0], sides[1]], against: false };
  }
  const { rank } = taxonIndex(compiled.guide).get(taxon)!;
  const [first, second] = RANKS.indexOf(rank) < RANKS.indexOf('species') ? speciesWithin(compiled, full, own) : [];
  if (second) {
    const sides = [first, second].map((id) => sideOf(compiled, { taxon: id, facets }));
    return { names: [alone(first)], sides: [sides[0], sides[1]], against: false };
  }
  const nearest = nearestTo(compiled, full, own.forms);
  if (!nearest) return undefined;
  // Another form of the same taxon goes no further than the name does.
  const above = taxonAtRank(compiled.guide, nearest.taxon, rank)?.id;
  const near =
    nearest.taxon === taxon
      ? { taxon, facets: like(nearest.facets, facets) }
      : { ...nearest, taxon: above === undefined || above === taxon ? nearest.taxon : above };
  const rival: GivenName = { qualifier: 'none', ...near };
  const side = sideOf(compiled, near);
  const owned = new Set(own.forms);
  const forms = side.forms.filter((f) => !owned.has(f));
  if (forms.length === 0) return undefined;
  const both: GivenName =
    near.taxon === taxon
      ? { qualifier: 'none', taxon, facets: shared(facets, near.facets) }
      : { qualifier: 'or', taxon, other: near.taxon, facets: shared(facets, near.facets) };
  return { names: [rival, both], sides: [own, { ...side, forms }], against: true };
}

const like = (given: GivenName['facets'], wanted: GivenName['facets']): GivenName['facets'] =>
  Object.fromEntries(Object.entries(given).filter(([facet]) => facet in wanted));

/** The species of some forms, the most probable first. */
function speciesWithin({ guide, forms }: CompiledGuide, { p }: WeighedPosterior, own: NamedForms): string[] {
  const sums = new Map<string, number>();
  for (const f of own.forms) {
    const id = taxonAtRank(guide, forms[f].taxon, 'species')?.id ?? forms[f].taxon;
    sums.set(id, (sums.get(id) ?? 0) + p[f]);
  }
  return [...sums].sort(([, a], [, b]) => b - a).map(([taxon]) => taxon);
}

/** What two forms have in common: what one is silent on is not said of both. */
const shared = (a: GivenName['facets'], b: GivenName['facets']): GivenName['facets'] =>
  Object.fromEntries(Object.entries(a).filter(([facet, value]) => b[facet as keyof typeof b] === value));

/** What it would cost to miss what else it may be: Σ p × cost over the forms that the name does not mean. */
function missedBy(compiled: CompiledGuide, full: WeighedPosterior, own: NamedForms): Pick<Look, 'missed' | 'danger'> {
  const owned = new Set(own.forms);
  const { guide, forms } = compiled;
  const costs = guide.costs ?? [];
  const hurts = guide.taxa.flatMap((taxon) => (taxon.hazards ?? []).map((hazard) => ({ taxon, hazard })));
  if (costs.length === 0 && hurts.length === 0) return { missed: 0 };
  const dear = new Map<(typeof hurts)[number], { p: number; cost: number }>();
  let missed = 0;
  forms.forEach((form, f) => {
    if (owned.has(f)) return;
    const stated = Math.max(0, ...costs.filter(({ taxon }) => isUnder(guide, form.taxon, taxon)).map(({ weight }) => weight));
    const hurting = hurts
      .filter(({ taxon, hazard }) => isUnder(guide, form.taxon, taxon.id) && hasFacets(form, hazard.facets))
      .sort((a, b) => MISSED[b.hazard.grade] - MISSED[a.hazard.grade])
      .at(0);
    const weight = stated || (hurting ? MISSED[hurting.hazard.grade] : 0);
    missed += full.p[f] * weight;
    if (!hurting) return;
    const { p, cost } = dear.get(hurting) ?? { p: 0, cost: 0 };
    dear.set(hurting, { p: p + full.p[f], cost: cost + full.p[f] * weight });
  });
  const [worst] = [...dear].sort(([, a], [, b]) => b.cost - a.cost);
  if (!worst) return { missed };
  const [{ taxon, hazard }, { p }] = worst;
  if (p < (hazard.threshold ?? guide.settings.danger)) return { missed };
  return { missed, danger: { taxon: taxon.id, name: taxon.name, p, kind: hazard.kind, grade: hazard.grade } };
}

/**
 * Views in which a character would tell the two apart: those not shown yet, and where none of them would, those that
 * are. Nothing is asked for that needs closeness while a dangerous one is possible.
 */
function viewsFor(
  compiled: CompiledGuide,
  { situation, readings, shown }: Named,
  full: WeighedPosterior,
  sides: readonly [NamedForms, NamedForms],
): WantedView[] {
  const hazards = hazardsOf(compiled, full, situation);
  const anyView = { ...situation, views: undefined };
  const read = new Set(readings.map(({ character }) => character));
  const marks = tellingMarks(compiled, read, sides).filter(({ character }) => !setAsideBy(compiled, character, anyView, hazards));
  // What can be looked at goes before what must be touched: nothing is caught for a photograph.
  const touched = ({ character }: Telling) => Number(situation.subject !== 'dead' && character.handling !== 'look');
  marks.sort((a, b) => touched(a) - touched(b));
  const found = new Map<string, WantedView>();
  for (const { character } of marks)
    for (const view of character.views)
      if (!found.has(view)) {
        const text = sayDifference(compiled, commonest(compiled, character.id, sides[0]), sides);
        found.set(view, { view, character: character.id, text });
      }
  const all = [...found.values()];
  const fresh = all.filter(({ view }) => !shown.includes(view));
  return (fresh.length ? fresh : all).slice(0, VIEWS);
}
