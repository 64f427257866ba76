import type { Guide, SourcePolicy } from '@plesion/core/guide';

/** A policy that asks one source before all others; what was left out stays left out, but for that one. */
export function followingFirst(guide: Guide, now: SourcePolicy | undefined, first: string): SourcePolicy {
  const rest = orderOf(guide, now).filter((id) => id !== first);
  return withExclude(
    { kind: 'prefer', order: [first, ...rest] },
    excludedOf(guide, now).filter((id) => id !== first),
  );
}

/** The sources in the order they are asked; under a pool, as the guide lists them. */
export function orderOf(guide: Guide, now: SourcePolicy | undefined): string[] {
  const policy = now ?? guide.policy;
  const named = policy.kind === 'prefer' ? policy.order : [];
  return [...named, ...guide.sources.map(({ id }) => id).filter((id) => !named.includes(id))];
}

export const excludedOf = (guide: Guide, now: SourcePolicy | undefined): string[] => (now ?? guide.policy).exclude ?? [];

/** Brought together in this way, with the same sources left out. */
export function asKind(guide: Guide, now: SourcePolicy | undefined, kind: SourcePolicy['kind']): SourcePolicy {
  const exclude = excludedOf(guide, now);
  if (kind === 'prefer') return withExclude({ kind, order: orderOf(guide, now).filter((id) => !exclude.includes(id)) }, exclude);
  const weights = now?.kind === 'pool' ? now.weights : Object.fromEntries(guide.sources.map(({ id }) => [id, 1]));
  return withExclude({ kind, weights }, exclude);
}

/** Leaves a source out, or takes it back; the last one cannot be left out. */
export function toggled(guide: Guide, now: SourcePolicy | undefined, source: string): SourcePolicy {
  const excluded = excludedOf(guide, now);
  const exclude = excluded.includes(source) ? excluded.filter((id) => id !== source) : [...excluded, source];
  const kept = exclude.length < guide.sources.length ? exclude : excluded;
  const policy = now ?? guide.policy;
  if (policy.kind === 'prefer')
    return withExclude({ kind: 'prefer', order: orderOf(guide, now).filter((id) => !kept.includes(id)) }, kept);
  return withExclude({ kind: 'pool', weights: policy.weights }, kept);
}

export function weighted(guide: Guide, now: SourcePolicy | undefined, source: string, by: number): SourcePolicy {
  const pool = asKind(guide, now, 'pool');
  if (pool.kind !== 'pool') return pool;
  return { ...pool, weights: { ...pool.weights, [source]: Math.max(0.25, Math.min(8, (pool.weights[source] ?? 1) * by)) } };
}

function withExclude(policy: SourcePolicy, exclude: string[]): SourcePolicy {
  const rest = { ...policy };
  delete rest.exclude;
  return exclude.length ? { ...rest, exclude } : rest;
}
