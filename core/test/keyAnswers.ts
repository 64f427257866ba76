import { posteriorOf } from '../evidence';
import type { CompiledGuide } from '../guide';
import type { Key, StatementLink } from '../keys';
import { wayTo } from '../keys/graph';
import type { Reading } from '../observation';

/** What a statement's tie allows, or a value in it: the lower of whole ones, which may be counts, else the middle. */
export const readingOf = (link: StatementLink): Reading => {
  if ('states' in link) return { character: link.character, states: link.states };
  const [low, high] = [link.low ?? link.high!, link.high ?? link.low!];
  const whole = Number.isInteger(low) && Number.isInteger(high);
  return { character: link.character, value: whole ? low : Math.round(5 * (low + high)) / 10 };
};

/** All statements on the way to an ending, answered as it says; where two speak of one character, as both or the later. */
export function answersOf(key: Key, ending: string): Reading[] {
  const readings = new Map<string, Reading>();
  for (const { lead } of wayTo(key, ending))
    for (const { link } of lead.statements) {
      if (!link) continue;
      const now = readingOf(link);
      const before = readings.get(link.character);
      const both = before?.states?.filter((state) => now.states?.includes(state));
      readings.set(link.character, both?.length ? { ...now, states: both } : now);
    }
  return [...readings.values()];
}

/** The taxon of the form that leads. */
export const leaderOf = (own: CompiledGuide, readings: readonly Reading[]): string => {
  const { p } = posteriorOf(own, {}, readings);
  return own.forms[p.indexOf(Math.max(...p))].taxon;
};
