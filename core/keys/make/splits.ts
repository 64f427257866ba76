import { normalBelow } from '../../probability';
import {
  type Character,
  type CompiledGuide,
  isUnder,
  type StatesTable,
  type ValuesTable,
  frequencyAt,
  reliabilityOf,
} from '../../guide/working';
import type { KeyPurpose } from '../vocabulary';
import type { StatementLink } from '../schema';

/** A form goes one way only when it does so at least this often. */
const CLEAR = 0.95;
/** Or usually, where the statement says so. */
const USUAL = 0.8;
/** What a couplet that says "usually" costs more. */
const USUAL_COST = 0.25;
/** States of a nominal character are divided in every way up to this many; for few items, whose best key is sought exactly, up to more. */
const EVERY_WAY = 5;
const EVERY_WAY_OF_FEW = 12;
/** Cuts tried along a measured character. */
const CUTS = 24;

/** More items than this are not solved exactly: the sets are 2ⁿ. */
export const EXACT = 12;

/** One way to divide forms by one character: how often each form answers to the first side. */
export interface Split {
  character: Character;
  /** P(first side | item), by item. */
  first: Float64Array;
  /** 1 for the first side, 2 for the second, 3 for both, by item. */
  sides: Uint8Array;
  /** What each side allows. */
  links: [StatementLink, StatementLink];
  /** Some form goes its way only usually. */
  usual: boolean;
  /** Couplets count 1; less trusted or slower characters a little more. */
  cost: number;
}

/** A form to be keyed, with its weight. */
export interface Item {
  form: number;
  taxon: string;
  weight: number;
}

/** The forms a key is to hold: all but crosses, or those named, themselves or by their taxon. */
export function itemsOf(compiled: CompiledGuide, wanted?: readonly string[]): Item[] {
  return compiled.forms.flatMap((form, f) => {
    const asked = wanted
      ? wanted.some((id) => id === form.id || isUnder(compiled.guide, form.taxon, id))
      : form.cross === undefined;
    return asked ? [{ form: f, taxon: form.taxon, weight: compiled.base[f] }] : [];
  });
}

/** May the character be read for that purpose? */
export function suits(character: Character, purpose: KeyPurpose): boolean {
  if (purpose === 'hands-off') return character.handling === 'look' && character.distance !== 'hand';
  return purpose === 'bench' || character.handling !== 'instrument';
}

export interface SplitOptions {
  purpose: KeyPurpose;
  prefer?: readonly string[];
}

/** Every division of the items that the guide's characters allow for the purpose. */
export function splitsOf(compiled: CompiledGuide, items: readonly Item[], { purpose, prefer = [] }: SplitOptions): Split[] {
  const usable = compiled.guide.characters.filter((character) => suits(character, purpose));
  const costOf = costs(compiled, usable, prefer);
  return usable.flatMap((character) => {
    const table = compiled.tables.get(character.id)!;
    const divisions = table.type === 'states' ? stateSplits(table, items) : valueSplits(table, items);
    return divisions.flatMap(({ first, links }): Split[] => {
      if (table.applies) items.forEach(({ form }, i) => (first[i] = table.applies![form] < CLEAR ? 0.5 : first[i]));
      const clear = sidesAt(first, CLEAR);
      const usual = sidesAt(first, USUAL);
      const cost = costOf(character);
      const made: Split[] = divides(clear) ? [{ character, first, sides: clear, links, usual: false, cost }] : [];
      if (divides(usual) && usual.some((side, i) => side !== clear[i])) {
        made.push({ character, first, sides: usual, links, usual: true, cost: cost + USUAL_COST });
      }
      return made;
    });
  });
}

const sidesAt = (first: Float64Array, sure: number) => Uint8Array.from(first, (p) => (p >= sure ? 1 : p <= 1 - sure ? 2 : 3));
const divides = (sides: Uint8Array) => sides.includes(1) && sides.includes(2);

/** What a couplet by a character costs beside one by the best: up to a third more for the least trusted, a little for the slow. */
function costs(compiled: CompiledGuide, usable: readonly Character[], prefer: readonly string[]) {
  const reliability = (character: Character) => reliabilityOf(compiled.guide, character);
  const best = Math.max(...usable.map(reliability));
  const quickest = Math.min(...usable.map(({ seconds }) => seconds));
  return (character: Character): number =>
    1 +
    Math.min(0.35, 0.6 * (best - reliability(character))) +
    0.02 * Math.min(4, Math.log2(character.seconds / quickest)) +
    (prefer.length > 0 && !prefer.includes(character.id) ? 0.3 : 0);
}

