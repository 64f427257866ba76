import { Asked, PracticeAnswer } from '@plesion/core/practice/schema';
import { z } from 'zod';
import { keptForm } from '../../lib/keptForm';
import { useKeptState } from '../../lib/useKeptState';

const Turn = z.object({
  /** How one practises, in words of its own. */
  about: z.string(),
  seed: z.string(),
  asked: Asked,
  why: z.enum(['due', 'confused', 'new', 'kept']).optional(),
  pair: z.string().optional(),
});

/** The item that is before one's eyes and not answered yet: it is the same after a reload. */
export const keptTurn = (guideId: string) => keptForm(`practice.${guideId}`, Turn);

const { sure, wentBy, picked, number, counts, steps } = PracticeAnswer.shape;
const Given = z.object({
  /** Of the item that it is said of. */
  seed: z.string(),
  chosen: z.array(z.string()).default([]),
  sure: sure.optional(),
  ...{ wentBy, picked, number, counts, steps },
});
type Given = z.output<typeof Given>;

/** What was said of an item so far; said of another, it is nothing of this one. */
export function useGiven(seed: string, first: Partial<Given> = {}): [Given, (change: Partial<Given>) => void] {
  const nothing: Given = { seed, chosen: [], ...first };
  const [kept, change] = useKeptState('practice.given', Given, nothing);
  const given = kept.seed === seed ? kept : nothing;
  return [given, (part) => change({ ...given, ...part })];
}
