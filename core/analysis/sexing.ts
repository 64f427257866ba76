import { posteriorOf } from '../evidence';
import { SEXES } from '../guide/heredityVocabulary';
import { type CompiledGuide, compiledFor, type Guide, placesOf } from '../guide/working';
import type { Reading } from '../observation';
import { asBooksSay, OWN, ownCells, type VerifiedRecord, withOwn } from '../own';

/** What an individual is by its marks, as its strain has them. */
export interface Sexing {
  /** P of a female among the two sexes; absent where no mark of it was read. */
  female?: number;
  /** The same by the guide alone. */
  books?: number;
  /** What each character that was read says, with all others: log2 of the odds of a female; the weightiest first. */
  marks: { character: string; bits: number; ours: boolean }[];
  /** Specimens of its strain whose sex is known. */
  known: number;
}

export interface SexingAsked {
  /** Of which the sexes are told apart. */
  taxon: string;
  readings: readonly Reading[];
  /** Specimens of its strain whose sex is known, without its own. */
  records: readonly VerifiedRecord[];
  /** Specimens that the guide counts as beside them. */
  weight: number;
}

/** What says less is not told; and no mark says more than this. */
const LEAST = 0.005;
const MOST = 30;

/**
 * Of which sex is it? All marks that were read are weighed together, by the guide and by what the station's own specimens
 * of the same strain say of each mark (`ownCells`), which goes before the books where there are enough of them. What one
 * mark says is what the odds would be without it.
 *
 * @returns nothing where the guide has no forms of either sex of the taxon.
 */
export function sexingOf(guide: Guide, { taxon, readings, records, weight }: SexingAsked): Sexing | undefined {
  const plain = asBooksSay(guide);
  const books = compiledFor(plain, {});
  if (!SEXES.every((sex) => placesOf(books, taxon, { sex }).length)) return undefined;
  const cells = ownCells(books, records, weight);
  const ownBooks = compiledFor(before(withOwn(plain, cells, 'followed', records.length)), {});
  const known = records.length;
  if (!readings.length) return { marks: [], known };
  const odds = oddsOf(ownBooks, taxon, readings);
  const characters = [...new Set(readings.map(({ character }) => character))];
  const told = new Set(cells.map(({ character }) => character));
  const marks = characters
    .map((character) => {
      const without = oddsOf(
        ownBooks,
        taxon,
        readings.filter((reading) => reading.character !== character),
      );
      return { character, bits: Math.max(-MOST, Math.min(MOST, odds - without)), ours: told.has(character) };
    })
    .filter(({ bits }) => Math.abs(bits) >= LEAST)
    .sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits));
  return { female: shareOf(odds), books: shareOf(oddsOf(books, taxon, readings)), marks, known };
}

/** Our own records go before the books, which they hold already, where a guide pools its sources too. */
const before = (guide: Guide): Guide =>
  guide.policy.kind === 'pool'
    ? { ...guide, policy: { ...guide.policy, weights: { ...guide.policy.weights, [OWN]: 1e6 } } }
    : guide;

/** Log2 of the odds of a female against a male. */
function oddsOf(compiled: CompiledGuide, taxon: string, readings: readonly Reading[]): number {
  const { bits } = posteriorOf(compiled, {}, readings);
  const [female, male] = SEXES.map((sex) => {
    const own = placesOf(compiled, taxon, { sex }).map((f) => bits[f]);
    const most = Math.max(...own);
    return most + Math.log2(own.reduce((sum, one) => sum + 2 ** (one - most), 0));
  });
  // Where neither can be, nothing is said.
  return Number.isNaN(female - male) ? 0 : Math.max(-2 * MOST, Math.min(2 * MOST, female - male));
}

const shareOf = (odds: number): number => 1 / (1 + 2 ** -odds);
