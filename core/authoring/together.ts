import { type CompiledGuide, frequencyAt, type StatesTable } from '../guide/working';

/** Two characters that part the taxa in the same way, and are not in one dependence group. */
export interface Together {
  a: string;
  b: string;
  /** Taxa that both are scored of. */
  taxa: number;
}

/** Fewer taxa say nothing: of four, any two characters may agree by chance. */
const LEAST = 5;
/** A taxon has a state where it is so frequent in it. */
const HAS = 0.7;
/** Characters that are compared, each with each. */
const MOST = 300;

/**
 * Characters that hang together as far as the scores say: told by states, and the same taxa stand together in both, with
 * two at the least on two sides. Whether one is read instead of the other is for the author to know: such marks count
 * as one where they are of one dependence group.
 */
export function togetherIn(compiled: CompiledGuide): Together[] {
  const { guide, forms, tables } = compiled;
  const places = new Map([...new Set(forms.map(({ taxon }) => taxon))].map((taxon, i) => [taxon, i]));
  const taxa = Int32Array.from(forms, ({ taxon }) => places.get(taxon)!);
  const told = guide.characters.slice(0, MOST).flatMap(({ id, dependence }) => {
    const table = tables.get(id);
    return table?.type === 'states'
      ? [{ id, dependence, states: table.states.length, of: stateByTaxon(table, taxa, places.size) }]
      : [];
  });
  return told.flatMap((a, i) =>
    told.slice(i + 1).flatMap((b) => {
      if (a.dependence !== undefined && a.dependence === b.dependence) return [];
      const shared = sharedWhereAlike(a, b);
      return shared >= LEAST ? [{ a: a.id, b: b.id, taxa: shared }] : [];
    }),
  );
}

/** In place of the state of a taxon that has no one state. */
const NONE = -1;

interface StatesByTaxon {
  /** How many states there are. */
  states: number;
  /** The place of the state that each taxon has. */
  of: Int16Array;
}

/** The state that each taxon has, by its place; those that vary, or whose forms differ, have none. */
function stateByTaxon(table: StatesTable, taxonOf: Int32Array, taxa: number): Int16Array {
  const found = new Int16Array(taxa).fill(NONE);
  const seen = new Uint8Array(taxa);
  taxonOf.forEach((taxon, f) => {
    if (!table.scored[f]) return;
    const own = table.states.findIndex((_, s) => frequencyAt(table, s, f) >= HAS);
    found[taxon] = seen[taxon] && found[taxon] !== own ? NONE : own;
    seen[taxon] = 1;
  });
  return found;
}

/**
 * Taxa that have a state of both, where each state of the one is met with one state of the other alone, and two of them
 * are met twice; else 0. Of two that do not go together a few taxa tell.
 */
function sharedWhereAlike(a: StatesByTaxon, b: StatesByTaxon): number {
  const there = new Int16Array(a.states).fill(NONE);
  const back = new Int16Array(b.states).fill(NONE);
  const met = new Int32Array(a.states);
  let shared = 0;
  for (let taxon = 0; taxon < a.of.length; taxon++) {
    const [one, other] = [a.of[taxon], b.of[taxon]];
    if (one === NONE || other === NONE) continue;
    if (there[one] === NONE && back[other] === NONE) {
      there[one] = other;
      back[other] = one;
    } else if (there[one] !== other) return 0;
    met[one]++;
    shared++;
  }
  return met.filter((n) => n >= 2).length >= 2 ? shared : 0;
}
