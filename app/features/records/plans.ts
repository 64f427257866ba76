import { type DrawnGuide, type Plan, planFor, type PlanName } from '@plesion/core/plates';

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

/** See to it that what draws a guide is here; a guide is given to no screen before. */
export async function loadPlan(name: PlanName | undefined): Promise<void> {
  if (name && !loaded.has(name)) loaded.set(name, await LOADS[name]());
}

/** The body plan of a guide in the guide's own words; none where it has none, or it was not loaded. */
export function planOf(guide: DrawnGuide): Plan | undefined {
  const plan = guide.plan && loaded.get(guide.plan);
  return plan && planFor(guide, plan);
}
