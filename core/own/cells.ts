import {
  type CompiledGuide,
  type Facets,
  type FacetName,
  likelihoodAt,
  frequencyAt,
  type Guide,
  isUnder,
  placesOf,
  type Score,
  type Table,
} from '../guide/working';
import { type Reading, valueOf } from '../observation';
import { binomialTest, normalBelow } from '../probability';
import type { Called } from '../verification';
import type { OwnCell } from './schema';
import { sayStates, sayValues } from './sayCell';
import { updatedStates } from './states';
import { naturalOf, updatedValues } from './values';

/** A specimen of which it is known what it was. */
export interface VerifiedRecord {
  truth: Pick<Called, 'taxon' | 'facets'>;
  /** The chance that its verification is itself wrong. */
  wrong: number;
  readings: readonly Reading[];
}

/** Fewer readings than this say nothing. */
const LEAST = 5;

/** Ours pull away where the books would have it so seldom. */
const PULLS = 0.01;

/** The books say the same of two forms where they differ by no more than this: in a frequency, in spreads. */
const SAME = 0.02;

/**
 * What the station's own verified specimens say of each character of each taxon, and both together: the books taken as
 * a prior that weighs as much as some specimens.
 *
 * Left out is what has fewer than five readings; readings that were a guess, or of several states; characters that
 * the guide scores by season, place or circumstance; and of a taxon whose forms differ in a character, specimens of
 * which it is not known which form they are.
 *
 * @param compiled the guide without our own records among its sources, for no situation.
 * @param weight specimens that the books count as.
 */
export function ownCells(compiled: CompiledGuide, records: readonly VerifiedRecord[], weight: number): OwnCell[] {
  const { guide } = compiled;
  const read = readOf(records);
  return guide.characters.flatMap((character): OwnCell[] => {
    const table = compiled.tables.get(character.id);
    const scores = guide.scores.filter((score) => score.character === character.id);
    if (!table) return [];
    const apartIn = new Map<string, FacetName[] | undefined>();
    const groups = new Map<string, { taxon: string; facets: Facets; forms: number[]; read: Seen[] }>();
    for (const { truth, counts, readings } of read.get(character.id) ?? []) {
      if (!apartIn.has(truth.taxon)) apartIn.set(truth.taxon, toldApartBy(guide, scores, truth.taxon));
      const apart = apartIn.get(truth.taxon);
      if (!apart) continue;
      const facets: Facets = Object.fromEntries(
        apart.flatMap((name) => (truth.facets[name] ? [[name, truth.facets[name]]] : [])),
      );
      const key = JSON.stringify([truth.taxon, facets]);
      const group = groups.get(key) ?? { taxon: truth.taxon, facets, forms: placesOf(compiled, truth.taxon, facets), read: [] };
      group.read.push({ readings, counts });
      groups.set(key, group);
    }
    return [...groups.values()].flatMap(({ taxon, facets, forms, read: seen }) => {
      if (seen.length < LEAST || forms.length === 0 || !areAlike(table, forms)) return [];
      const cell = cellOf(compiled, table, forms[0], seen, weight);
      return cell ? [{ character: character.id, taxon, facets, ...cell }] : [];
    });
  });
}

/** Facets by which the guide tells a character of a taxon apart; nothing where it does so by season, place or circumstance. */
function toldApartBy(guide: Guide, scores: readonly Score[], taxon: string): FacetName[] | undefined {
  const bearing = scores.filter(
    ({ scope }) => scope.taxon === undefined || isUnder(guide, taxon, scope.taxon) || isUnder(guide, scope.taxon, taxon),
  );
  if (bearing.some(({ scope: { regions, dates, circumstances } }) => regions ?? dates ?? circumstances)) return undefined;
  return [...new Set(bearing.flatMap(({ scope }) => Object.keys(scope.facets ?? {}) as FacetName[]))];
}

