import type { Guide, Score, SourcePolicy } from '../guide/working';
import type { Followed, OwnCell } from './schema';

/** The station's own records among the sources of a guide. */
export const OWN = 'own-records';

/** A frequency is kept to so many digits; no state that a form may have is ruled out. */
const DIGITS = 4;

/** What a guide, or a draft of one, has to say for its scores to be written. */
export interface Kinds {
  characters: readonly Pick<Guide['characters'][number], 'id' | 'kind'>[];
}

/** What our records and the books say together, as scores of a source of its own. */
export const ownScores = ({ characters }: Kinds, cells: readonly OwnCell[], source: string): Score[] =>
  cells.flatMap(({ character, taxon, facets, n, states, values, text }): Score[] => {
    const named = Object.entries(facets).map(([name, value]) => [name, [value]]);
    const score = {
      ...{ character, source, note: `${text}.` },
      scope: { taxon, ...(named.length ? { facets: Object.fromEntries(named) as Score['scope']['facets'] } : {}) },
    };
    if (values) {
      const { mean, sd } = values.both;
      return [{ ...score, value: { kind: 'values', mean: rounded(mean), sd: rounded(sd), n: Math.max(1, Math.round(n)) } }];
    }
    if (!states) return [];
    const shares = Object.fromEntries(states.map(({ state, both }) => [state, roundedDown(both)]));
    const isCount = characters.find(({ id }) => id === character)?.kind === 'count';
    return [{ ...score, value: isCount ? { kind: 'counts', counts: shares } : { kind: 'states', states: shares } }];
  });

/** Down, so that they never come to more than 1 together. */
const roundedDown = (share: number): number => Math.floor(share * 10 ** DIGITS) / 10 ** DIGITS;

const rounded = (value: number): number => Number(value.toPrecision(DIGITS + 1));

/** The guide as it is without them. */
export const withoutOwn = (guide: Guide): Guide => withoutSource(guide, OWN);

/** The guide without a source and all that it says. */
export function withoutSource(guide: Guide, source: string): Guide {
  if (!guide.sources.some(({ id }) => id === source)) return guide;
  return {
    ...guide,
    sources: guide.sources.filter(({ id }) => id !== source),
    scores: guide.scores.filter((score) => score.source !== source),
    policy: policyWithout(guide.policy, source),
  };
}

/** The guide with our records as a source, followed as the books are, or only kept beside. */
export function withOwn(guide: Guide, cells: readonly OwnCell[], followed: Followed, specimens: number): Guide {
  const plain = withoutOwn(guide);
  const scores = ownScores(plain, cells, OWN);
  if (scores.length === 0) return plain;
  const citation = `${specimens} specimens of this station of which it is known what they were, with the books as a prior.`;
  const source = { id: OWN, label: 'Our own records', citation, kind: 'records' as const };
  return {
    ...plain,
    sources: [...plain.sources, source],
    scores: [...plain.scores, ...scores],
    policy: policyWith(plain, followed),
  };
}

function policyWith({ policy }: Guide, followed: Followed): SourcePolicy {
  if (followed === 'beside') return { ...policy, exclude: [...(policy.exclude ?? []), OWN] };
  return followingFirst(policy, OWN);
}

/** A source asked before the others; where they are pooled, with the weight of one. */
export function followingFirst(policy: SourcePolicy, source: string): SourcePolicy {
  if (policy.kind === 'prefer') return { ...policy, order: [source, ...policy.order.filter((id) => id !== source)] };
  return { ...policy, weights: { ...policy.weights, [source]: 1 } };
}

function policyWithout(policy: SourcePolicy, source: string): SourcePolicy {
  const exclude = policy.exclude?.filter((id) => id !== source);
  const rest = exclude?.length ? { exclude } : {};
  if (policy.kind === 'prefer') return { kind: 'prefer', order: policy.order.filter((id) => id !== source), ...rest };
  return {
    kind: 'pool',
    weights: Object.fromEntries(Object.entries(policy.weights).filter(([id]) => id !== source)),
    ...rest,
  };
}

/** How they are followed in a guide now; nothing where they are no source of it. */
export function followedIn({ sources, policy }: Pick<Guide, 'sources' | 'policy'>): Followed | undefined {
  if (!sources.some(({ id }) => id === OWN)) return undefined;
  return policy.exclude?.includes(OWN) ? 'beside' : 'followed';
}
