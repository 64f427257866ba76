import { type CompiledGuide, placesOf } from '../guide/working';
import { choicesOf } from './drawn';
import { groupsAt } from './groups';
import type { Asked, Item, VerifiedPhoto } from './schema';

/**
 * A photograph of the station's own as an item, whose truth is what the specimen turned out to be.
 *
 * @returns undefined where that does not tell the groups of the level apart.
 */
export function photoItem(compiled: CompiledGuide, { level }: Asked, photo: VerifiedPhoto, seed: string): Item | undefined {
  const { guide, forms, base } = compiled;
  const own = placesOf(compiled, photo.taxon, photo.facets);
  const grouping = groupsAt(compiled, level);
  const [at, ...others] = new Set(own.map((f) => grouping.of[f]));
  if (at === undefined || at < 0 || others.length) return undefined;
  const { id: group } = grouping.groups[at];
  const { specimenId, hash, kind } = photo;
  return {
    ...{ guide: guide.id, seed, view: photo.view ?? '', level, traits: {}, hidden: [] },
    choices: choicesOf(
      grouping,
      forms.map((_, f) => (grouping.of[f] >= 0 ? base[f] : 0)),
    ),
    truth: { form: forms[own[0]].id, group, readings: [], best: { kind: 'one', groups: [group], p: 1 - photo.wrong } },
    photo: { specimenId, hash, kind },
  };
}
