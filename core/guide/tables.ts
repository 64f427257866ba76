import type { Character, Settings } from './schema';

/**
 * The flat arrays that evidence is read from. Tables are laid out by state, then
 * by form (`bits[s * forms + f]`), so that one reading is one pass over memory.
 */
export interface StatesTable {
  type: 'states';
  character: Character;
  /** State ids; for counts the numbers themselves as text. */
  states: string[];
  /** log2 P(read as s | form f) with misreading in it; 0 > bits. */
  bits: Float64Array;
  /** P(s | f), what the scores say, before misreading; same layout. */
  frequency: Float64Array;
  scored: Uint8Array;
  /** Forms of which it is not known which of several states they have; absent where there are none. */
  uncertain?: ReadonlySet<number>;
  /** P(the character applies | form), absent where no score says. */
  applies?: Float64Array;
  /** The guide-wide predictive of each reading. */
  predictive: Float64Array;
  /** The broad predictive of each reading, for what is not in the guide. */
  outside: Float64Array;
}

export interface ValuesTable {
  type: 'values';
  character: Character;
  log: boolean;
  /** On the working scale (natural logarithm where `log`). */
  mean: Float64Array;
  sd: Float64Array;
  scored: Uint8Array;
  applies?: Float64Array;
  /** Forms whose value follows from a comparison with another taxon. */
  inferred?: Uint8Array;
  /** Guide-wide mean and spread on the working scale, of the mixture of forms. */
  centre: number;
  spread: number;
}

export type Table = StatesTable | ValuesTable;

/** P(state `s` | form `f`), as the scores say, before misreading. */
export const frequencyAt = ({ frequency, scored }: StatesTable, s: number, f: number): number => frequency[s * scored.length + f];

/** P(read as state `s` | form `f`), with misreading in it. */
export const likelihoodAt = ({ bits, scored }: StatesTable, s: number, f: number): number => 2 ** bits[s * scored.length + f];

/** P(a state is read right): the character's own, or what the guide takes for all. */
export const reliabilityOf = (
  { settings }: { settings: Pick<Settings, 'reliability'> },
  { reliability }: Pick<Character, 'reliability'>,
): number => reliability ?? settings.reliability;

/** No outcome is less likely than this: a state never scored and never misread is still no proof. */
export const LEAST_LIKELIHOOD = 1e-12;

/** A spread of values is at least this, in units of its mean, and at least this in all: nothing is the same to the last digit. */
const LEAST_SPREAD = 1e-9;

/** What a form is scored for one character: nothing, frequencies of states, or a spread of values. */
export type Resolved = { p: ArrayLike<number>; uncertain?: true } | { mean: number; sd: number; n?: number } | undefined;

/**
 * The misreading matrix M(r|s): with probability ρ a state is read right; the
 * rest goes to the neighbours of an ordered state, else to all others alike. A
 * small slip (δ, of the pen or the finger) is spread over all states.
 *
 * @returns row-major by true state: `M[s * S + r]`, rows summing to 1.
 */
export function misreadingMatrix(states: number, ordered: boolean, reliability: number, slip: number): Float64Array {
  const matrix = new Float64Array(states * states);
  if (states === 1) return matrix.fill(1);
  for (let s = 0; s < states; s++) {
    const others: number[] = [];
    for (let r = 0; r < states; r++) if (r !== s && (!ordered || Math.abs(r - s) === 1)) others.push(r);
    for (const r of others) matrix[s * states + r] = (1 - reliability) / others.length;
    matrix[s * states + s] = reliability;
    for (let r = 0; r < states; r++) {
      matrix[s * states + r] = (1 - slip) * matrix[s * states + r] + slip / states;
    }
  }
  return matrix;
}

/**
 * @param resolved one entry a form; @param base the weight of each form in the predictive, sum 1.
 */
export function statesTable(
  character: Character,
  states: string[],
  resolved: readonly Resolved[],
  base: Float64Array,
  settings: Pick<Settings, 'reliability' | 'slip'>,
): StatesTable {
  const forms = resolved.length;
  const S = states.length;
  const ordered = character.kind !== 'nominal';
  const matrix = misreadingMatrix(S, ordered, reliabilityOf({ settings }, character), settings.slip);
  const bits = new Float64Array(S * forms);
  const frequency = new Float64Array(S * forms);
  const scored = new Uint8Array(forms);
  const predictive = new Float64Array(S);
  const truth = new Float64Array(S);
  const uncertain = new Set<number>();
  let weight = 0;
  for (let f = 0; f < forms; f++) {
    const score = resolved[f];
    if (!score || !('p' in score)) continue;
    scored[f] = 1;
    if (score.uncertain) uncertain.add(f);
    weight += base[f];
    for (let s = 0; s < S; s++) {
      frequency[s * forms + f] = score.p[s];
      truth[s] += base[f] * score.p[s];
    }
    for (let r = 0; r < S; r++) {
      let likelihood = 0;
      for (let s = 0; s < S; s++) likelihood += score.p[s] * matrix[s * S + r];
      predictive[r] += base[f] * likelihood;
      bits[r * forms + f] = Math.log2(Math.max(likelihood, LEAST_LIKELIHOOD));
    }
  }
  for (let r = 0; r < S; r++) {
    predictive[r] = weight > 0 ? predictive[r] / weight : 1 / S;
    truth[r] = weight > 0 ? truth[r] / weight : 1 / S;
  }
  for (let f = 0; f < forms; f++) {
    for (let r = 0; r < S; r++) {
      const at = r * forms + f;
      if (!scored[f]) {
        bits[at] = Math.log2(Math.max(predictive[r], LEAST_LIKELIHOOD));
        frequency[at] = truth[r];
      }
    }
  }
  const outside = predictive.map((p) => (p + 1 / S) / 2);
  const table: StatesTable = { type: 'states', character, states, bits, frequency, scored, predictive, outside };
  return uncertain.size ? { ...table, uncertain } : table;
}

/** Values on the working scale; forms without a score get the guide-wide mixture when read. */
export function valuesTable(character: Character, resolved: readonly Resolved[], base: Float64Array): ValuesTable {
  const forms = resolved.length;
  const mean = new Float64Array(forms);
  const sd = new Float64Array(forms);
  const scored = new Uint8Array(forms);
  let weight = 0;
  let first = 0;
  let second = 0;
  for (let f = 0; f < forms; f++) {
    const score = resolved[f];
    if (!score || !('mean' in score)) continue;
    scored[f] = 1;
    mean[f] = score.mean;
    sd[f] = Math.max(score.sd, LEAST_SPREAD * Math.max(1, Math.abs(score.mean)));
    weight += base[f];
    first += base[f] * score.mean;
    second += base[f] * (sd[f] ** 2 + score.mean ** 2);
  }
  const centre = weight > 0 ? first / weight : 0;
  const least = (LEAST_SPREAD * Math.max(1, Math.abs(centre))) ** 2;
  const spread = weight > 0 ? Math.sqrt(Math.max(second / weight - centre ** 2, least)) : 1;
  for (let f = 0; f < forms; f++) {
    if (scored[f]) continue;
    mean[f] = centre;
    sd[f] = spread;
  }
  return { type: 'values', character, log: character.log ?? false, mean, sd, scored, centre, spread };
}
