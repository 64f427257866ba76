import { type CompiledBlock, compileBlocks, marginalsOf } from './blocks';
import { withComparisons } from './comparisons';
import { mixCrosses } from './crosses';
import { type Form, formsOf } from './forms';
import { combine, resolve, stateIds } from './resolve';
import type { Character, Guide, Score, SourcePolicy } from './schema';
import { type Canvas, canvasOf, holdsIn, paint, type Setting, sourceOrder, specificity } from './scopes';
import { type Resolved, type StatesTable, statesTable, type Table, valuesTable } from './tables';
import { type Naming, namingOf } from './treatments';
import { frequencyNumber, type FrequencyWord, wordsOf } from './words';

/** A guide resolved for one setting and source policy, ready to weigh readings. */
export interface CompiledGuide {
  guide: Guide;
  forms: Form[];
  /** Abundance × share of each form, sum 1: the weights of the guide-wide predictive. */
  base: Float64Array;
  tables: Map<string, Table>;
  blocks: CompiledBlock[];
  /** The names in force under the treatment chosen. */
  naming: Naming;
  policy: SourcePolicy;
  setting: Setting;
  /** Columns of readings already weighed; see `evidence/column`. */
  columns: Map<string, { bits: Float64Array; outside: number }>;
}

/** A guide and a source policy, with what does not depend on where and when: made once, and shared by every setting. */
interface Ground {
  guide: Guide;
  forms: Form[];
  base: Float64Array;
  canvas: Canvas;
  blocks: CompiledBlock[];
  scores: Map<string, Score[]>;
  words: Record<FrequencyWord, number>;
  /** Tables by character, then by which of its scoped scores hold; the newest last. */
  tables: Map<string, Map<string, Table>>;
}

/** Tables kept of one character: as many settings as people move between. */
const SETTINGS_KEPT = 4;
/** Source policies kept of one guide. */
const POLICIES_KEPT = 4;

const grounds = new WeakMap<Guide, Map<string, Ground>>();

function groundOf(guide: Guide, policy: SourcePolicy): Ground {
  const byPolicy = grounds.get(guide) ?? new Map<string, Ground>();
  grounds.set(guide, byPolicy);
  return keepNewest(byPolicy, JSON.stringify(policy), POLICIES_KEPT, () => {
    const forms = formsOf(guide);
    return {
      guide,
      forms,
      base: baseWeights(guide, forms),
      canvas: canvasOf(guide, forms),
      blocks: compileBlocks(guide, forms),
      scores: scoresByCharacter(guide.scores),
      words: wordsOf(guide),
      tables: new Map(),
    };
  });
}

/** What is kept under a key, or made; it is then the newest, and the oldest goes when there are too many. */
export function keepNewest<T>(kept: Map<string, T>, key: string, most: number, make: () => T): T {
  const value = kept.get(key) ?? make();
  kept.delete(key);
  kept.set(key, value);
  if (kept.size > most) kept.delete(kept.keys().next().value!);
  return value;
}

/**
 * Resolve, for every form and character, the score whose scope is most specific
 * (taxon depth, then number of facets, then circumstances, region and dates),
 * source by source, and bring the sources together under the policy. Linear in
 * forms and scores; where the same guide was compiled for another setting, only
 * the characters with scores that hold in one of them and not in the other are
 * resolved anew.
 */
export function compileGuide(
  guide: Guide,
  setting: Setting = {},
  policy: SourcePolicy = guide.policy,
  treatment?: string,
): CompiledGuide {
  const ground = groundOf(guide, policy);
  const { forms, base, blocks } = ground;
  const tables = new Map(guide.characters.map((character) => [character.id, tableIn(ground, character, setting, policy)]));
  return { guide, forms, base, tables, blocks, naming: namingOf(guide, forms, treatment), policy, setting, columns: new Map() };
}

function tableIn(ground: Ground, character: Character, setting: Setting, policy: SourcePolicy): Table {
  const all = ground.scores.get(character.id) ?? [];
  const holding = all.map((score) => (isScoped(score) ? (holdsIn(score, setting) ? 'y' : 'n') : '')).join('');
  const kept = ground.tables.get(character.id) ?? new Map<string, Table>();
  ground.tables.set(character.id, kept);
  return keepNewest(kept, holding, SETTINGS_KEPT, () => {
    const block = ground.blocks.find(({ at }) => at.has(character.id));
    if (block) return valuesTable({ ...character, log: block.block.log }, marginalsOf(block, character.id), ground.base);
    return characterTable(
      ground,
      character,
      all.filter((score) => holdsIn(score, setting)),
      policy,
    );
  });
}

