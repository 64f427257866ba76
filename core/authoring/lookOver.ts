import {
  compileGuide,
  type CompiledGuide,
  disagreementsOf,
  formsOf,
  frequencyAt,
  isUnder,
  readGuide,
  type Table,
  type Taxon,
} from '../guide';
import { normalBelow } from '../probability';
import { printCell } from './cells';
import type { Draft, LookedOver } from './draftSchema';
import { problemsOf } from './problems';
import { unreachedIn } from './reached';
import { togetherIn } from './together';

type Alike = LookedOver['alike'][number];
type Wanted = LookedOver['wanted'][number];

/** Two are told apart where less than this much of them is the same. */
const ALIKE = 0.3;
/** Kinds of which all pairs are looked at. */
const MOST_FORMS = 400;
const SHOWN = 60;

/**
 * Look a draft over: what is still wrong, what nothing tells apart, and where a cell would help most. Pairs are compared
 * character by character, as if these were independent: the overlap Σ min(p, q) of what each is scored with
 * (Weitzman 1970), multiplied.
 */
export function lookOver(draft: Draft): LookedOver {
  const read = readGuide(draft);
  const problems = problemsOf(draft, read);
  const none = { alike: [], wanted: [], silent: [], against: [], unreached: [], together: [] };
  const found = { ...none, problems, unused: unusedIn(draft) };
  if (!read.ok) return found;
  const compiled = compileGuide(read.value);
  const silent = silentIn(draft);
  const { alike, wanted } = pairsOf(compiled);
  // Those of which nothing is said are told from nobody: that is said once.
  const said = alike.filter(({ a, b }) => !silent.includes(a) && !silent.includes(b)).slice(0, SHOWN);
  return {
    ...{ ...found, alike: said, wanted, silent },
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
        source: sources.get(source) ?? source,
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
  const isSaid = ({ id }: Taxon) => everywhere || [...scored].some((taxon) => isUnder(draft, id, taxon));
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

function pairsOf(compiled: CompiledGuide): Pick<LookedOver, 'alike' | 'wanted'> {
  const { guide, tables } = compiled;
  const forms = formsOf(guide).slice(0, MOST_FORMS);
  const all = [...tables.values()];
  const alike: Alike[] = [];
  const wanted = new Map<string, Wanted>();
  for (let a = 0; a < forms.length; a++)
    for (let b = a + 1; b < forms.length; b++) {
      if (forms[a].taxon === forms[b].taxon) continue;
      let same = 1;
      for (const table of all) {
        same *= overlap(table, a, b) ?? 1;
        if (same < ALIKE) break;
      }
      if (same < ALIKE) continue;
      alike.push({ a: forms[a].taxon, b: forms[b].taxon, same });
      for (const table of all) {
        if (table.scored[a] === table.scored[b]) continue;
        const taxon = forms[table.scored[a] ? b : a].taxon;
        const key = `${taxon}\n${table.character.id}`;
        const known = wanted.get(key);
        if (known) known.pairs++;
        else wanted.set(key, { taxon, character: table.character.id, pairs: 1 });
      }
    }
  const once = new Map(alike.map((pair) => [`${pair.a}\n${pair.b}`, pair]));
  return {
    alike: [...once.values()].sort((x, y) => y.same - x.same),
    wanted: [...wanted.values()].sort((x, y) => y.pairs - x.pairs).slice(0, SHOWN),
  };
}
