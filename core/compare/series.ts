import { seeded } from '../probability';
import { type CompiledGuide, frequenciesOf } from '../guide/working';
import { isOf, type Traits } from '../plates';

/** How far each member of a series lies from the usual, in standard deviations, and the rarest state it shows. */
const STEPS = [
  { label: 'usual', z: 0, rarest: 1 },
  { label: 'often', z: 0.8, rarest: 0.3 },
  { label: 'now and then', z: 1.5, rarest: 0.12 },
  { label: 'extreme', z: 2.2, rarest: 0.05 },
] as const;

/**
 * A form's own series from usual to extreme: values move away from the middle in
 * a direction of their own, and states give way to the rarest that is met that often.
 */
export function seriesOf(compiled: CompiledGuide, form: number): { label: string; traits: Traits }[] {
  return STEPS.map(({ label, z, rarest }) => {
    const traits: Traits = {};
    for (const [id, table] of compiled.tables) {
      if (!isOf(table, form)) continue;
      if (table.type === 'values') {
        const sign = seeded(id)() < 0.5 ? -1 : 1;
        const value = table.mean[form] + sign * z * table.sd[form];
        traits[id] = table.log ? Math.exp(value) : value;
        continue;
      }
      const ranked = frequenciesOf(table, form).sort((a, b) => b.p - a.p);
      const met = ranked.filter(({ p }, i) => i === 0 || p >= rarest);
      const state = rarest === 1 ? ranked[0].state : met[met.length - 1].state;
      traits[id] = table.character.kind === 'count' ? Number(state) : state;
    }
    return { label, traits };
  });
}
