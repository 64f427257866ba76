/** The closed lists of words that a situation and its readings are written in. */

export const CERTAINTIES = ['sure', 'likely', 'guess'] as const;
export type Certainty = (typeof CERTAINTIES)[number];

export const READING_STATUSES = ['seen', 'not-visible', 'does-not-apply'] as const;
export type ReadingStatus = (typeof READING_STATUSES)[number];

/** How near one is, from near to far. */
export const DISTANCES = ['hand', 'near', 'far'] as const;
export type Distance = (typeof DISTANCES)[number];

export const LIGHTS = ['fair', 'glare', 'dusk', 'lamp'] as const;
export type Light = (typeof LIGHTS)[number];

/** What is looked at: a living one, a photograph, or a dead one safely held. */
export const SUBJECTS = ['live', 'photograph', 'dead'] as const;
export type Subject = (typeof SUBJECTS)[number];
