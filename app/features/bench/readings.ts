import type { SpecimenWrite } from '@plesion/contract';
import { type Reading, valueOf } from '@plesion/core/evidence';
import type { Character, Guide } from '@plesion/core/guide';

/** The reading of a character; of several looks, the last. */
export const readingOf = (readings: readonly Reading[], character: string): Reading | undefined =>
  readings.findLast((reading) => reading.character === character);

/** Put a reading in: in place of the one with its id, else as a new one. */
export function withReading(content: SpecimenWrite, reading: Reading): SpecimenWrite {
  const known = content.readings.some((r) => r.id === reading.id);
  return {
    ...content,
    readings: known ? content.readings.map((r) => (r.id === reading.id ? reading : r)) : [...content.readings, reading],
  };
}

export function withoutReadingId(content: SpecimenWrite, id: string | undefined): SpecimenWrite {
  return { ...content, readings: content.readings.filter((reading) => reading.id !== id) };
}

/** What was seen, in words: "two lobes or one arch", "28.4 ± 0.3 mm", "not visible: weed over it". */
export function sayReading(character: Character, reading: Reading): string {
  const why = reading.reason ? `: ${reading.reason}` : '';
  if (reading.status === 'not-visible') return `not visible${why}`;
  if (reading.status === 'does-not-apply') return `does not apply${why}`;
  const doubt = reading.certainty && reading.certainty !== 'sure' ? ` (${reading.certainty})` : '';
  if (reading.states) {
    const labels = reading.states.map((state) => character.states?.find((s) => s.id === state)?.label ?? state);
    return labels.join(' or ') + doubt;
  }
  const given = valueOf(character, reading);
  return given ? sayValue(character, given.value, given.error) + doubt : 'no value yet';
}

/** A value with the digits its error allows, and its unit. */
export function sayValue(character: Character, value: number, error: number): string {
  if (character.kind === 'count') return String(value);
  const digits = error > 0 ? Math.max(0, Math.min(3, Math.ceil(-Math.log10(error)))) : 2;
  const unit = character.unit ? ` ${character.unit}` : '';
  return `${value.toFixed(digits)}${error > 0 ? ` ± ${error.toFixed(digits)}` : ''}${unit}`;
}

/** Characters in the order of work. */
export function inWorkingOrder(guide: Guide): { group: Character['group']; label: string; characters: Character[] }[] {
  return GROUPS.map(({ group, label }) => ({
    group,
    label,
    characters: guide.characters.filter((character) => character.group === group),
  })).filter(({ characters }) => characters.length > 0);
}

const GROUPS: { group: Character['group']; label: string }[] = [
  { group: 'baseline', label: 'First: age, sex, season' },
  { group: 'shape', label: 'Shape and proportion' },
  { group: 'pattern', label: 'Pattern' },
  { group: 'colour', label: 'Colour, last' },
  { group: 'behaviour', label: 'What it does' },
];
