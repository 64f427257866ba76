import type { Character, Guide } from '../guide/working';
import type { Plate } from './display';
import type { Measure } from './measure';
import type { Detail } from './pen';
import type { Places } from './places';
import type { Traits } from './traits';
import { type Drawn, plateTraits, traitOf as traitFor, type Vocabulary, wordFor } from './vocabulary';

export type PlanName = NonNullable<Guide['plan']>;

/** What a body plan can draw. */
export interface Plan {
  /** What it is drawn from. */
  vocabulary: Vocabulary;
  /** Where each of that shows. */
  places: Places;
  views: readonly string[];
  draw: (traits: Traits, view: string, detail: Detail) => Plate;
  tile: (character: Character, state: string | number) => Plate | undefined;
  measures: (traits: Traits, character: string) => Measure[];
  /** Has an individual what a view shows? Always, where absent. */
  shows?: (traits: Traits, view: string) => boolean;
}

/** What is needed of a guide to draw it. */
export type DrawnGuide = Pick<Guide, 'plan'> & Drawn;

const bound = new WeakMap<object, Plan>();

/**
 * A body plan in a guide's own words: traits, tiles and measures go by the ids of its
 * characters and states. Made once for each guide.
 */
export function planFor(guide: DrawnGuide, plan: Plan): Plan {
  const known = bound.get(guide) ?? inWordsOf(guide, plan);
  bound.set(guide, known);
  return known;
}

function inWordsOf(guide: DrawnGuide, plan: Plan): Plan {
  const { vocabulary, shows } = plan;
  const own = (traits: Traits) => plateTraits(guide, vocabulary, traits);
  const traitOf = (character: string) => traitFor(guide, vocabulary, character);
  return {
    ...plan,
    draw: (traits, view, detail) => plan.draw(own(traits), view, detail),
    tile(character, state) {
      const trait = traitOf(character.id);
      // A part that is no trait, such as an animal's bearing, has tiles of its own.
      if (trait === undefined) return plan.tile(character, state);
      const word = wordFor(guide, vocabulary, trait, state);
      return word === undefined ? undefined : plan.tile({ ...character, id: trait }, word);
    },
    measures: (traits, character) => plan.measures(own(traits), traitOf(character) ?? character),
    ...(shows ? { shows: (traits, view) => shows(own(traits), view) } : {}),
  };
}
