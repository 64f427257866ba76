import { isStates } from './check';
import { withinDates } from './dates';
import { type Form, formsOf, hasFacets, lineage } from './forms';
import { parseRange, rangeSpread } from './ranges';
import type { Character, Guide, Score, ScoreValue, SourcePolicy } from './schema';
import { type Resolved, type StatesTable, statesTable, type Table, valuesTable } from './tables';
import { DEFAULT_WORDS, frequencyNumber, type FrequencyWord, spreadFrequencies } from './words';
import { normalMass } from '../chance';

/** Where and when, as far as scores may be scoped to it. */
export interface Setting {
  region?: string;
  /** `YYYY-MM-DD` or `MM-DD`. */
  date?: string;
}

/** A guide resolved for one setting and source policy, ready to weigh readings. */
export interface CompiledGuide {
  guide: Guide;
  forms: Form[];
  /** Abundance × share of each form, sum 1: the weights of the guide-wide predictive. */
  base: Float64Array;
  tables: Map<string, Table>;
  policy: SourcePolicy;
  setting: Setting;
  /** Columns of readings already weighed; see `evidence/column`. */
  columns: Map<string, { bits: Float64Array; outside: number }>;
}

/**
 * Resolve, for every form and character, the score whose scope is most specific
 * (taxon depth, then number of facets, then region, then dates), source by source,
 * and bring the sources together under the policy.
 */
export function compileGuide(guide: Guide, setting: Setting = {}, policy: SourcePolicy = guide.policy): CompiledGuide {
  const forms = formsOf(guide);
  const base = baseWeights(guide, forms);
  const words = { ...DEFAULT_WORDS, ...guide.settings.words };
  const order = sourceOrder(guide, policy);
  const depth = new Map(guide.taxa.map((taxon) => [taxon.id, lineage(guide, taxon.id).length]));
  const ancestors = forms.map((form) => new Set(lineage(guide, form.taxon).map((taxon) => taxon.id)));
  const byCharacter = scoresByCharacter(guide.scores);
  const tables = new Map<string, Table>();

  for (const character of guide.characters) {
    const scores = (byCharacter.get(character.id) ?? [])
      .filter((score) => order.includes(score.source) && holdsIn(score, setting))
      .sort((a, b) => specificity(a, depth) - specificity(b, depth));
    const states = stateIds(character);
    const painted = order.map((source) => ({
      source,
      values: paint(
        scores.filter((s) => s.source === source && s.value.kind !== 'applies'),
        forms,
        ancestors,
      ),
    }));
    const resolved = forms.map((_, f) =>
      combine(
        painted.flatMap(({ source, values }) => {
          const score = values[f];
          return score ? [{ source, value: resolve(score.value, character, states, words) }] : [];
        }),
        policy,
      ),
    );
    const table = states
      ? statesTable(character, states, resolved, base, guide.settings)
      : valuesTable(character, resolved, base);
    table.applies = appliesOf(scores, forms, ancestors, words);
    tables.set(character.id, table);
  }
  return { guide, forms, base, tables, policy, setting, columns: new Map() };
}

function scoresByCharacter(scores: readonly Score[]): Map<string, Score[]> {
  const groups = new Map<string, Score[]>();
  for (const score of scores) {
    const group = groups.get(score.character);
    if (group) group.push(score);
    else groups.set(score.character, [score]);
  }
  return groups;
}

function baseWeights(guide: Guide, forms: readonly Form[]): Float64Array {
  const abundance = new Map(guide.taxa.map((taxon) => [taxon.id, taxon.abundance]));
  const weights = Float64Array.from(forms, (form) => (abundance.get(form.taxon) ?? 1) * form.share);
  const total = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / total);
}

/** The sources in use, in the order they are asked. */
function sourceOrder(guide: Guide, policy: SourcePolicy): string[] {
  const excluded = new Set(policy.exclude ?? []);
  const named = policy.kind === 'prefer' ? policy.order : [];
  const rest = guide.sources.map((source) => source.id).filter((id) => !named.includes(id));
  return [...named, ...rest].filter((id) => !excluded.has(id));
}

/** A score scoped to a region or to dates holds only when the setting is known to be within them. */
export function holdsIn(score: Pick<Score, 'scope'>, setting: Setting): boolean {
  const { regions, dates } = score.scope;
  if (regions && !(setting.region && regions.includes(setting.region))) return false;
  return !(dates && !(setting.date && withinDates(setting.date, dates)));
}

function specificity(score: Score, depth: Map<string, number>): number {
  const { taxon, facets, regions, dates } = score.scope;
  return (
    (taxon ? (depth.get(taxon) ?? 0) : 0) * 1000 + Object.keys(facets ?? {}).length * 10 + (regions ? 2 : 0) + (dates ? 1 : 0)
  );
}

