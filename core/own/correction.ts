import type { Facets, Guide, Score, Source, SourcePolicy } from '../guide/working';
import type { OwnCell } from './schema';
import { followingFirst, type Kinds, ownScores, withoutOwn, withoutSource } from './source';

/** What was corrected by the station's own records mark by mark, among the sources of a guide. */
export const CORRECTED = 'own-corrections';

export interface Correction {
  source: Source;
  policy: SourcePolicy;
  scores: Score[];
}

/**
 * One mark of one taxon as the books and our own records have it together, asked before all else that the guide says
 * of it (in a guide that pools its sources, pooled with the weight of one). What was corrected before stays.
 */
export const correctionOf = (guide: Kinds & Pick<Guide, 'policy'>, cell: OwnCell): Correction => ({
  source: {
    id: CORRECTED,
    label: 'Corrected by our own records',
    citation: 'Marks on which verified specimens of this station pull away from the books, with the books as a prior.',
    kind: 'records',
  },
  policy: followingFirst(guide.policy, CORRECTED),
  scores: ownScores(guide, [cell], CORRECTED),
});

/** The guide as the books have it: without our records, and without what was corrected by them. */
export const asBooksSay = (guide: Guide): Guide => withoutSource(withoutOwn(guide), CORRECTED);

/** Was this mark of this taxon corrected in the guide? */
export const isCorrected = (
  { scores }: Pick<Guide, 'scores'>,
  { character, taxon, facets }: Pick<OwnCell, 'character' | 'taxon' | 'facets'>,
): boolean =>
  scores.some(
    (score) =>
      score.source === CORRECTED &&
      score.character === character &&
      score.scope.taxon === taxon &&
      isOf(score.scope.facets ?? {}, facets),
  );

const isOf = (scoped: NonNullable<Score['scope']['facets']>, facets: Facets): boolean => {
  const names = Object.keys(scoped) as (keyof Facets)[];
  return (
    names.length === Object.keys(facets).length &&
    names.every((name) => scoped[name]?.length === 1 && scoped[name]?.[0] === facets[name])
  );
};
