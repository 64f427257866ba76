import type { SpecimenWrite } from '@plesion/contract';
import type { Keyed } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { alone, type Key, keyedOf, walkKey } from '@plesion/core/keys';
import { compiledIn } from '../guides/compiled';

/** What a walk says to a guide whose school is the key; undefined before it has ended. */
export function keyedBy(guide: Guide, key: Key, { walk, readings, situation, judgement }: SpecimenWrite): Keyed | undefined {
  const { trail, reached, backCheck } = walkKey({
    key,
    compiled: compiledIn(guide, situation, judgement),
    answers: walk!.answers,
    specimens: alone(readings),
    situation,
    start: walk!.start,
  });
  return reached && backCheck ? keyedOf(trail, reached, backCheck) : undefined;
}
