import type { Guide, NamePart } from '@plesion/core/guide';
import type { Opinion } from '@plesion/core/opinions';
import { namedParts, phrase, plain } from '../records/namedParts';

/** A name as somebody gave it, or that it cannot be told: "*Petralda murica* or *P. velloma*, adult female". */
export const opinionParts = (guide: Guide, { name }: Pick<Opinion, 'name'>): NamePart[] =>
  name ? namedParts(guide, name) : phrase('It cannot be told from this');

/** What several said, the commonest first. */
export function voteParts(guide: Guide, opinions: readonly Pick<Opinion, 'name'>[]): NamePart[] {
  const votes = new Map<string, { parts: NamePart[]; n: number }>();
  for (const opinion of opinions) {
    const parts = opinionParts(guide, opinion);
    votes.set(plain(parts), { parts, n: (votes.get(plain(parts))?.n ?? 0) + 1 });
  }
  const ranked = [...votes.values()].sort((a, b) => b.n - a.n);
  return ranked.flatMap(({ parts, n }, i) => phrase(`${i > 0 ? '; ' : ''}${n} of ${opinions.length}: `, parts));
}
