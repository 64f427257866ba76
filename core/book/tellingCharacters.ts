import { overlapBetween, separationOf } from '../evidence';
import { type Character, type CompiledGuide, frequenciesOf, reliabilityOf, shownAt } from '../guide/working';

/** A character by which a form stands out, to be pointed at on its plate. */
export interface TellingCharacter {
  character: string;
  part: string;
  view: string;
  text: string;
  /** Overlap with all forms of other taxa, as often as they are met: 0 apart … 1 alike. */
  overlap: number;
}

/**
 * The drawn characters of a form that set it off best from the guide's other taxa,
 * best first: separation × reliability. Characters that tell it from no one
 * (overlap above .60 with the rest as a whole) are left out.
 */
export function tellingCharacters(compiled: CompiledGuide, form: number, most = 5): TellingCharacter[] {
  const { guide, forms } = compiled;
  const own = forms[form].taxon;
  const others = forms.flatMap(({ taxon, cross }, f) => (taxon !== own && !cross ? [f] : []));
  if (others.length === 0) return [];
  const rho = (character: Character) => reliabilityOf(guide, character);
  return guide.characters
    .flatMap((character): (TellingCharacter & { worth: number })[] => {
      const table = compiled.tables.get(character.id)!;
      const shown = shownAt(guide, character);
      if (!shown || !table.scored[form]) return [];
      const rivals = others.filter((f) => table.scored[f]);
      if (rivals.length === 0) return [];
      const overlap = overlapBetween(
        table,
        { forms: [form], weights: [1] },
        { forms: rivals, weights: rivals.map((f) => forms[f].share) },
        guide.settings.tail,
      );
      if (separationOf(overlap) === 'does not separate') return [];
      return [
        {
          character: character.id,
          part: shown.part,
          view: shown.view,
          text: describeCharacter(compiled, character, form),
          overlap,
          worth: (1 - overlap) * rho(character),
        },
      ];
    })
    .sort((a, b) => b.worth - a.worth)
    .slice(0, most)
    .map(({ character, part, view, text, overlap }) => ({ character, part, view, text, overlap }));
}

/** "cap: down to the bill", "bill 0.86 of the head". */
function describeCharacter(compiled: CompiledGuide, { id, label, unit, parts, states }: Character, form: number): string {
  const table = compiled.tables.get(id)!;
  if (table.type === 'states') {
    const top = frequenciesOf(table, form).reduce((a, b) => (b.p > a.p ? b : a)).state;
    return `${label}: ${states?.find((state) => state.id === top)?.label ?? top}`;
  }
  const value = Number((table.log ? Math.exp(table.mean[form]) : table.mean[form]).toPrecision(2));
  return parts ? `${label}: ${value}` : `${label}: ${value}${unit ? ` ${unit}` : ''}`;
}
