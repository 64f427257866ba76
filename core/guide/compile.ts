import { type CompiledBlock, compileBlocks, marginalsOf } from './blocks';
import { withComparisons } from './comparisons';
import { mixCrosses } from './crosses';
import { type Form, formsOf } from './forms';
import { combine, resolve, stateIds } from './resolve';
import type { Character, Guide, Score, SourcePolicy } from './schema';
import { type FormIndex, formIndexOf, holdsIn, applyScore, type Setting, sourceOrder, specificity, subjectOf } from './scopes';
import { type Resolved, type StatesTable, statesTable, type Table, valuesTable, frequencyAt } from './tables';
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
  canvas: FormIndex;
  blocks: CompiledBlock[];
  scores: ReadonlyMap<string, readonly Score[]>;
  /** Put in order when the character is first resolved: scores that were just looked at are looked at again quickest. */
  scored: Map<string, Scored>;
  words: Record<FrequencyWord, number>;
  /** Tables by character, then by which of its scoped scores hold; the newest last. */
  tables: Map<string, Map<string, Table>>;
}

/** The scores of one character, the general first, and the different settings that any of them is scoped to. */
interface Scored {
  inOrder: Score[];
  settings: Pick<Score, 'scope'>[];
  /** Which of the settings each score is scoped to; −1 for none. */
  of: Int16Array;
  /** What scores say in numbers, kept where the character is resolved again for other settings. */
  values?: Map<Score, Resolved>;
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
    const canvas = formIndexOf(guide, forms);
    return {
      guide,
      forms,
      base: baseWeights(guide, forms),
      canvas,
      blocks: compileBlocks(guide, forms),
      scores: scoresByCharacter(guide.scores),
      scored: new Map(),
      words: wordsOf(guide),
      tables: new Map(),
    };
  });
}

function scoredIn({ scores, scored, canvas }: Ground, { id }: Character): Scored {
  let found = scored.get(id);
  if (!found) scored.set(id, (found = scoredOf(scores.get(id) ?? [], canvas)));
  return found;
}

function scoredOf(scores: readonly Score[], canvas: FormIndex): Scored {
  const inOrder = fromTheGeneral(scores, canvas);
  const settings: Pick<Score, 'scope'>[] = [];
  const places = new Map<string, number>();
  const of = new Int16Array(inOrder.length).fill(-1);
  for (let i = 0; i < inOrder.length; i++) {
    if (!isScoped(inOrder[i])) continue;
    const { regions, dates, circumstances } = inOrder[i].scope;
    const key = JSON.stringify([regions, dates, circumstances]);
    let place = places.get(key);
    if (place === undefined) {
      place = settings.push({ scope: { regions, dates, circumstances } }) - 1;
      places.set(key, place);
    }
    of[i] = place;
  }
  return { inOrder, settings, of, ...(settings.length ? { values: new Map<Score, Resolved>() } : {}) };
}

function fromTheGeneral(scores: readonly Score[], { depth }: FormIndex): Score[] {
  const weight = new Float64Array(scores.length);
  let rising = true;
  for (let i = 0; i < scores.length; i++) {
    weight[i] = specificity(scores[i], depth);
    if (i > 0 && weight[i] < weight[i - 1]) rising = false;
  }
  if (rising) return [...scores];
  return Array.from(scores.keys())
    .sort((i, k) => weight[i] - weight[k])
    .map((i) => scores[i]);
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
  const { inOrder, settings, of, values } = scoredIn(ground, character);
  const holds = settings.map((scoped) => holdsIn(scoped, setting));
  const kept = ground.tables.get(character.id) ?? new Map<string, Table>();
  ground.tables.set(character.id, kept);
  return keepNewest(kept, holds.join(), SETTINGS_KEPT, () => {
    const block = ground.blocks.find(({ at }) => at.has(character.id));
    if (block) return valuesTable({ ...character, log: block.block.log }, marginalsOf(block, character.id), ground.base);
    if (values?.size === 0) {
      // Done with the first setting, so that a change of date only lays them out anew.
      const states = stateIds(character);
      for (const score of inOrder) values.set(score, resolve(score.value, character, states, ground.words));
    }
    const holding = settings.length ? inOrder.filter((_, i) => of[i] < 0 || holds[of[i]]) : inOrder;
    return characterTable(ground, character, holding, policy, values);
  });
}

