import { valueOf } from './reading';
import type { Reading, RelativeValue } from './schema';
import type { Character, Guide } from '../guide/working';

/** What was seen, in words: "two lobes or one arch", "28.4 ± 0.3 mm", "not visible: weed over it". */
export function sayReading(character: Character, reading: Reading): string {
  const why = reading.reason ? `: ${reading.reason}` : '';
  if (reading.status === 'not-visible') return `not visible${why}`;
  if (reading.status === 'does-not-apply') return `does not apply${why}`;
  const doubt = reading.certainty && reading.certainty !== 'sure' ? ` (${reading.certainty})` : '';
  if (reading.comparison) return `${sayComparison(reading.comparison)}${doubt}`;
  if (reading.states) {
    const labels = reading.states.map((state) => character.states?.find((s) => s.id === state)?.label ?? state);
    return labels.join(' or ') + doubt;
  }
  const given = valueOf(character, reading);
  return given ? sayValue(character, given.value, given.error) + doubt : 'no value yet';
}

/** "larger than one of vexillax beside it". */
export function sayComparison({ relation, than }: RelativeValue, guide?: Guide): string {
  const nameOf = (id: string) => guide?.taxa.find((taxon) => taxon.id === id)?.name ?? id.replace(/-/g, ' ');
  const neighbour =
    'taxon' in than ? nameOf(than.taxon) : 'form' in than ? nameOf(than.form.split('/')[0]) : than.character.replace(/-/g, ' ');
  return 'character' in than ? `${relation} than its ${neighbour}` : `${relation} than the ${neighbour} beside it`;
}

/** A value with the digits its error allows, and its unit. */
export function sayValue(character: Character, value: number, error: number): string {
  if (character.kind === 'count') return String(value);
  const digits = error > 0 ? Math.max(0, Math.min(3, Math.ceil(-Math.log10(error)))) : 2;
  const unit = character.unit ? ` ${character.unit}` : '';
  return `${value.toFixed(digits)}${error > 0 ? ` ± ${error.toFixed(digits)}` : ''}${unit}`;
}

/**
 * What was measured, with its error: as the character's own value where the unit is its own, else as it was
 * worked out; what has no error is told without one.
 */
export function sayMeasured(
  character: Character | undefined,
  { value, sd, unit }: { value: number; sd: number; unit: string },
): string {
  if (character && !character.states && (character.unit ?? '') === unit) return sayValue(character, value, sd);
  return `${Number(value.toPrecision(4))}${sd > 0 ? ` ± ${Number(sd.toPrecision(2))}` : ''} ${unit}`.trim();
}
