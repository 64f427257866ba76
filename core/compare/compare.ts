import { hindranceOf, isTrusted, overlapBetween, type Separation, separationOf, sayFacetScope } from '../evidence';
import { type Character, type CompiledGuide, type Facets, frequenciesOf, type Table } from '../guide/working';
import { type NamePart, nameText, type Situation } from '../specimen';
import { paragraphOf } from './paragraph';

/** What a form is scored for one character. */
export type Scored =
  | { kind: 'states'; states: { state: string; label: string; p: number }[] }
  | { kind: 'values'; mean: number; sd: number; log: boolean; low: number; high: number; inferred?: boolean };

export interface ComparedCharacter {
  character: string;
  label: string;
  /** Mean overlap over every two of the forms that are both scored, 0 apart … 1 alike. */
  overlap: number;
  separation: Separation;
  /** Every two forms; null where one of them is not scored, so that nothing is known of the two. */
  pairs: { a: string; b: string; overlap: number | null }[];
  /** One entry a form, in the order asked; absent where it is not scored. */
  forms: (Scored | null)[];
  /** Trusted by many, and alike in every two that are scored. */
  trap: boolean;
  /** "adult only", "in hand only". */
  only: string[];
  /** Why it cannot be read in the situation at hand. */
  hindrance?: string;
}

/** Two to four forms side by side. */
export interface Comparison {
  forms: { form: string; taxon: string; facets: Facets }[];
  /** Those that separate best and are read most reliably first. */
  characters: ComparedCharacter[];
  /** The same as advice in plain words. */
  paragraph: string;
  /** The paragraph as it is typeset. */
  typeset: NamePart[];
}

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

/** Separation × reliability; marks that cannot be read now come last. */
function worth({ guide }: CompiledGuide, { character, overlap, hindrance }: ComparedCharacter): number {
  const rho = guide.characters.find(({ id }) => id === character)!.reliability ?? guide.settings.reliability;
  return (1 - overlap) * rho - (hindrance ? 1 : 0);
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
  const why = hindranceOf(compiled, character, situation, { possible: [], withheld: false });
  return {
    character: character.id,
    label: character.label,
    overlap,
    separation: separationOf(overlap),
    pairs,
    forms: at.map((f) => scoredOf(table, f)),
    trap: isTrusted(character) && known.length > 0 && known.every((own) => separationOf(own) === 'does not separate'),
    only: onlyOf(compiled, character),
    ...(why ? { hindrance: why.text } : {}),
  };
}

export function scoredOf(table: Table, form: number): Scored | null {
  if (!table.scored[form]) return null;
  if (table.type === 'states') {
    const labels = new Map(table.character.states?.map(({ id, label }) => [id, label]));
    return {
      kind: 'states',
      states: frequenciesOf(table, form).map(({ state, p }) => ({ state, label: labels.get(state) ?? state, p })),
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
