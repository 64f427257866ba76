import { type DrawnTile, type Guide, isDrawnTile } from '@plesion/core/guide';
import type { drawTile, tilesPlan } from '@plesion/core/plates/tiles';
import { type DrawnGuide, type Plan, planFor, type Plate, type PlanName } from '@plesion/core/plates';

/** Each body plan comes when a guide that is drawn by it does. */
const LOADS: Record<PlanName, () => Promise<Plan>> = {
  crab: () => import('@plesion/core/plates/crab').then(({ CRAB }) => CRAB),
  cone: () => import('@plesion/core/plates/cone').then(({ CONE }) => CONE),
  beetle: () => import('@plesion/core/plates/beetle').then(({ BEETLE }) => BEETLE),
  tern: () => import('@plesion/core/plates/tern').then(({ TERN }) => TERN),
  umbel: () => import('@plesion/core/plates/umbel').then(({ UMBEL }) => UMBEL),
  moth: () => import('@plesion/core/plates/moth').then(({ MOTH }) => MOTH),
};

const loaded = new Map<PlanName, Plan>();

/** See to it that what draws a body plan is here. */
export async function loadPlan(name: PlanName | undefined): Promise<void> {
  if (name && !loaded.has(name)) loaded.set(name, await LOADS[name]());
}

/** The tiles that guides describe themselves come when the first of them does. */
let tiles: { drawTile: typeof drawTile; tilesPlan: typeof tilesPlan } | undefined;

/** See to it that what draws tiles is here. */
export async function loadTiles(): Promise<void> {
  tiles ??= await import('@plesion/core/plates/tiles');
}

/** See to it that what draws a guide is here; a guide is given to no screen before. */
export async function loadDrawing({ plan, characters }: Pick<Guide, 'plan' | 'characters'>): Promise<void> {
  const tiled = characters.some(({ states }) => states?.some(({ tile }) => isDrawnTile(tile)));
  await Promise.all([loadPlan(plan), tiled && loadTiles()]);
}

/** What draws a guide: its body plan in its own words, or its tiles; none where it has neither, or it was not loaded. */
export function planOf(guide: DrawnGuide & Partial<Pick<Guide, 'characters' | 'views'>>): Plan | undefined {
  const { plan: name, characters, views } = guide;
  if (!name) return characters && views && tiles?.tilesPlan(guide as Guide);
  const plan = loaded.get(name);
  return plan && planFor(guide, plan);
}

/** A tile that a guide describes by itself; nothing before {@link loadTiles}. */
export const drawnTile = (tile: DrawnTile): Plate | undefined => tiles?.drawTile(tile);
