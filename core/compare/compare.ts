import type { Scored, ComparedCharacter, Comparison } from './schema';
import { setAsideBy, isTrusted, overlapBetween, separationOf, sayFacetScope } from '../evidence';
import { type Character, type CompiledGuide, frequenciesOf, type Table, nameText, reliabilityOf } from '../guide/working';
import type { Situation } from '../observation';
import { paragraphOf } from './paragraph';

const Z95 = 1.959963984540054;

/**
 * Compare forms of a guide as compiled for a situation: every character with
 * what each form is scored and how far they overlap.
 *
 * @param formIds two to four ids of the guide's forms.
 */
export function compareForms(compiled: CompiledGuide, formIds: readonly string[], situation: Situation = {}): Comparison {
  const at = formIds.map((id) => compiled.forms.findIndex((form) => form.id === id));
  const characters = compiled.guide.characters
    .map((character) => compared(compiled, character, at, formIds, situation))
    .filter(({ forms }) => forms.filter(Boolean).length >= 2);
  characters.sort((a, b) => worth(compiled, b) - worth(compiled, a));
  const forms = at.map((f) => {
    const { id, taxon, facets } = compiled.forms[f];
    return { form: id, taxon, facets };
  });
  const typeset = paragraphOf(compiled, forms, characters);
  return { forms, characters, paragraph: nameText(typeset), typeset };
}

/** Separation × reliability; characters that cannot be read now come last. */
function worth({ guide }: CompiledGuide, { character, overlap, setAside }: ComparedCharacter): number {
  const rho = reliabilityOf(
    guide,
    guide.characters.find(({ id }) => id === character)!,
  );
  return (1 - overlap) * rho - (setAside ? 1 : 0);
}

function compared(
  compiled: CompiledGuide,
  character: Character,
  at: readonly number[],
  formIds: readonly string[],
  situation: Situation,
): ComparedCharacter {
  const table = compiled.tables.get(character.id)!;
  const { tail } = compiled.guide.settings;
  const side = (f: number) => ({ forms: [f], weights: [1] });
  const pairs = at.flatMap((f, i) =>
    at.slice(i + 1).map((g, k) => ({
      a: formIds[i],
      b: formIds[i + 1 + k],
      overlap: table.scored[f] && table.scored[g] ? overlapBetween(table, side(f), side(g), tail) : null,
    })),
  );
  const known = pairs.flatMap((pair) => pair.overlap ?? []);
  const overlap = known.length ? known.reduce((sum, own) => sum + own, 0) / known.length : 1;
  const why = setAsideBy(compiled, character, situation, { possible: [], withheld: false });
  return {
    character: character.id,
    label: character.label,
    overlap,
    separation: separationOf(overlap),
    pairs,
    forms: at.map((f) => scoredOf(table, f)),
    trap: isTrusted(character) && known.length > 0 && known.every((own) => separationOf(own) === 'does not separate'),
    only: onlyOf(compiled, character),
    ...(why ? { setAside: why.text } : {}),
  };
}

export function scoredOf(table: Table, form: number): Scored | null {
  if (!table.scored[form]) return null;
  if (table.type === 'states') {
    const labels = new Map(table.character.states?.map(({ id, label }) => [id, label]));
    return {
      kind: 'states',
      states: frequenciesOf(table, form).map(({ state, p }) => ({ state, label: labels.get(state) ?? state, p })),
      ...(table.uncertain?.has(form) ? { uncertain: true } : {}),
    };
  }
  const [mean, sd] = [table.mean[form], table.sd[form]];
  const shown = (x: number) => (table.log ? Math.exp(x) : x);
  return {
    kind: 'values',
    mean,
    sd,
    log: table.log,
    low: shown(mean - Z95 * sd),
    high: shown(mean + Z95 * sd),
    ...(table.inferred?.[form] ? { inferred: true } : {}),
  };
}

function onlyOf(compiled: CompiledGuide, character: Character): string[] {
  const scores = compiled.guide.scores.filter((score) => score.character === character.id && score.value.kind !== 'applies');
  const facets = scores.length && scores.every(({ scope }) => scope.facets) ? sayFacetScope(compiled, scores) : '';
  return [...(facets.endsWith(' only') ? [facets] : []), ...(character.handling === 'look' ? [] : ['in hand only'])];
}
