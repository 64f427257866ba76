import {
  compileGuide,
  type CompiledGuide,
  disagreementsOf,
  formsOf,
  frequencyAt,
  type Guide,
  lineage,
  readGuide,
  type Table,
  type Taxon,
} from '../guide';
import { normalBelow } from '../probability';
import { printCell } from './cells';
import type { Draft, LookedOver, Mistaken } from './draftSchema';
import { sayPart } from './parts';
import { problemsOf } from './problems';
import { guideSoFar } from './soFar';
import { unreachedIn } from './reached';
import { togetherIn } from './together';

type Alike = LookedOver['alike'][number];
type Confused = LookedOver['confused'][number];
type Wanted = LookedOver['wanted'][number];

/** Two are told apart where less than this much of them is the same. */
const ALIKE = 0.3;
/** Kinds of which all pairs are looked at. */
const MOST_FORMS = 400;
const SHOWN = 60;
/** Scores of a draft that is not whole yet up to which it answers all the same: each round of leaving out reads all of them. */
const MOST_SCORES = 300_000;

/**
 * Look a draft over: what is still wrong, what nothing tells apart, and where a cell would help most. Pairs are compared
 * character by character, as if these were independent: the overlap Σ min(p, q) of what each is scored with
 * (Weitzman 1970), multiplied. Of a draft that is not whole yet that is said of what is (`guideSoFar`).
 *
 * @param mistaken what people took for one another: where a cell would help them comes first.
 */
export function lookOver(draft: Draft, mistaken: readonly Mistaken[] = []): LookedOver {
  const read = readGuide(draft);
  const problems = problemsOf(draft, read);
  const soFar = read.ok ? read.value : draft.scores.length <= MOST_SCORES ? guideSoFar(draft)?.guide : undefined;
  const none = { alike: [], confused: [], wanted: [], silent: [], against: [], unreached: [], together: [] };
  const found = { ...none, problems, unused: unusedIn(draft) };
  if (!soFar) return found;
  const compiled = compileGuide(soFar);
  const silent = silentIn(draft);
  const { alike, confused, wanted } = pairsOf(compiled, mistaken);
  // Those of which nothing is said are told from nobody: that is said once.
  const said = alike.filter(({ a, b }) => !silent.includes(a) && !silent.includes(b)).slice(0, SHOWN);
  return {
    ...{ ...found, alike: said, confused, wanted, silent },
    against: againstSources(compiled),
    unreached: unreachedIn(compiled).slice(0, SHOWN),
    together: togetherIn(compiled).slice(0, SHOWN),
  };
}

/** Cells of which two sources say different things, in words. */
function againstSources(compiled: CompiledGuide): LookedOver['against'] {
  const { guide, forms } = compiled;
  const characters = new Map(guide.characters.map((one) => [one.id, one]));
  const sources = new Map(guide.sources.map(({ id, label }) => [id, label]));
  return disagreementsOf(compiled)
    .slice(0, SHOWN)
    .map(({ character, forms: of, said }) => ({
      taxon: forms[of[0]].taxon,
      character,
      said: said.map(({ source, score }) => ({
        source: [sources.get(source) ?? source, sayPart(guide, score.scope)].filter(Boolean).join(', '),
        says: printCell(characters.get(character) ?? {}, score.value),
      })),
    }));
}

function unusedIn({ characters, scores }: Draft): LookedOver['unused'] {
  const used = new Map<string, Set<string>>();
  for (const { character, value } of scores) {
    if (value.kind !== 'states') continue;
    const own = used.get(character) ?? new Set<string>();
    for (const [state, frequency] of Object.entries(value.states)) if (frequency !== 'never' && frequency !== 0) own.add(state);
    used.set(character, own);
  }
  return characters.flatMap(({ id, states = [] }) =>
    used.has(id)
      ? states.filter((state) => !used.get(id)!.has(state.id)).map((state) => ({ character: id, state: state.id }))
      : [],
  );
}

function silentIn(draft: Draft): string[] {
  const scored = new Set(draft.scores.flatMap(({ scope }) => scope.taxon ?? []));
  const everywhere = draft.scores.some(({ scope }) => scope.taxon === undefined);
  const isSaid = (taxon: Taxon) => everywhere || lineage(draft, taxon.id).some(({ id }) => scored.has(id));
  return draft.taxa.filter((taxon) => taxon.forms && !isSaid(taxon)).map(({ id }) => id);
}

