import type { Character, Guide } from '../guide/working';
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

export { commandCount, escapeXml, type Ink, type Plate, plateSvg } from './display';
export { aberrantTraits } from './aberrant';
export { conceal, type Concealment, type Veil, VEILS } from './conceal';
export { type Box, type Point } from './geometry';
export { type Leader, leadersOf, type Mark } from './leaders';
export { type Measure } from './measure';
export { type Detail } from './pen';
export { type ScaleBar, scaleBar } from './scale';
export { type Traits, traitsOf } from './traits';

/** What a body plan can draw. */
interface Plan {
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
    views: CRAB_VIEWS,
    draw: (traits, view, detail) => drawCrab(traits, view as CrabView, detail),
    tile: crabTile,
    measures: crabMeasures,
  },
  cone: {
    views: CONE_VIEWS,
    draw: (traits, view, detail) => drawCone(traits, view as ConeView, detail),
    tile: coneTile,
    measures: coneMeasures,
  },
  beetle: {
    views: BEETLE_VIEWS,
    draw: (traits, view, detail) => drawBeetle(traits, view as BeetleView, detail),
    tile: beetleTile,
    measures: beetleMeasures,
  },
  tern: {
    views: TERN_VIEWS,
    draw: (traits, view, detail) => drawTern(traits, view as TernView, detail),
    tile: ternTile,
    measures: ternMeasures,
    closed: { below: 'perched', 'head-on': 'perched' },
  },
  umbel: {
    views: UMBEL_VIEWS,
    draw: (traits, view, detail) => drawUmbelView(traits, view as UmbelView, detail),
    tile: umbelTile,
    measures: umbelMeasures,
    shows: (traits, view) => umbelShows(traits, view as UmbelView),
  },
  moth: {
    views: MOTH_VIEWS,
    draw: (traits, view, detail) => drawMoth(traits, view as MothView, detail),
    tile: mothTile,
    measures: mothMeasures,
    closed: { spread: 'rest' },
  },
};

/** The body plan of a guide, where it has one. */
export const planOf = (guide: Pick<Guide, 'plan'>): Plan | undefined => guide.plan && PLANS[guide.plan];
export { traitsRead } from './traitsRead';
