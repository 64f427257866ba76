import type { Reading } from '../observation';
import type { CompiledGuide } from '../guide';
import { alone, type Key, walkKey } from '../keys';
import type { Traits } from '../plates';

/** Where an individual read without error comes out of a key, taking at every couplet the lead whose statements fit best. */
export function keyedEnd(key: Key, compiled: CompiledGuide, traits: Traits): string | undefined {
  const readings = compiled.guide.characters.map((character): Reading => {
    const value = traits[character.id];
    if (character.states) return { character: character.id, states: [String(value)] };
    return { character: character.id, value: Number(value), error: 0 };
  });
  const answers: { couplet: string; lead: string }[] = [];
  for (let step = 0; step < 20; step++) {
    const { at, here, reached } = walkKey({ key, compiled, answers, specimens: alone(readings) });
    if (at === null) return reached?.taxon;
    const best = here!.reduce((a, b) => (b.support > a.support ? b : a));
    answers.push({ couplet: at, lead: best.lead });
  }
  return undefined;
}