/** Does it depend on place, date or circumstances whether the score holds? */
const isScoped = ({ scope }: Score) => Boolean(scope.regions ?? scope.dates ?? scope.circumstances);

/** The table of one character as the scores that hold give it. */
function characterTable(ground: Ground, character: Character, holding: readonly Score[], policy: SourcePolicy): Table {
  const { guide, base, canvas, words } = ground;
  const order = sourceOrder(guide, policy);
  const used = new Set(order);
  const scores = holding
    .filter((score) => used.has(score.source))
    .sort((a, b) => specificity(a, canvas.depth) - specificity(b, canvas.depth));
  const states = stateIds(character);
  /** What each source says of the forms, its most specific score on top; sources that say nothing are left out. */
  const layersOf = (wanted: (kind: Score['value']['kind']) => boolean) =>
    order.flatMap((source) => {
      const own = scores.filter((score) => score.source === source && wanted(score.value.kind));
      return own.length ? [{ source, top: paint(own, canvas) }] : [];
    });
  const said = layersOf((kind) => kind !== 'applies' && kind !== 'comparison');
  const values = new Map<Score, Resolved>();
  const valueOf = (score: Score): Resolved => {
    if (!values.has(score)) values.set(score, resolve(score.value, character, states, words));
    return values.get(score);
  };
  const stated = canvas.forms.map((_, f) =>
    combine(
      said.flatMap(({ source, top }) => {
        const score = top[f];
        return score ? [{ source, value: valueOf(score) }] : [];
      }),
      policy,
    ),
  );
  const compared = trusted(
    layersOf((kind) => kind === 'comparison'),
    canvas,
    policy,
  );
  const { resolved, inferred } = compared
    ? withComparisons(stated, compared, canvas, base)
    : { resolved: stated, inferred: undefined };
  const mixed = mixCrosses(canvas.forms, resolved);
  const table = states ? statesTable(character, states, mixed, base, guide.settings) : valuesTable(character, mixed, base);
  if (table.type === 'values' && inferred) table.inferred = inferred;
  const applies = appliesOf(
    layersOf((kind) => kind === 'applies'),
    canvas,
    words,
    policy,
  );
  if (applies) table.applies = applies;
  return table;
}

/** One character's table under another source policy, in the setting the guide was compiled for. */
export function tableUnder(compiled: CompiledGuide, character: Character, policy: SourcePolicy): Table {
  return tableIn(groundOf(compiled.guide, policy), character, compiled.setting, policy);
}

interface Layer {
  source: string;
  top: readonly (Score | undefined)[];
}

/** The comparison to go by for each form: that of the first source, or of the one that is pooled with most weight. */
function trusted(layers: readonly Layer[], canvas: Canvas, policy: SourcePolicy): (Score | undefined)[] | undefined {
  if (layers.length === 0) return undefined;
  const weightOf = ({ source }: Layer) => (policy.kind === 'pool' ? (policy.weights[source] ?? 1) : 1);
  const inOrder = [...layers].sort((a, b) => weightOf(b) - weightOf(a));
  return canvas.forms.map((_, f) => inOrder.find(({ top }) => top[f])?.top[f]);
}

export function scoresByCharacter(scores: readonly Score[]): Map<string, Score[]> {
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
  return total > 0 ? weights.map((w) => w / total) : weights.fill(1 / (forms.length || 1));
}

/**
 * P(the character applies | form), source by source under the policy; a form of
 * which no source says is taken to have it, and a cross stands between its parents.
 */
function appliesOf(
  layers: readonly Layer[],
  canvas: Canvas,
  words: Record<FrequencyWord, number>,
  policy: SourcePolicy,
): Float64Array | undefined {
  if (layers.length === 0) return undefined;
  const stated = canvas.forms.map(
    (_, f) =>
      combine(
        layers.flatMap(({ source, top }) => {
          const value = top[f]?.value;
          return value?.kind === 'applies' ? [{ source, value: { p: [frequencyNumber(value.frequency, words)] } }] : [];
        }),
        policy,
      ) ?? { p: [words.always] },
  );
  return Float64Array.from(mixCrosses(canvas.forms, stated), (value) => (value && 'p' in value ? value.p[0] : words.always));
}

/** The frequencies of a form's states as scored, for pages and plates. */
export function frequenciesOf(table: StatesTable, form: number): { state: string; p: number }[] {
  const forms = table.scored.length;
  return table.states.map((state, s) => ({ state, p: table.frequency[s * forms + form] }));
}
