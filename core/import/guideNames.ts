import { type Guide, plainText } from '../guide/working';
import type { ColumnTarget } from './schema';

/** A name without what people write differently: case, accents, marks, blanks. */
export const plainName = (name: string): string =>
  plainText(name)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** Every name by which a taxon may be written down, plainly; a name that misleads is none of them. */
export function namesOf(guide: Pick<Guide, 'taxa'>): Map<string, string> {
  const names = new Map<string, string>();
  for (const { id, name, vernacular, names: others = [] } of guide.taxa)
    for (const one of [name, vernacular, id, ...others.filter(({ kind }) => kind !== 'misleading').map((other) => other.name)])
      if (one && !names.has(plainName(one))) names.set(plainName(one), id);
  return names;
}

/** The name that comes nearest to what was written; undefined where none is near (a third of its letters wrong). */
export function nearestName(written: string, names: Iterable<string>): string | undefined {
  const plain = plainName(written);
  let best: string | undefined;
  let least = Math.floor(plain.length / 3) + 1;
  for (const name of names) {
    if (Math.abs(name.length - plain.length) >= least) continue;
    const apart = lettersApart(plain, name);
    if (apart < least) [best, least] = [name, apart];
  }
  return best;
}

/** Letters to put in, take out or change (Levenshtein 1966), and neighbours to swap (Damerau 1964). */
export function lettersApart(a: string, b: string): number {
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const now = [i];
    for (let j = 1; j <= b.length; j++) {
      now[j] = Math.min(now[j - 1] + 1, last[j] + 1, last[j - 1] + (a[i - 1] === b[j - 1] ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) now[j] = Math.min(now[j], before[j - 2] + 1);
    }
    [before, last] = [last, now];
  }
  return last[b.length];
}

/** The measured or counted character that a column is called by, with or without its unit. */
export function characterCalled(guide: Pick<Guide, 'characters'> | undefined, column: string): ColumnTarget | undefined {
  const name = plainName(column);
  const character = guide?.characters.find(
    ({ id, label, unit, kind }) =>
      (kind === 'measurement' || kind === 'ratio' || kind === 'count') &&
      [id, label, ...(unit ? [`${label} ${unit}`] : [])].some((one) => plainName(one) === name),
  );
  return character && `reading:${character.id}`;
}
