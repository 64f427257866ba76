import type * as wire from '@plesion/contract/fieldwork';
import type { Outcome } from '@plesion/core';
import {
  abundance,
  AGE_FAMILIES,
  ageNow,
  atLiberty,
  catchRate,
  chapman,
  convertAge,
  scaledMass,
  sexRatio,
  windOf,
} from '@plesion/core/fieldwork';
import type { z } from 'zod';
import { badRequest } from '../http/errors';

type In<T extends z.ZodType> = z.output<T>;
type Out<T extends z.ZodType> = z.input<T>;

/** What the core came to, or its refusal with field and sentence. */
function valueOf<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw badRequest(outcome.problems);
}

const pair = <T extends readonly [unknown, unknown]>(two: T): [T[0], T[1]] => [two[0], two[1]];

export function ratioOf({ males, females, unsexed = 0, expected }: In<typeof wire.RatioRequest>): Out<typeof wire.RatioAnswer> {
  const { interval, bounds, ...rest } = valueOf(sexRatio({ males, females, unsexed }, expected));
  return { ...rest, ...(interval ? { interval: pair(interval) } : {}), ...(bounds ? { bounds: pair(bounds) } : {}) };
}

export function abundanceOf(asked: In<typeof wire.AbundanceRequest>): Out<typeof wire.AbundanceAnswer> {
  const found = valueOf('visits' in asked ? abundance(asked.visits) : chapman(asked.first, asked.second, asked.both));
  return { ...found, interval: pair(found.interval) };
}

export function effortOf({ caught, effort }: In<typeof wire.EffortRequest>): Out<typeof wire.EffortAnswer> {
  const found = valueOf(catchRate(caught, effort));
  return { ...found, interval: pair(found.interval) };
}

export function ageOf({ seen, today, to, families = [] }: In<typeof wire.AgeRequest>): Out<typeof wire.AgeAnswer> {
  const all = [...AGE_FAMILIES, ...families];
  const inOrder = [...seen].sort((a, b) => (a.day < b.day ? -1 : 1));
  const age = valueOf(ageNow(inOrder, today, all));
  const last = inOrder.findLast((one) => one.age !== undefined);
  return {
    ...age,
    ...(to !== undefined && last?.age ? valueOf(convertAge(last.age, to, last.day, all)) : {}),
  };
}

export function libertyOf({ from, to }: In<typeof wire.LibertyRequest>): Out<typeof wire.LibertyAnswer> {
  const found = atLiberty(from, to);
  return { ...found, ...(found.bearing === undefined ? {} : { wind: windOf(found.bearing) }) };
}

export const conditionOf = ({ of, kind }: In<typeof wire.ConditionRequest>): Out<typeof wire.ConditionAnswer> =>
  valueOf(scaledMass(of, kind));