interface Division {
  first: Float64Array;
  links: Split['links'];
}

function stateSplits(table: StatesTable, items: readonly Item[]): Division[] {
  const { character, states } = table;
  const p = (s: number, item: Item) => frequencyAt(table, s, item.form);
  const found = states.map((_, s) => s).filter((s) => items.some((item) => p(s, item) > 1 - CLEAR));
  const ways = items.length <= EXACT ? EVERY_WAY_OF_FEW : EVERY_WAY;
  const massOf = (s: number) => items.reduce((sum, item) => sum + item.weight * p(s, item), 0);
  return sidesFor(character, found, ways, massOf).map((own) => {
    const rest = found.filter((s) => !own.includes(s));
    const links: Split['links'] =
      character.kind === 'count'
        ? countLinks(character.id, states, own, rest)
        : [
            { character: character.id, states: own.map((s) => states[s]) },
            { character: character.id, states: rest.map((s) => states[s]) },
          ];
    return { first: Float64Array.from(items, (item) => own.reduce((sum, s) => sum + p(s, item), 0)), links };
  });
}

/** The states of the first side, for every way to divide them; those with an order are cut once. */
function sidesFor(character: Character, found: readonly number[], most: number, massOf: (state: number) => number): number[][] {
  if (found.length < 2) return [];
  if (character.kind !== 'nominal') return found.slice(1).map((_, k) => found.slice(0, k + 1));
  if (found.length > most) {
    // One against the rest, and the commonest few against the rest: some of these divide evenly.
    const byMass = [...found].sort((a, b) => massOf(b) - massOf(a));
    const several = byMass.slice(1, -2).map((_, k) => byMass.slice(0, k + 2).sort((a, b) => a - b));
    return [...found.map((s) => [s]), ...several];
  }
  const ways: number[][] = [];
  // The first state always stands on the first side: the mirror image is the same couplet.
  for (let mask = 0; mask < (1 << (found.length - 1)) - 1; mask++) {
    ways.push(found.filter((_, k) => k === 0 || mask & (1 << (k - 1))));
  }
  return ways;
}

function countLinks(id: string, states: readonly string[], own: readonly number[], rest: readonly number[]): Split['links'] {
  return [
    { character: id, high: Number(states[own.at(-1)!]) },
    { character: id, low: Number(states[rest[0]]) },
  ];
}

/** Cuts between neighbouring means, at most a couple of dozen, evenly among the forms. */
function valueSplits(table: ValuesTable, items: readonly Item[]): Division[] {
  const means = [...new Set(items.filter(({ form }) => table.scored[form]).map(({ form }) => table.mean[form]))].sort(
    (a, b) => a - b,
  );
  const gaps = means.slice(1).map((mean, i) => ({ at: (mean + means[i]) / 2, wide: mean - means[i] }));
  const step = Math.max(1, gaps.length / CUTS);
  const cuts = Array.from({ length: Math.min(CUTS, gaps.length) }, (_, k) => {
    // The widest gap of each stretch: a cut belongs where fewest are near it.
    const stretch = gaps.slice(Math.floor(k * step), Math.max(Math.floor(k * step) + 1, Math.floor((k + 1) * step)));
    return stretch.reduce((a, b) => (b.wide > a.wide ? b : a)).at;
  });
  return cuts.flatMap((cut): Division[] => {
    const bound = rounded(table.log ? Math.exp(cut) : cut, table.character.error ?? 0);
    if (table.log && bound <= 0) return [];
    const at = table.log ? Math.log(bound) : bound;
    return [
      {
        first: Float64Array.from(items, ({ form }) =>
          table.scored[form] ? normalBelow(at, table.mean[form], table.sd[form]) : 0.5,
        ),
        links: [
          { character: table.character.id, high: bound },
          { character: table.character.id, low: bound },
        ],
      },
    ];
  });
}

/** To the digits that a careful measurement has. */
function rounded(value: number, error: number): number {
  const unit = error > 0 ? 10 ** Math.floor(Math.log10(error)) : 0.01;
  return Number((Math.round(value / unit) * unit).toPrecision(12));
}
