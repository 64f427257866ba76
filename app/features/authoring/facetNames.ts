import type { FacetName } from '@plesion/core/guide';

/** What each thing beside the kind is called. */
export const FACET_NAMES: Record<FacetName, string> = { stage: 'Stage', sex: 'Sex', morph: 'Morph', season: 'Season' };
