import { type Reading, valueOf } from '../observation';
import type { Guide } from '../guide/working';
import type { Traits } from './traits';

/** What was seen of a specimen, for drawing it as it is. Of a choice of states, the first. */
export function traitsRead(guide: Pick<Guide, 'characters'>, readings: readonly Reading[]): Traits {
  const characters = new Map(guide.characters.map((c) => [c.id, c]));
  return Object.fromEntries(
    readings.flatMap((reading): [string, string | number][] => {
      const character = characters.get(reading.character);
      if (!character || (reading.status ?? 'seen') !== 'seen') return [];
      const seen = reading.states?.[0] ?? valueOf(character, reading)?.value;
      return seen === undefined ? [] : [[reading.character, seen]];
    }),
  );
}
