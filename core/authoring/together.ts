import { type CompiledGuide, frequencyAt, type Table } from '../guide/working';

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
  const told = guide.characters.slice(0, MOST).flatMap(({ id, dependence }) => {
    const table = tables.get(id);
    return table?.type === 'states' ? [{ id, dependence, of: stateByTaxon(table, forms) }] : [];
  });
  return told.flatMap((a, i) =>
    told.slice(i + 1).flatMap((b) => {
      if (a.dependence !== undefined && a.dependence === b.dependence) return [];
      const shared = [...a.of.keys()].filter((taxon) => b.of.has(taxon));
      const isAlike = shared.length >= LEAST && partAlike(shared.map((taxon) => [a.of.get(taxon)!, b.of.get(taxon)!]));
      return isAlike ? [{ a: a.id, b: b.id, taxa: shared.length }] : [];
    }),
  );
}

/** The state that each taxon has; those that vary, or whose forms differ, have none. */
function stateByTaxon(table: Extract<Table, { type: 'states' }>, forms: CompiledGuide['forms']): Map<string, string> {
  const found = new Map<string, string | undefined>();
  forms.forEach(({ taxon }, f) => {
    if (!table.scored[f]) return;
    const own = table.states.find((_, s) => frequencyAt(table, s, f) >= HAS);
    found.set(taxon, found.has(taxon) && found.get(taxon) !== own ? undefined : own);
  });
  return new Map([...found].flatMap(([taxon, state]) => (state === undefined ? [] : [[taxon, state]])));
}

/** Is each state of the one met with one state of the other alone, and are two of them met twice? */
function partAlike(pairs: readonly (readonly [string, string])[]): boolean {
  const [there, back, met] = [new Map<string, string>(), new Map<string, string>(), new Map<string, number>()];
  for (const [a, b] of pairs) {
    if ((there.get(a) ?? b) !== b || (back.get(b) ?? a) !== a) return false;
    there.set(a, b);
    back.set(b, a);
    met.set(a, (met.get(a) ?? 0) + 1);
  }
  return [...met.values()].filter((n) => n >= 2).length >= 2;
}
