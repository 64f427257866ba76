import { type RandomSource, normal, pick } from '../probability';
import type { Reading } from '../observation';
import { type CompiledGuide, misreadingMatrix, type StatesTable, type ValuesTable } from '../guide';
import { keepNewest } from '../guide/working';

export interface Drawn {
  form: number;
  readings: Reading[];
}

interface Drawing {
  /** How many of the characters are read, 0..1. */
  share: number;
  /** Of each dependence group only one, so that readings are independent as they are drawn. */
  onePerGroup?: boolean;
  /** How much oftener states are misread than the guide says. */
  misreading?: number;
}

/** An individual of the guide as it lives there, read at random characters with the misreading and errors that the guide states. */
export function drawnSpecimen(
  compiled: CompiledGuide,
  random: RandomSource,
  { share, onePerGroup, misreading = 1 }: Drawing,
): Drawn {
  const form = pick(compiled.base, random);
  const seen = new Set<string>();
  const readings = compiled.guide.characters.flatMap(({ id, dependence }): Reading[] => {
    const table = compiled.tables.get(id)!;
    if (random() > share || !table.scored[form] || (onePerGroup && seen.has(dependence ?? id))) return [];
    if (table.applies && random() > table.applies[form]) return [];
    seen.add(dependence ?? id);
    return [
      table.type === 'states' ? stateOf(compiled, table, form, random, misreading) : valueOf(compiled, table, form, random),
    ];
  });
  return { form, readings };
}

const matrices = new Map<string, Float64Array>();

function stateOf({ guide }: CompiledGuide, table: StatesTable, form: number, random: RandomSource, misreading: number): Reading {
  const forms = table.scored.length;
  const S = table.states.length;
  const { character } = table;
  const rho = character.reliability ?? guide.settings.reliability;
  const misread = Math.max(0, 1 - misreading * (1 - rho));
  const matrix = keepNewest(matrices, [S, character.kind, misread, guide.settings.slip].join(), 256, () =>
    misreadingMatrix(S, character.kind !== 'nominal', misread, guide.settings.slip),
  );
  const truth = pick(
    table.states.map((_, s) => table.frequency[s * forms + form]),
    random,
  );
  const state = table.states[pick(matrix.subarray(truth * S, (truth + 1) * S), random)];
  return character.kind === 'count'
    ? { character: character.id, value: Number(state) }
    : { character: character.id, states: [state] };
}

function valueOf({ guide }: CompiledGuide, table: ValuesTable, form: number, random: RandomSource): Reading {
  const wide = random() < guide.settings.tail ? 4 : 1;
  const at = table.mean[form] + wide * table.sd[form] * normal(random);
  const error = (table.character.error ?? 0) * normal(random);
  const value = table.log ? Math.exp(at) * (1 + error / Math.exp(at)) : at + error;
  // A length is above 0, and no careful reading gives another.
  const positive = table.log || table.character.kind === 'ratio';
  return { character: table.character.id, value: positive ? Math.max(value, 1e-3) : value };
}