/** How much of two forms is the same in a character; undefined where one of them is not scored. */
function overlap(table: Table, a: number, b: number): number | undefined {
  if (!table.scored[a] || !table.scored[b]) return undefined;
  if (table.type === 'states')
    return table.states.reduce((sum, _, s) => sum + Math.min(frequencyAt(table, s, a), frequencyAt(table, s, b)), 0);
  // Of two normals as wide as the wider, that meet half way between their means.
  const apart = Math.abs(table.mean[a] - table.mean[b]);
  return 2 * normalBelow(-apart / 2, 0, Math.max(table.sd[a], table.sd[b]));
}

const pairKey = (a: string, b: string): string => (a < b ? `${a}\n${b}` : `${b}\n${a}`);

/** Which of the pairs that people took for one another two taxa are, or stand under. */
function mistakenIn(guide: Guide, mistaken: readonly Mistaken[]): (a: string, b: string) => readonly Confused[] {
  const all = new Map<string, Confused>();
  for (const { a, b, times } of mistaken) {
    const known = all.get(pairKey(a, b));
    if (known) known.times += times;
    else all.set(pairKey(a, b), { a, b, times, same: 0 });
  }
  if (all.size === 0) return () => [];
  const above = new Map(guide.taxa.map(({ id }) => [id, lineage(guide, id).map((taxon) => taxon.id)]));
  return (a, b) => above.get(a)!.flatMap((x) => above.get(b)!.flatMap((y) => all.get(pairKey(x, y)) ?? []));
}

/** A cell that is not filled, and what it may part: each pair once, however many forms it has. */
interface Cell {
  taxon: string;
  character: string;
  pairs: Set<string>;
  confused: Set<Confused>;
}

function pairsOf(compiled: CompiledGuide, mistaken: readonly Mistaken[]): Pick<LookedOver, 'alike' | 'confused' | 'wanted'> {
  const { guide, tables } = compiled;
  const forms = formsOf(guide).slice(0, MOST_FORMS);
  const all = [...tables.values()];
  const mistakenFor = mistakenIn(guide, mistaken);
  const alike = new Map<string, Alike>();
  const confused = new Set<Confused>();
  const cells = new Map<string, Cell>();
  for (let i = 0; i < forms.length; i++)
    for (let j = i + 1; j < forms.length; j++) {
      const [a, b] = [forms[i].taxon, forms[j].taxon];
      if (a === b) continue;
      const taken = mistakenFor(a, b);
      let same = 1;
      for (const table of all) {
        same *= overlap(table, i, j) ?? 1;
        if (same < ALIKE && taken.length === 0) break;
      }
      // Of several forms of two taxa, those count that are most alike.
      for (const pair of taken) pair.same = Math.max(same, pair.same);
      for (const pair of taken) confused.add(pair);
      if (same >= ALIKE) alike.set(pairKey(a, b), { a, b, same });
      else if (taken.length === 0) continue;
      for (const table of all) {
        if (table.scored[i] === table.scored[j]) continue;
        const taxon = table.scored[i] ? b : a;
        const character = table.character.id;
        const cell = cells.get(`${taxon}\n${character}`) ?? { taxon, character, pairs: new Set(), confused: new Set() };
        cells.set(`${taxon}\n${character}`, cell);
        cell.pairs.add(pairKey(a, b));
        for (const pair of taken) cell.confused.add(pair);
      }
    }
  return {
    alike: [...alike.values()].sort((x, y) => y.same - x.same),
    confused: [...confused].sort((x, y) => y.times - x.times || y.same - x.same).slice(0, SHOWN),
    wanted: [...cells.values()]
      .map((cell): Wanted => ({
        ...{ taxon: cell.taxon, character: cell.character, pairs: cell.pairs.size },
        times: [...cell.confused].reduce((sum, { times }) => sum + times, 0),
      }))
      .sort((x, y) => y.times - x.times || y.pairs - x.pairs)
      .slice(0, SHOWN),
  };
}
