import { Keyed, Level } from '@plesion/core/evidence/schema';
import { Judgement } from '@plesion/core/guide/schema';
import { Readings, Situation } from '@plesion/core/observation/schema';
import { z } from 'zod';

export const StandingRequest = z.strictObject({
  /** A finished walk through a key, for guides whose school is the key. */
  keyed: Keyed.optional(),
  situation: Situation.optional(),
  readings: Readings,
  level: Level.optional(),
  ...Judgement.shape,
});
export type StandingRequest = z.output<typeof StandingRequest>;
