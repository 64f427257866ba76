import { AccountEntity } from '../database/personEntities';
import type { Em } from '../database/orm';

/** Letters at most. */
const MOST = 4;

/**
 * The letters by which somebody signs: of the first letters of their names, or the first letters of the only one; longer, or with
 * a number, where somebody in the station has them already.
 */
export function initialsFor(name: string, taken: ReadonlySet<string>): string {
  const words = name.toUpperCase().match(/\p{L}+/gu) ?? ['X'];
  const first = words.map((word) => [...word][0]).join('');
  const letters = words.length > 1 ? first + [...words.at(-1)!].slice(1).join('') : words[0];
  const shortest = words.length > 1 ? Math.min(first.length, MOST) : 2;
  for (let n = Math.min(shortest, letters.length); n <= Math.min(MOST, letters.length); n++) {
    const tried = [...letters].slice(0, n).join('');
    if (!taken.has(tried)) return tried;
  }
  const base = [...letters].slice(0, 2).join('');
  for (let n = 2; ; n++) if (!taken.has(`${base}${n}`)) return `${base}${n}`;
}

/** The letters by which each person of a station signs; whoever belongs to it no more, by those of their name. */
export async function initialsIn(em: Em, stationId: string): Promise<(name: string) => string> {
  const accounts = await em.find(AccountEntity, { stationId }, { fields: ['name', 'initials'] });
  const known = new Map(accounts.map(({ name, initials }) => [name, initials]));
  return (name) => known.get(name) ?? initialsFor(name, new Set());
}
