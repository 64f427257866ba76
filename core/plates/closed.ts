import type { Guide } from '../guide/working';
import type { PlanName } from './plan';

const CLOSED: Partial<Record<PlanName, Readonly<Record<string, string>>>> = {
  tern: { below: 'perched', 'head-on': 'perched' },
  moth: { spread: 'rest' },
};

/** What is seen instead of a view while the wings are closed; empty where nothing folds. */
export const closedViews = ({ plan }: Pick<Guide, 'plan'>): Readonly<Record<string, string>> => (plan && CLOSED[plan]) ?? {};
