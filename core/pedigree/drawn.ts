import type { Sex } from '../guide/heredityVocabulary';
import type { ChartKin } from './chart';
import type { PosteriorAnswer } from '../heredity/schema';
import { sharesOf, type StrainShares } from '../heredity/strains';
import { type BookMember, fathersOf, mothersOf } from './members';

/** What of a book is drawn. */
export interface Wish {
  /** Only somebody's line. */
  focus?: { of: string; toward: 'ancestors' | 'descendants' };
  /** Whose young, and all of theirs, are left out. */
  folded?: ReadonlySet<string>;
  /** Symbols are shaded by the chance that this is carried. */
  carries?: { locus: string; allele: string };
}

/** What a symbol says. */
export interface SymbolFacts {
  name: string;
  /** What its records come to; nothing where that is no more than even. */
  sex?: Sex;
  /** Gone or dead. */
  away: 'gone' | 'dead' | undefined;
  /** The chance that it carries what is looked for. */
  shade?: number;
  /** One of its records is among those that are the likeliest to be wrong. */
  wrong: boolean;
  shares: StrainShares;
  /** Nobody is known as its parent; not only not drawn. */
  founder: boolean;
  /** Descendants that are folded away. */
  folded: number;
}

export interface DrawnBook {
  kin: ChartKin[];
  facts: ReadonlyMap<string, SymbolFacts>;
}

/** What of a book is drawn, and what each symbol says. Parents that are in the book no more are nobody. */
export function drawnBook(members: readonly BookMember[], posterior: PosteriorAnswer | undefined, wish: Wish = {}): DrawnBook {
  const known = new Set(members.map(({ id }) => id));
  const all = withoutCircles(
    members.map((one) => ({
      id: one.id,
      fathers: fathersOf(one).filter((id) => known.has(id)),
      mothers: mothersOf(one).filter((id) => known.has(id)),
      strain: one.kept.strain,
    })),
  );
  const parents = new Map(all.map(({ id, fathers, mothers }) => [id, [...fathers, ...mothers]]));
  const young = new Map<string, string[]>();
  for (const [id, those] of parents) for (const parent of those) young.set(parent, [...(young.get(parent) ?? []), id]);

  let shown = known;
  if (wish.focus && known.has(wish.focus.of))
    shown = reach(
      wish.focus.of,
      wish.focus.toward === 'ancestors' ? parents : young,
      wish.focus.toward === 'descendants' && parents,
    );
  const hidden = new Map<string, number>();
  for (const id of wish.folded ?? []) {
    if (!shown.has(id)) continue;
    const line = reach(id, young);
    line.delete(id);
    hidden.set(id, [...line].filter((one) => shown.has(one)).length);
    shown = new Set([...shown].filter((one) => !line.has(one)));
  }

  const shares = sharesOf(all);
  const told = new Map(posterior?.individuals.map((one) => [one.id, one]));
  // Of each matter the likeliest.
  const firsts = posterior?.impossible?.filter(({ matter }, i, ways) => ways.at(i - 1)?.matter !== matter || i === 0) ?? [];
  const wrong = new Set(firsts.flatMap(({ records }) => records.map(({ id }) => id)));
  const facts = members
    .filter(({ id }) => shown.has(id))
    .map((one): [string, SymbolFacts] => {
      const own = told.get(one.name);
      return [
        one.id,
        {
          name: one.name,
          sex: own ? likelier(own.sexP) : one.kept.sex?.called,
          away: one.kept.status === 'gone' || one.kept.status === 'dead' ? one.kept.status : undefined,
          ...(wish.carries && own ? { shade: chanceToCarry(own.genotypes[wish.carries.locus], wish.carries.allele) } : {}),
          wrong: wrong.has(one.name),
          shares: shares.get(one.id)!,
          founder: !parents.get(one.id)!.length,
          folded: hidden.get(one.id) ?? 0,
        },
      ];
    });
  const drawn = (ids: readonly string[]) => ids.filter((id) => shown.has(id));
  return {
    kin: all
      .filter(({ id }) => shown.has(id))
      .map(({ id, fathers, mothers }) => ({ id, fathers: drawn(fathers), mothers: drawn(mothers) })),
    facts: new Map(facts),
  };
}

/** Without the parents that would make somebody its own ancestor: such a record is named elsewhere, and cannot be drawn. */
function withoutCircles<K extends ChartKin>(kin: readonly K[]): K[] {
  const byId = new Map(kin.map((one) => [one.id, one]));
  const state = new Map<string, 'open' | 'done'>();
  const cut = new Set<string>();
  for (const root of kin) {
    const stack = state.has(root.id) ? [] : [{ id: root.id, left: [...root.fathers, ...root.mothers] }];
    state.set(root.id, state.get(root.id) ?? 'open');
    while (stack.length) {
      const top = stack[stack.length - 1];
      const next = top.left.pop();
      if (next === undefined) {
        state.set(top.id, 'done');
        stack.pop();
      } else if (state.get(next) === 'open') cut.add(`${top.id} ${next}`);
      else if (!state.has(next)) {
        state.set(next, 'open');
        const { fathers, mothers } = byId.get(next)!;
        stack.push({ id: next, left: [...fathers, ...mothers] });
      }
    }
  }
  if (!cut.size) return [...kin];
  const right = (id: string, parents: readonly string[]) => parents.filter((parent) => !cut.has(`${id} ${parent}`));
  return kin.map((one) => ({ ...one, fathers: right(one.id, one.fathers), mothers: right(one.id, one.mothers) }));
}

/** Whoever is reached from one by steps; with them, where asked, whom they have beside them: the other parents of young. */
function reach(
  from: string,
  steps: ReadonlyMap<string, readonly string[]>,
  beside: ReadonlyMap<string, readonly string[]> | false = false,
): Set<string> {
  const found = new Set([from]);
  const open = [from];
  for (let at = open.pop(); at !== undefined; at = open.pop())
    for (const next of steps.get(at) ?? [])
      if (!found.has(next)) {
        found.add(next);
        open.push(next);
      }
  if (beside) for (const id of [...found]) if (id !== from) for (const other of beside.get(id) ?? []) found.add(other);
  return found;
}

const likelier = ({ female, male }: { female: number; male: number }): Sex | undefined =>
  Math.abs(female - male) < 1e-9 ? undefined : female > male ? 'female' : 'male';

/** The chance of a genotype with the allele in it. */
export const chanceToCarry = (genotypes: readonly { genotype: string; p: number }[] = [], allele: string): number =>
  genotypes.reduce((sum, { genotype, p }) => sum + (genotype.split('/').includes(allele) ? p : 0), 0);
