import { type RandomSource, normal, pick } from '../probability';
import { type CompiledGuide, frequenciesOf, type Table } from '../guide/working';

/** What a drawing shows: the state or value of each character, by the character's id. */
export type Traits = Record<string, string | number>;

/** Reads traits for a body plan: a word or a number by its character's id, or what is usual where there is none. */
export const traitReader = (traits: Traits) => ({
  word: <T extends string>(id: string, usual: T): T => (typeof traits[id] === 'string' ? (traits[id] as T) : usual),
  number: (id: string, usual: number): number => (typeof traits[id] === 'number' ? traits[id] : usual),
});

/** Is a character scored of a form, and has its usual individual what it is of? Else there is nothing to draw of it. */
export const isOf = ({ scored, applies }: Table, form: number): boolean =>
  scored[form] === 1 && (applies === undefined || applies[form] >= 0.5);

/**
 * The usual individual of a form: the most frequent state of each character and
 * the middle of each range, as far as they are scored and it has what they are of. With a chance, a novel individual drawn from the
 * form's scores instead.
 */
export function traitsOf(compiled: CompiledGuide, form: number, chance?: RandomSource): Traits {
  const traits: Traits = {};
  for (const [id, table] of compiled.tables) {
    if (!isOf(table, form)) continue;
    if (table.type === 'states') {
      const states = frequenciesOf(table, form);
      const at = chance
        ? pick(
            states.map(({ p }) => p),
            chance,
          )
        : states.reduce((best, { p }, i) => (p > states[best].p ? i : best), 0);
      traits[id] = table.character.kind === 'count' ? Number(states[at].state) : states[at].state;
    } else {
      const deviate = chance ? Math.max(-2.2, Math.min(2.2, normal(chance))) : 0;
      const value = table.mean[form] + deviate * table.sd[form];
      traits[id] = table.log ? Math.exp(value) : value;
    }
  }
  return traits;
}
