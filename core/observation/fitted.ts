import type { Guide } from '../guide/working';
import { checkReadings } from './reading';
import type { Reading, Situation } from './schema';

/**
 * A record as far as a guide knows what it speaks of: readings of characters and states that the guide has, in views,
 * places and circumstances that it has.
 *
 * @returns what is left, and the characters (ids) whose readings were left out.
 */
export function fittedTo(
  guide: Guide,
  { situation, readings }: { situation: Situation; readings: readonly Reading[] },
): { situation: Situation; readings: Reading[]; left: string[] } {
  const kept: Reading[] = [];
  const left: string[] = [];
  for (const reading of readings) {
    if (checkReadings(guide, [reading]).length === 0) kept.push(reading);
    else left.push(reading.character);
  }
  const has = (list: readonly { id: string }[] | undefined) => (id: string) => list?.some((one) => one.id === id) ?? false;
  const { region, habitat, views, circumstances, company, ...rest } = situation;
  const knownViews = views?.filter(has(guide.views));
  return {
    situation: {
      ...rest,
      ...(region !== undefined && has(guide.regions)(region) ? { region } : {}),
      ...(habitat !== undefined && has(guide.habitats)(habitat) ? { habitat } : {}),
      // Without one view that is known it is as if nothing had been said of views.
      ...(knownViews?.length ? { views: knownViews } : {}),
      ...(circumstances ? { circumstances: circumstances.filter(has(guide.circumstances)) } : {}),
      ...(company ? { company: company.filter(has(guide.company)) } : {}),
    },
    readings: kept,
    left: [...new Set(left)],
  };
}
