import type { Wanted } from '@plesion/core/book';
import type { Guide } from '@plesion/core/guide';

/** What a wall was narrowed to, as a part of its address. */
export const writeWanted = (wanted: Wanted): string =>
  new URLSearchParams(
    Object.entries(wanted).flatMap(([character, states]) => states.map((state) => [character, state])),
  ).toString();

/** Read from an address; what the guide does not know is passed over. */
export function readWanted(guide: Guide, written: string | undefined): Wanted {
  const wanted: Record<string, string[]> = {};
  for (const [id, state] of new URLSearchParams(written ?? '')) {
    const character = guide.characters.find((known) => known.id === id);
    if (character?.states?.some((known) => known.id === state)) wanted[id] = [...(wanted[id] ?? []), state];
  }
  return wanted;
}