/** Lay scores over the forms, the general first, so that the most specific stays on top. */
function paint(scores: readonly Score[], forms: readonly Form[], ancestors: readonly Set<string>[]): (Score | undefined)[] {
  const top: (Score | undefined)[] = new Array(forms.length).fill(undefined);
  for (const score of scores) {
    for (let f = 0; f < forms.length; f++) {
      if (score.scope.taxon && !ancestors[f].has(score.scope.taxon)) continue;
      if (hasFacets(forms[f], score.scope.facets)) top[f] = score;
    }
  }
  return top;
}

function appliesOf(
  scores: readonly Score[],
  forms: readonly Form[],
  ancestors: readonly Set<string>[],
  words: Record<FrequencyWord, number>,
): Float64Array | undefined {
  const about = scores.filter((score) => score.value.kind === 'applies');
  if (about.length === 0) return undefined;
  const top = paint(about, forms, ancestors);
  return Float64Array.from(top, (score) =>
    score?.value.kind === 'applies' ? frequencyNumber(score.value.frequency, words) : words.always,
  );
}

/** State ids of a character told by states or counts; undefined for values. */
export function stateIds(character: Character): string[] | undefined {
  if (isStates(character)) return character.states!.map((state) => state.id);
  if (character.kind !== 'count') return undefined;
  const { from, to } = character.counts!;
  return Array.from({ length: to - from + 1 }, (_, i) => String(from + i));
}

function resolve(
  value: ScoreValue,
  character: Character,
  states: string[] | undefined,
  words: Record<FrequencyWord, number>,
): Resolved {
  switch (value.kind) {
    case 'states':
      return states && { p: spreadFrequencies(states, value.states, words).p };
    case 'counts':
      return states && { p: spreadFrequencies(states, value.counts, words).p };
    case 'range': {
      const range = parseRange(value.range);
      if (!range.ok) return undefined;
      const spread = rangeSpread(range.value, character.log ?? false);
      return states ? { p: countFrequencies(states, spread) } : spread;
    }
    case 'values': {
      if (states) return { p: countFrequencies(states, value) };
      if (!character.log) return { mean: value.mean, sd: value.sd };
      const variance = Math.log(1 + (value.sd / value.mean) ** 2);
      return { mean: Math.log(value.mean) - variance / 2, sd: Math.sqrt(variance) };
    }
    case 'applies':
      return undefined;
  }
}

/** A spread of values cut into whole counts, with 2 % in a four times wider part. */
function countFrequencies(states: readonly string[], spread: { mean: number; sd: number }): number[] {
  const raw = states.map((state) => {
    const k = Number(state);
    const within = (scale: number) => normalMass(k - 0.5, k + 0.5, spread.mean, spread.sd * scale);
    return 0.98 * within(1) + 0.02 * within(4);
  });
  const total = raw.reduce((a, b) => a + b, 0);
  return raw.map((p) => (total > 0 ? p / total : 1 / states.length));
}

/**
 * *prefer*: the first source that says anything. *pool*: the linear opinion pool
 * (Stone 1961); for values the pool's mean and variance stand for the mixture.
 */
function combine(said: { source: string; value: Resolved }[], policy: SourcePolicy): Resolved {
  const heard = said.filter((s): s is { source: string; value: NonNullable<Resolved> } => s.value !== undefined);
  if (heard.length <= 1 || policy.kind === 'prefer') return heard[0]?.value;
  const weights = heard.map(({ source }) => policy.weights[source] ?? 1);
  const total = weights.reduce((a, b) => a + b, 0);
  const share = weights.map((w) => w / total);
  const first = heard[0].value;
  if ('p' in first) {
    return {
      p: Array.from(first.p, (_, s) => heard.reduce((sum, { value }, i) => sum + ('p' in value ? share[i] * value.p[s] : 0), 0)),
    };
  }
  const spreads = heard.map(({ value }) => value as { mean: number; sd: number });
  const mean = spreads.reduce((sum, s, i) => sum + share[i] * s.mean, 0);
  const variance = spreads.reduce((sum, s, i) => sum + share[i] * (s.sd ** 2 + (s.mean - mean) ** 2), 0);
  return { mean, sd: Math.sqrt(variance) };
}

/** The frequencies of a form's states as scored, for pages and plates. */
export function frequenciesOf(table: StatesTable, form: number): { state: string; p: number }[] {
  const forms = table.scored.length;
  return table.states.map((state, s) => ({ state, p: table.frequency[s * forms + form] }));
}
