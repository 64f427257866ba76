import { type CompiledBlock, compileBlocks, marginalsOf } from './blocks';
import { withComparisons } from './comparisons';
import { mixCrosses } from './crosses';
import { type Form, formsOf } from './forms';
import { combine, resolve, stateIds } from './resolve';
import type { Character, Guide, Score, SourcePolicy } from './schema';
import { type Canvas, canvasOf, holdsIn, paint, type Setting, sourceOrder, specificity } from './scopes';
import { type StatesTable, statesTable, type Table, valuesTable } from './tables';
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

/**
 * Resolve, for every form and character, the score whose scope is most specific
 * (taxon depth, then number of facets, then circumstances, region and dates),
 * source by source, and bring the sources together under the policy.
 */
export function compileGuide(
  guide: Guide,
  setting: Setting = {},
  policy: SourcePolicy = guide.policy,
  treatment?: string,
): CompiledGuide {
  const forms = formsOf(guide);
  const base = baseWeights(guide, forms);
  const blocks = compileBlocks(guide, forms);
  const byCharacter = scoresByCharacter(guide.scores);
  const work: Work = { guide, base, canvas: canvasOf(guide, forms), setting, policy, words: wordsOf(guide) };
  const tables = new Map<string, Table>();
  for (const character of guide.characters) {
    const block = blocks.find(({ at }) => at.has(character.id));
    tables.set(
      character.id,
      block
        ? valuesTable({ ...character, log: block.block.log }, marginalsOf(block, character.id), base)
        : characterTable(work, character, byCharacter.get(character.id) ?? []),
    );
  }
  return { guide, forms, base, tables, blocks, naming: namingOf(guide, forms, treatment), policy, setting, columns: new Map() };
}

interface Work {
  guide: Guide;
  base: Float64Array;
  canvas: Canvas;
  setting: Setting;
  policy: SourcePolicy;
  words: Record<FrequencyWord, number>;
}

/** The table of one character as its scores give it. */
function characterTable(work: Work, character: Character, all: readonly Score[]): Table {
  const { guide, base, canvas, setting, policy, words } = work;
  const order = sourceOrder(guide, policy);
  const scores = all
    .filter((score) => order.includes(score.source) && holdsIn(score, setting))
    .sort((a, b) => specificity(a, canvas.depth) - specificity(b, canvas.depth));
  const states = stateIds(character);
  const own = scores.filter(({ value }) => value.kind !== 'applies' && value.kind !== 'comparison');
  const painted = order.map((source) => ({
    source,
    values: paint(
      own.filter((s) => s.source === source),
      canvas,
    ),
  }));
  const stated = canvas.forms.map((_, f) =>
    combine(
      painted.flatMap(({ source, values }) => {
        const score = values[f];
        return score ? [{ source, value: resolve(score.value, character, states, words) }] : [];
      }),
      policy,
    ),
  );
  const comparisons = scores.filter(({ value }) => value.kind === 'comparison');
  const { resolved, inferred } = withComparisons(stated, comparisons, canvas, base);
  const mixed = mixCrosses(canvas.forms, resolved);
  const table = states ? statesTable(character, states, mixed, base, guide.settings) : valuesTable(character, mixed, base);
  if (table.type === 'values' && comparisons.length > 0) table.inferred = inferred;
  table.applies = appliesOf(scores, canvas, words);
  return table;
}

/** One character's table under another source policy, in the setting the guide was compiled for. */
export function tableUnder(compiled: CompiledGuide, character: Character, policy: SourcePolicy): Table {
  const { guide, base, forms, setting } = compiled;
  const work: Work = { guide, base, canvas: canvasOf(guide, forms), setting, policy, words: wordsOf(guide) };
  return characterTable(
    work,
    character,
    guide.scores.filter((score) => score.character === character.id),
  );
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
  return weights.map((w) => w / total);
}

function appliesOf(scores: readonly Score[], canvas: Canvas, words: Record<FrequencyWord, number>): Float64Array | undefined {
  const about = scores.filter((score) => score.value.kind === 'applies');
  if (about.length === 0) return undefined;
  const top = paint(about, canvas);
  return Float64Array.from(top, (score) =>
    score?.value.kind === 'applies' ? frequencyNumber(score.value.frequency, words) : words.always,
  );
}

/** The frequencies of a form's states as scored, for pages and plates. */
export function frequenciesOf(table: StatesTable, form: number): { state: string; p: number }[] {
  const forms = table.scored.length;
  return table.states.map((state, s) => ({ state, p: table.frequency[s * forms + form] }));
}
