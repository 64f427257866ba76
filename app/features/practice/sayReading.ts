import type { Guide } from '@plesion/core/guide';
import type { Item } from '@plesion/core/practice';

/** What a drawing shows in one character, in words. */
export function sayReading(guide: Guide, { character, states, value }: Item['truth']['readings'][number]): string {
  return `${labelOf(guide, character)}: ${saySeen(guide, character, states?.[0] ?? value)}`;
}

export const labelOf = (guide: Guide, character: string): string =>
  guide.characters.find(({ id }) => id === character)?.label ?? character;

/** A state by its label, a value with its unit. */
export function saySeen(guide: Guide, character: string, seen: string | number | undefined): string {
  const known = guide.characters.find(({ id }) => id === character);
  if (seen === undefined) return 'not to be seen';
  if (typeof seen === 'string') return known?.states?.find(({ id }) => id === seen)?.label ?? seen;
  return [Number.isInteger(seen) ? String(seen) : seen.toPrecision(3), known?.unit].filter(Boolean).join(' ');
}
