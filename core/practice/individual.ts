import { type CompiledBlock, type CompiledGuide, frequenciesOf, type StatesTable, type ValuesTable } from '../guide/working';
import { cholesky, symmetric } from '../linear';
import type { Traits } from '../plates';
import { normal, normalBelow, type RandomSource } from '../probability';

/** Deviates beyond this are drawn at it: a plate cannot show what one in four hundred is like. */
const FAR = 3;

/**
 * Draws novel individuals of a form. Each character by itself follows the form's scores exactly; characters of one
 * dependence group go together through one deviate of the group (a Gaussian copula, Nelsen 2006, with γ as its
 * correlation), and lengths of a measured block through their covariance.
 *
 * @param form place of the form in the guide.
 * @returns what draws one: the state of each character, or its value in the character's unit.
 */
export function individualsOf(compiled: CompiledGuide, form: number): (random: RandomSource) => Traits {
  const draws = [...compiled.tables].map(([id, table]) => ({
    id,
    group: compiled.guide.dependence.find((one) => one.id === table.character.dependence),
    trait: table.type === 'values' ? valueAt(table, form) : stateAt(table, form),
  }));
  const blocks = compiled.blocks.flatMap((block) => blockDeviates(block, form) ?? []);
  return (random) => {
    const shared = new Map(compiled.guide.dependence.map(({ id }) => [id, normal(random)]));
    const measured = new Map(blocks.flatMap((draw) => draw(random)));
    return Object.fromEntries(
      draws.map(({ id, group, trait }) => {
        const own = normal(random);
        const alone = group ? Math.sqrt(group.gamma) * shared.get(group.id)! + Math.sqrt(1 - group.gamma) * own : own;
        return [id, trait(measured.get(id) ?? alone)];
      }),
    );
  };
}

/** The value that a standard normal deviate stands for. */
function valueAt({ mean, sd, log }: ValuesTable, form: number): (deviate: number) => number {
  return (deviate) => {
    const value = mean[form] + Math.max(-FAR, Math.min(FAR, deviate)) * sd[form];
    return log ? Math.exp(value) : value;
  };
}

/** The state: those of lower deviates come first in the character's list. */
function stateAt(table: StatesTable, form: number): (deviate: number) => string | number {
  const states = frequenciesOf(table, form).filter(({ p }) => p > 0);
  const number = table.character.kind === 'count';
  return (deviate) => {
    let left = normalBelow(deviate, 0, 1);
    const { state } = states.find(({ p }) => (left -= p) < 0) ?? states.at(-1)!;
    return number ? Number(state) : state;
  };
}

/** Standard normal deviates of a block's characters that go together as its covariance says; nothing where the form was not measured. */
function blockDeviates({ block, rows, rowOf }: CompiledBlock, form: number) {
  if (rowOf[form] < 0) return undefined;
  const covariance = rows[rowOf[form]].covariance ?? block.covariance;
  const factor = cholesky(covariance, block.characters.length);
  if (!factor) return undefined;
  return (random: RandomSource): [string, number][] => {
    const free = block.characters.map(() => normal(random));
    return block.characters.map((character, i) => {
      const deviate = free.slice(0, i + 1).reduce((sum, z, j) => sum + z * symmetric(factor, i, j), 0);
      return [character, deviate / Math.sqrt(symmetric(covariance, i, i))];
    });
  };
}
