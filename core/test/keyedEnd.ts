import type { Reading } from '../observation';
import type { CompiledGuide } from '../guide';
import { alone, coupletIndex, endpointId, type Key, walkKey } from '../keys';
import type { Traits } from '../plates';

/** Where an individual read without error comes out of a key, taking at every couplet the lead whose statements fit best. */
export function keyedEnd(key: Key, compiled: CompiledGuide, traits: Traits): string | undefined {
  const readings = compiled.guide.characters.map((character): Reading => {
    const value = traits[character.id];
    if (character.states) return { character: character.id, states: [String(value)] };
    return { character: character.id, value: Number(value), error: 0 };
  });
  const couplets = coupletIndex(key);
  const answers: { couplet: string; lead: string }[] = [];
  for (let step = 0; step < 20; step++) {
    const { at, here } = walkKey({ key, compiled, answers, specimens: alone(readings) });
    const best = here!.reduce((a, b) => (b.support > a.support ? b : a));
    // What it comes to is seen from the lead; taken, it would be held against all the guide, which nobody asks here.
    const { to } = couplets.get(at!)!.leads.find(({ id }) => id === best.lead)!;
    if (to.kind !== 'couplet') return endpointId(to);
    answers.push({ couplet: at!, lead: best.lead });
  }
  return undefined;
}
