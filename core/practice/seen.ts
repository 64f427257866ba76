import { misleadsBetween } from '../evidence';
import type { CompiledGuide } from '../guide/working';
import { groupIn, groupsAt } from './groups';
import type { Item, PracticeAnswer } from './schema';

/** The mark that a person went by. */
export interface MarkSeen {
  character: string;
  /** What the drawing shows in it; nothing where it is not to be seen. */
  shown?: string | number;
  /** Was it read as it is; nothing where the person did not say what they saw. */
  right?: boolean;
}

/** A value is read rightly within this share of it, or within the character's own error. */
const CLOSE = 0.1;

/** How the mark that was gone by was read; nothing where none was named. */
export function markSeen({ guide }: CompiledGuide, { truth }: Item, { wentBy }: PracticeAnswer): MarkSeen | undefined {
  if (!wentBy) return undefined;
  const { character, says } = wentBy;
  const reading = truth.readings.find((one) => one.character === character);
  const shown = reading && (reading.states?.[0] ?? reading.value);
  if (shown === undefined || says === undefined) return { character, ...(shown === undefined ? {} : { shown }) };
  return { character, shown, right: isRead(shown, says, guide.characters.find(({ id }) => id === character)?.error) };
}

function isRead(shown: string | number, says: string | number, error = 0): boolean {
  if (typeof shown === 'string' || typeof says === 'string') return String(shown) === String(says);
  if (Number.isInteger(shown)) return shown === says;
  return Math.abs(says - shown) <= Math.max(error, CLOSE * Math.abs(shown));
}

/** How often a character misleads between the truth and another group: the share of the truth's own that look more like the other in it, 0..1. */
export function misleads(compiled: CompiledGuide, { level, truth }: Item, character: string, other: string): number | undefined {
  const table = compiled.tables.get(character);
  const grouping = groupsAt(compiled, level);
  const side = (id: string) => {
    const { forms } = groupIn(grouping, id);
    return { forms, weights: forms.map((f) => compiled.base[f]) };
  };
  return table && misleadsBetween(table, side(truth.group), side(other), compiled.guide.settings.tail);
}
