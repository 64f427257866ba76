import type { Handling, Judging, PriorPart } from '../guide/working';

export const DISTANCES = ['hand', 'near', 'far'] as const;
export type Distance = (typeof DISTANCES)[number];

export const LIGHTS = ['fair', 'glare', 'dusk', 'lamp'] as const;
export type Light = (typeof LIGHTS)[number];

/** What is looked at: a living one, a photograph, or a dead one safely held. */
export const SUBJECTS = ['live', 'photograph', 'dead'] as const;
export type Subject = (typeof SUBJECTS)[number];

/** How the readings are to be weighed, where it is not as the guide has it. */
export type Judgement = Judging;

/** What one has to go on: views, nearness, light, what may be touched, where and when. */
export interface Situation {
  /** Views that can be had; all of the guide's where absent. */
  views?: string[];
  /** A living one where absent. */
  subject?: Subject;
  distance?: Distance;
  light?: Light;
  /** The most handling that is allowed. */
  handling?: Handling;
  place?: string;
  region?: string;
  habitat?: string;
  /** What holds as it is seen: wind, wet, alarm, a posture. */
  circumstances?: string[];
  /** What was found with it: host, neighbours, parents. */
  company?: string[];
  /** `YYYY-MM-DD`. */
  date?: string;
  latitude?: number;
  longitude?: number;
  note?: string;
  /** Parts of the prior that are left out of the weighing. */
  switchedOff?: PriorPart[];
}
