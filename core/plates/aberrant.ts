import { type RandomSource, pick } from '../probability';
import { type CompiledGuide, frequenciesOf, shownAt } from '../guide/working';
import { type Traits, traitsOf } from './traits';

/** From this frequency down a state is out of the ordinary for a form. */
const SELDOM = 0.06;

/**
 * An individual of a form that is out of the ordinary in one drawn character: a
 * state that the form shows seldom, but that the guide knows. Everything else is
 * drawn from the form's scores. Without any such state it is an ordinary one.
 */
export function aberrantTraits(
  compiled: CompiledGuide,
  form: number,
  random: RandomSource,
): { traits: Traits; aberrant?: string } {
  const traits = traitsOf(compiled, form, random);
  const odd = [...compiled.tables].flatMap(([id, table]) => {
    if (
      table.type !== 'states' ||
      !table.scored[form] ||
      !shownAt(compiled.guide, table.character) ||
      table.character.kind === 'count'
    )
      return [];
    const seldom = frequenciesOf(table, form).filter(({ p }) => p <= SELDOM);
    return seldom.length ? [{ id, states: seldom.map(({ state }) => state) }] : [];
  });
  if (odd.length === 0) return { traits };
  const { id, states } =
    odd[
      pick(
        odd.map(() => 1),
        random,
      )
    ];
  return {
    traits: {
      ...traits,
      [id]: states[
        pick(
          states.map(() => 1),
          random,
        )
      ],
    },
    aberrant: id,
  };
}