/** Does it depend on place, date or circumstances whether the score holds? */
const isScoped = ({ scope }: Score) => Boolean(scope.regions ?? scope.dates ?? scope.circumstances);

/** The table of one character as the scores that hold give it. */
function characterTable(
  ground: Ground,
  character: Character,
  holding: readonly Score[],
  policy: SourcePolicy,
  values?: ReadonlyMap<Score, Resolved>,
): Table {
  const { guide, base, canvas, words } = ground;
  const order = sourceOrder(guide, policy);
  const states = stateIds(character);
  /** What each source says of the forms, its most specific score on top; sources that say nothing are left out. */
  const bySubject = bySubjectAndSource(holding);
  const layersOf = (subject: ReturnType<typeof subjectOf>): Layer[] =>
    order.flatMap((source) => {
      const own = bySubject[subject].get(source);
      return own ? [{ source, top: applyScore(own, canvas) }] : [];
    });
  const said = layersOf('value');
  // What is said of several forms stands for forms that lie beside one another.
  let last: Score | undefined;
  let lastValue: Resolved;
  const valueOf = (score: Score): Resolved => {
    if (values?.has(score)) return values.get(score);
    if (score !== last) [last, lastValue] = [score, resolve(score.value, character, states, words)];
    return lastValue;
  };
  const [alone] = said;
  const stated =
    said.length === 1
      ? alone.top.map((score) => score && valueOf(score))
      : canvas.forms.map((_, f) =>
          combine(
            said.flatMap(({ source, top }) => {
              const score = top[f];
              return score ? [{ source, value: valueOf(score) }] : [];
            }),
            policy,
          ),
        );
  const compared = trusted(layersOf('comparison'), canvas, policy);
  const { resolved, inferred } = compared
    ? withComparisons(stated, compared, canvas, base)
    : { resolved: stated, inferred: undefined };
  const mixed = mixCrosses(canvas.forms, resolved);
  const table = states ? statesTable(character, states, mixed, base, guide.settings) : valuesTable(character, mixed, base);
  if (table.type === 'values' && inferred) table.inferred = inferred;
  const applies = appliesOf(layersOf('applies'), canvas, words, policy);
  if (applies) table.applies = applies;
  return table;
}

/** One character's table under another source policy, in the setting the guide was compiled for. */
export function tableUnder(compiled: CompiledGuide, character: Character, policy: SourcePolicy): Table {
  return tableIn(groundOf(compiled.guide, policy), character, compiled.setting, policy);
}

/** In one go: of millions each look at a score costs more than what is done with it. */
function bySubjectAndSource(scores: readonly Score[]): Record<ReturnType<typeof subjectOf>, Map<string, Score[]>> {
  const found = {
    value: new Map<string, Score[]>(),
    applies: new Map<string, Score[]>(),
    comparison: new Map<string, Score[]>(),
  };
  for (const score of scores) {
    const bySource = found[subjectOf(score)];
    const own = bySource.get(score.source);
    if (own) own.push(score);
    else bySource.set(score.source, [score]);
  }
  return found;
}

interface Layer {
  source: string;
  top: readonly (Score | undefined)[];
}

/** The comparison to go by for each form: that of the first source, or of the one that is pooled with most weight. */
function trusted(layers: readonly Layer[], canvas: FormIndex, policy: SourcePolicy): (Score | undefined)[] | undefined {
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
  canvas: FormIndex,
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
  return table.states.map((state, s) => ({ state, p: frequencyAt(table, s, form) }));
}
