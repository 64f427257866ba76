import type { Score } from '../guide/schema';
import { stableJson } from '../stableJson';
import type { Draft, PackedDraft, PackedScores } from './draftSchema';

/** Fewer scores are written out as they are: that is read more easily, and large enough for nobody. */
const FEW = 20_000;

/** Is a score of all of a taxon, whatever its sex, its place or the season? Nearly all of a large matrix are. */
export const isOfWhole = (scope: Score['scope']): boolean => scope.taxon !== undefined && Object.keys(scope).length === 1;

/** A draft as it is kept and sent: scores of many taxa that say the same say it once. */
export function packed(draft: Draft, few = FEW): PackedDraft {
  if (draft.scores.length <= few) return draft;
  const places = new Map(draft.taxa.map(({ id }, i) => [id, i]));
  const columns = new Map<string, PackedScores['columns'][number]>();
  /** Where each value of each column is: by the value itself, and by what it says. */
  const same = new Map<Score['value'], Map<string, number[]>>();
  const alike = new Map<string, number[]>();
  const others: Score[] = [];
  for (const score of draft.scores) {
    const { character, source, scope, value, note } = score;
    const place = isOfWhole(scope) && note === undefined ? places.get(scope.taxon!) : undefined;
    if (place === undefined) {
      others.push(score);
      continue;
    }
    const key = `${character}\n${source}`;
    let of = same.get(value)?.get(key);
    if (!of) {
      of = listOf({ key, character, source, value });
      const byColumn = same.get(value);
      if (byColumn) byColumn.set(key, of);
      else same.set(value, new Map([[key, of]]));
    }
    of.push(place);
  }
  function listOf({ key, character, source, value }: Pick<Score, 'character' | 'source' | 'value'> & { key: string }): number[] {
    const said = `${key}\n${stableJson(value)}`;
    const known = alike.get(said);
    if (known) return known;
    const of: number[] = [];
    alike.set(said, of);
    const column = columns.get(key);
    if (column) column.values.push({ value, of });
    else columns.set(key, { character, source, values: [{ value, of }] });
    return of;
  }
  return { ...draft, scores: others, packed: { columns: [...columns.values()] } };
}

/** The draft that was {@link packed}; its scores may be in another order. */
export function unpacked({ packed: together, ...draft }: PackedDraft): Draft {
  if (!together) return draft;
  const scopes = draft.taxa.map(({ id }) => ({ taxon: id }));
  const scores = [...draft.scores];
  for (const { character, source, values } of together.columns)
    for (const { value, of } of values) for (const place of of) scores.push({ character, scope: scopes[place], source, value });
  return { ...draft, scores };
}
