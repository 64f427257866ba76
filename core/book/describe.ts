import { type Character, CHARACTER_GROUPS, type CompiledGuide, frequenciesOf, type Table } from '../guide/working';

/** What is said of a form under one heading: readable sentences. */
export interface Description {
  group: Character['group'];
  sentences: string[];
}

/** Words for how often a state is met, from the commonest down. */
const OFTEN: [number, string][] = [
  [0.93, ''],
  [0.75, 'usually '],
  [0.5, 'mostly '],
  [0.25, 'sometimes '],
  [0.07, 'seldom '],
];

const Z95 = 1.96;

/**
 * A form described in sentences made of its scores, in the guide's working
 * order: baseline, shape, pattern, colour, behaviour. States met in fewer than 7
 * in 100 are left out, and so are characters that are not scored for the form; where
 * it is not known which of several states it has, that is said.
 */
export function describeForm(compiled: CompiledGuide, form: number): Description[] {
  return CHARACTER_GROUPS.flatMap((group): Description[] => {
    const sentences = compiled.guide.characters
      .filter((character) => character.group === group)
      .flatMap((character) => sayOf(compiled.tables.get(character.id)!, character, form));
    return sentences.length ? [{ group, sentences }] : [];
  });
}

function sayOf(table: Table, character: Character, form: number): string[] {
  if (!table.scored[form]) return [];
  if (table.type === 'values') return [sayRange(table, character, form)];
  if (character.kind === 'count') return [sayCounts(table, character, form)];
  const met = frequenciesOf(table, form)
    .filter(({ p }) => p >= 0.07)
    .sort((a, b) => b.p - a.p);
  const label = (id: string) => character.states!.find((state) => state.id === id)!.label;
  if (table.uncertain?.has(form))
    return [`${character.label}: either ${met.map(({ state }) => label(state)).join(' or ')}; which is not known.`];
  const said = met.map(({ state, p }) => `${OFTEN.find(([least]) => p >= least)![1]}${label(state)}`);
  return said.length ? [`${character.label}: ${said.join(', ')}.`] : [];
}

function sayCounts(table: Table & { type: 'states' }, character: Character, form: number): string {
  const usual = frequenciesOf(table, form).filter(({ p }) => p >= 0.03);
  const numbers = usual.map(({ state }) => Number(state)).sort((a, b) => a - b);
  const top = usual.reduce((a, b) => (b.p > a.p ? b : a));
  const [low, high] = [numbers[0], numbers[numbers.length - 1]];
  return low === high ? `${character.label}: ${low}.` : `${character.label}: ${low} to ${high}, most often ${top.state}.`;
}

function sayRange(table: Table & { type: 'values' }, { label, unit, parts }: Character, form: number): string {
  const at = (z: number) => {
    const x = table.mean[form] + z * table.sd[form];
    return table.log ? Math.exp(x) : x;
  };
  const digits = digitsFor(at(Z95) - at(-Z95));
  const [low, middle, high] = [-Z95, 0, Z95].map((z) => at(z).toFixed(digits));
  const inferred = table.inferred?.[form] ? ', inferred from a comparison' : '';
  if (parts)
    return `${sentence(parts.numerator)} ${low} to ${high} of the ${lower(parts.denominator)}, about ${middle}${inferred}.`;
  return `${label} ${low} to ${high}${unit ? ` ${unit}` : ''}, about ${middle}${inferred}.`;
}

/** As many digits as tell the ends of a range apart. */
const digitsFor = (spread: number): number => Math.max(0, Math.min(3, Math.ceil(1 - Math.log10(Math.max(spread, 1e-6)))));

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
