import type { Character, Guide } from '../guide/working';
import type { Problem } from '../problem';
import { BEETLE_VIEWS, beetleMeasures, beetleTile, type BeetleView, drawBeetle } from './beetle';
import { CONE_VIEWS, coneMeasures, coneTile, type ConeView, drawCone } from './cone';
import { CRAB_VIEWS, crabMeasures, crabTile, type CrabView, drawCrab } from './crab';
import type { Plate } from './display';
import type { Measure } from './measure';
import type { Detail } from './pen';
import { drawMoth, MOTH_VIEWS, mothMeasures, mothTile, type MothView } from './moth';
import { drawTern, TERN_VIEWS, ternMeasures, ternTile, type TernView } from './tern';
import type { Traits } from './traits';
import { drawUmbelView, UMBEL_VIEWS, umbelMeasures, umbelShows, umbelTile, type UmbelView } from './umbel';
import { BEETLE_TRAITS } from './beetle/vocabulary';
import { CONE_TRAITS } from './cone/vocabulary';
import { CRAB_TRAITS } from './crab/vocabulary';
import { MOTH_TRAITS } from './moth/vocabulary';
import { TERN_TRAITS } from './tern/vocabulary';
import { UMBEL_TRAITS } from './umbel/vocabulary';
import { type Drawn, foreignWords, plateTraits, traitOf as traitFor, type Vocabulary, wordFor } from './vocabulary';

export { commandCount, escapeXml, type Ink, type Plate, plateSvg } from './display';
export { aberrantTraits } from './aberrant';
export { conceal, type Concealment, type Veil, VEILS } from './conceal';
export { type Box, type Point } from './geometry';
export { type Leader, leadersOf, type PointedPart } from './leaders';
export { type Measure } from './measure';
export { type Detail } from './pen';
export { type ScaleBar, scaleBar } from './scale';
export { type Traits, traitsOf } from './traits';

/** What a body plan can draw. */
interface Plan {
  /** What it is drawn from. */
  vocabulary: Vocabulary;
  views: readonly string[];
  draw: (traits: Traits, view: string, detail: Detail) => Plate;
  tile: (character: Character, state: string | number) => Plate | undefined;
  measures: (traits: Traits, character: string) => Measure[];
  /** Has an individual what a view shows? Always, where absent. */
  shows?: (traits: Traits, view: string) => boolean;
  /** What is seen instead of a view while the wings are closed. */
  closed?: Readonly<Record<string, string>>;
}

const PLANS: Record<NonNullable<Guide['plan']>, Plan> = {
  crab: {
    vocabulary: CRAB_TRAITS,
    views: CRAB_VIEWS,
    draw: (traits, view, detail) => drawCrab(traits, view as CrabView, detail),
    tile: crabTile,
    measures: crabMeasures,
  },
  cone: {
    vocabulary: CONE_TRAITS,
    views: CONE_VIEWS,
    draw: (traits, view, detail) => drawCone(traits, view as ConeView, detail),
    tile: coneTile,
    measures: coneMeasures,
  },
  beetle: {
    vocabulary: BEETLE_TRAITS,
    views: BEETLE_VIEWS,
    draw: (traits, view, detail) => drawBeetle(traits, view as BeetleView, detail),
    tile: beetleTile,
    measures: beetleMeasures,
  },
  tern: {
    vocabulary: TERN_TRAITS,
    views: TERN_VIEWS,
    draw: (traits, view, detail) => drawTern(traits, view as TernView, detail),
    tile: ternTile,
    measures: ternMeasures,
    closed: { below: 'perched', 'head-on': 'perched' },
  },
  umbel: {
    vocabulary: UMBEL_TRAITS,
    views: UMBEL_VIEWS,
    draw: (traits, view, detail) => drawUmbelView(traits, view as UmbelView, detail),
    tile: umbelTile,
    measures: umbelMeasures,
    shows: (traits, view) => umbelShows(traits, view as UmbelView),
  },
  moth: {
    vocabulary: MOTH_TRAITS,
    views: MOTH_VIEWS,
    draw: (traits, view, detail) => drawMoth(traits, view as MothView, detail),
    tile: mothTile,
    measures: mothMeasures,
    closed: { spread: 'rest' },
  },
};

export { traitsRead } from './traitsRead';
export { type Vocabulary } from './vocabulary';

const bound = new WeakMap<object, Plan>();

/** What is needed of a guide to draw it. */
type DrawnGuide = Pick<Guide, 'plan'> & Drawn;

/**
 * The body plan of a guide, where it has one, in the guide's own words: traits,
 * tiles and measures go by the ids of its characters and states.
 */
export function planOf(guide: DrawnGuide): Plan | undefined {
  const plan = guide.plan && PLANS[guide.plan];
  if (!plan) return undefined;
  const known = bound.get(guide) ?? inWordsOf(guide, plan);
  bound.set(guide, known);
  return known;
}

/** What of a guide its plates cannot show, for its author. */
export const foreignTo = (guide: Pick<Guide, 'plan' | 'characters' | 'plateTraits'>): Problem[] =>
  guide.plan ? foreignWords(guide, PLANS[guide.plan].vocabulary) : [];

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
