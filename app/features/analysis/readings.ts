import type { SpecimenWrite } from '@plesion/contract';
import type { Reading } from '@plesion/core/observation';
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

/** Characters in the order of work. */
export function inWorkingOrder(guide: Guide): { group: Character['group']; label: string; characters: Character[] }[] {
  return GROUPS.map(({ group, label }) => ({
    group,
    label,
    characters: guide.characters.filter((character) => character.group === group),
  })).filter(({ characters }) => characters.length > 0);
}

/** The groups of characters in the order of work, as people are told them. */
export const GROUPS: { group: Character['group']; label: string }[] = [
  { group: 'baseline', label: 'First: age, sex, season' },
  { group: 'shape', label: 'Shape and proportion' },
  { group: 'pattern', label: 'Pattern' },
  { group: 'colour', label: 'Colour, last' },
  { group: 'behaviour', label: 'What it does' },
];
