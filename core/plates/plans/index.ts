import type { Guide } from '../../guide/working';
import type { Problem } from '../../problem';
import { BEETLE } from '../beetle';
import { CONE } from '../cone';
import { CRAB } from '../crab';
import { MOTH } from '../moth';
import { type DrawnGuide, type Plan, planFor, type PlanName } from '../plan';
import { TERN } from '../tern';
import { type TiledGuide, tilesPlan } from '../tiles';
import { UMBEL } from '../umbel';
import { foreignWords } from '../vocabulary';

/** All body plans at once, for who need not be sparing with what is loaded. */
const PLANS: Record<PlanName, Plan> = { crab: CRAB, cone: CONE, beetle: BEETLE, tern: TERN, umbel: UMBEL, moth: MOTH };

/** The body plan of a guide, where it has one, in the guide's own words; else its tiles, where it has such. */
export const planOf = (guide: DrawnGuide & TiledGuide): Plan | undefined =>
  guide.plan ? planFor(guide, PLANS[guide.plan]) : tilesPlan(guide);

/** What of a guide its plates cannot show, for its author. */
export const foreignTo = (guide: Pick<Guide, 'plan' | 'characters' | 'plateTraits'>): Problem[] =>
  guide.plan ? foreignWords(guide, PLANS[guide.plan].vocabulary) : [];
