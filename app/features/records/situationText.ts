import type { Guide } from '@plesion/core/guide';
import type { Certainty, Distance, Light, Situation, Subject } from '@plesion/core/observation';
import { sayDate } from '../../lib/dates';

export const DISTANCE_LABELS: Record<Distance, string> = { hand: 'in the hand', near: 'a few paces', far: 'far off' };
export const LIGHT_LABELS: Record<Light, string> = { fair: 'fair', glare: 'glare', dusk: 'dusk', lamp: 'lamp' };
export const CERTAINTY_LABELS: Record<Certainty, string> = { sure: 'sure', likely: 'likely', guess: 'a guess' };
export const HANDLING_LABELS = { look: 'look only', touch: 'touch', hold: 'hold', instrument: 'hold and measure' } as const;

export const SUBJECT_LABELS: Record<Subject, string> = {
  live: 'alive',
  photograph: 'a photograph',
  dead: 'dead, safely held',
};

/** "Quell Harbour, ledge 4 · 12 May 2026 · in the hand". */
export function saySituation(situation: Situation, guide?: Guide): string {
  const region = guide?.regions.find((r) => r.id === situation.region)?.label;
  return [situation.place || region, sayDate(situation.date), situation.distance && DISTANCE_LABELS[situation.distance]]
    .filter(Boolean)
    .join(' · ');
}