/** What was read of each character, specimen by specimen. */
function readOf(records: readonly VerifiedRecord[]): Map<string, (Seen & Pick<VerifiedRecord, 'truth'>)[]> {
  const found = new Map<string, (Seen & Pick<VerifiedRecord, 'truth'>)[]>();
  for (const { truth, wrong, readings } of records) {
    const own = new Map<string, Reading[]>();
    for (const one of readings) if (isPlain(one)) own.set(one.character, [...(own.get(one.character) ?? []), one]);
    for (const [character, plain] of own) {
      const seen = found.get(character) ?? [];
      seen.push({ truth, readings: plain, counts: 1 - wrong });
      found.set(character, seen);
    }
  }
  return found;
}

interface Seen {
  readings: readonly Reading[];
  /** 1 less the chance that it was not this at all. */
  counts: number;
}

/** Neither a guess, nor of several states, nor against another specimen, nor of what could not be seen. */
const isPlain = ({ status, certainty, states, comparison, value, parts }: Reading): boolean =>
  !status && certainty !== 'guess' && !comparison && (states?.length === 1 || value !== undefined || parts !== undefined);

/** Do the books say the same of all? */
function areAlike(table: Table, [first, ...rest]: readonly number[]): boolean {
  if (!table.scored[first]) return false;
  if (table.type === 'values')
    return rest.every((f) => {
      const near = (a: number, b: number) => Math.abs(a - b) <= SAME * table.sd[first];
      return table.scored[f] && near(table.mean[f], table.mean[first]) && near(table.sd[f], table.sd[first]);
    });
  return rest.every(
    (f) =>
      table.scored[f] && table.states.every((_, s) => Math.abs(frequencyAt(table, s, f) - frequencyAt(table, s, first)) <= SAME),
  );
}

type Found = Omit<OwnCell, 'character' | 'taxon' | 'facets'>;

function cellOf(compiled: CompiledGuide, table: Table, form: number, seen: readonly Seen[], weight: number): Found | undefined {
  const { character } = table;
  if (table.type === 'states') {
    const books = table.states.map((_, s) => frequencyAt(table, s, form));
    const expected = table.states.map((_, s) => likelihoodAt(table, s, form));
    const read = table.states.map(() => 0);
    for (const { readings, counts } of seen) {
      const { states, value } = readings[0];
      const at = table.states.indexOf(states?.[0] ?? String(value));
      if (at >= 0) read[at] += counts;
    }
    const n = read.reduce((sum, k) => sum + k, 0);
    if (n < LEAST) return undefined;
    const both = updatedStates(compiled, table, books, read, weight);
    const whole = Math.round(n);
    const surprises = read.map((k, s) => binomialTest(Math.min(whole, Math.round(k)), whole, Math.min(1, expected[s])));
    // One of as many states may lie far off by chance.
    const surprise = Math.min(1, Math.min(...surprises) * (surprises.length > 2 ? surprises.length : 1));
    const states = table.states.map((state, s) => ({ state, books: books[s], read: read[s], both: both[s] }));
    return { n, states, surprise, pulls: surprise < PULLS, text: sayStates(character, states, n) };
  }
  const values = seen.flatMap(({ readings, counts }) => {
    const own = readings.flatMap((reading) => valueOf(character, reading) ?? []);
    if (own.length === 0) return [];
    const mean = own.reduce((sum, { value }) => sum + value, 0) / own.length;
    if (table.log && mean <= 0) return [];
    const error = Math.sqrt(own.reduce((sum, one) => sum + one.error ** 2, 0)) / own.length;
    return [table.log ? { x: Math.log(mean), error: error / mean, counts } : { x: mean, error, counts }];
  });
  const n = values.reduce((sum, { counts }) => sum + counts, 0);
  if (n < LEAST) return undefined;
  const books = { mean: table.mean[form], sd: table.sd[form] };
  const { read, both, noise } = updatedValues(books, values, weight);
  const z = Math.abs(read.mean - books.mean) / Math.sqrt((books.sd ** 2 + noise) / n);
  const surprise = 2 * (1 - normalBelow(z, 0, 1));
  const natural = (one: { mean: number; sd: number }) => (table.log ? naturalOf(one) : one);
  const told = { books: natural(books), read: natural(read), both: natural(both) };
  return { n, values: told, surprise, pulls: surprise < PULLS, text: sayValues(character, told, n) };
}
