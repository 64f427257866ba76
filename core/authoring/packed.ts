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
  /** The places that each value of each column is said of, by what it says. */
  const alike = new Map<string, number[]>();
  /** What a value says: one that was unpacked is the same for many. */
  const said = new Map<Score['value'], string>();
  const others: Score[] = [];
  for (const score of draft.scores) {
    const { character, source, scope, value, note } = score;
    const place = isOfWhole(scope) && note === undefined ? places.get(scope.taxon!) : undefined;
    if (place === undefined) {
      others.push(score);
      continue;
    }
    let says = said.get(value);
    if (says === undefined) said.set(value, (says = stableJson(value)));
    const column = `${character}\n${source}`;
    const known = alike.get(`${column}\n${says}`);
    if (known) {
      known.push(place);
      continue;
    }
    const of = [place];
    alike.set(`${column}\n${says}`, of);
    const before = columns.get(column);
    if (before) before.values.push({ value, of });
    else columns.set(column, { character, source, values: [{ value, of }] });
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
