import type { Handling, PriorPart } from '../guide/working';

export const DISTANCES = ['hand', 'near', 'far'] as const;
export type Distance = (typeof DISTANCES)[number];

export const LIGHTS = ['fair', 'glare', 'dusk', 'lamp'] as const;
export type Light = (typeof LIGHTS)[number];

/** What one has to go on: views, nearness, light, what may be touched, where and when. */
export interface Situation {
  /** Views that can be had; all of the guide's where absent. */
  views?: string[];
  distance?: Distance;
  light?: Light;
  /** The most handling that is allowed. */
  handling?: Handling;
  place?: string;
  region?: string;
  habitat?: string;
  /** `YYYY-MM-DD`. */
  date?: string;
  latitude?: number;
  longitude?: number;
  note?: string;
  /** Parts of the prior that are left out of the weighing. */
  switchedOff?: PriorPart[];
}
